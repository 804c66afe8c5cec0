import { expect } from 'chai';
import fc from 'fast-check';
import { ALIASES, aliasFileIn, emptyAliasFile, type AliasFile } from '../../../../core/chapters/aliases/file.ts';
import { Macro, MACROS, macrosIn, type MacroEntry } from '../../../../core/chapters/macros/macro.ts';
import { applyEdit, tagged, type AnyChange } from '../../../../core/profile/edit.ts';
import { ofShortcuts, type Change } from '../../../../core/shortcut/change.ts';
import { entryKey, shortcutsIn, type Entry } from '../../../../core/shortcut/entry.ts';
import { spliceBetween, type TextChange } from '../../../../core/chapter/text.ts';
import { mergeTexts } from '../../../../core/text/merge-texts.ts';
import { rebased } from '../../../../core/profile/rebase.ts';
import type { Profile } from '../../../../core/strata/stratum.ts';
import { macroEntries, stratumOf } from '../../strata.ts';
import { heads, small } from '../../arbitrary.ts';

const office = heads[1]!;
const of = (text: string, macros: Macro[] = []): Profile => [
	stratumOf(heads[0]!, []),
	stratumOf(office, [], { ...emptyAliasFile, text }, macros)
];
const macro = (label: string) => Macro.parse({ id: 'macro:a', label, steps: [] });

describe('an edit on a profile that somebody else has changed', () => {
	it('applies to whatever stands there now, and leaves the same entries behind', () => {
		fc.assert(
			fc.property(small(), small(), (mine, theirs) => {
				const level = 1;
				const stratum = mine.profile[level]!;
				const changes = [...shortcutsIn(stratum).values()].map((after: Entry): Change => ({
					stratum: stratum.id,
					before: null,
					after
				}));
				const now = theirs.profile;
				const { changes: made, lost } = rebased(now, ofShortcuts(changes), mine.profile);
				expect(lost).to.deep.equal([]);
				const after = shortcutsIn(applyEdit(now, made)[level]!);
				for (const { rank: _, ...entry } of shortcutsIn(stratum).values())
					expect(after.get(entryKey(entry as Entry))).to.deep.include(entry);
				const ranks = [...after.values()].map((e) => e.rank);
				expect(new Set(ranks).size, 'no two share a place').to.equal(ranks.length);
			})
		);
	});

	const macroChange = (before: MacroEntry | null, after: MacroEntry | null) =>
		tagged({ id: MACROS }, [{ stratum: office.id, before, after }]);
	const said = (label: string) => macroEntries([macro(label)])[0]!;

	it('drops what is gone already', () => {
		expect(rebased(of(''), macroChange(said('A'), null), of('')).changes).to.deep.equal([]);
	});

	it('puts a macro in place of the one that came meanwhile', () => {
		const now = of('', [macro('Theirs')]);
		const { changes } = rebased(now, macroChange(null, said('Mine')), of(''));
		const left = [...macrosIn(applyEdit(now, changes)[1]!).values()];
		expect(left.map((m) => m.op === 'set' && m.label)).to.deep.equal(['Mine']);
	});

	const edit = (change: TextChange<AliasFile>): AnyChange[] => tagged({ id: ALIASES }, [change]);
	const splice = (before: string, after: string) => edit(spliceBetween(office.id, before, after)!);
	const textIn = (profile: Profile) => aliasFileIn(profile[1]!)!.text;
	const merged = (base: string, mine: string, theirs: string) => {
		const result = rebased(of(theirs), splice(base, mine), of(base));
		return { ...result, text: textIn(applyEdit(of(theirs), result.changes)) };
	};

	it('puts a new line where it was put although lines above it came or went', () => {
		const base = 'a -> x\nb -> y\n';
		expect(merged(base, 'a -> x\nm -> z\nb -> y\n', '# head\nnew -> n\na -> x\nb -> y\n').text).to.equal(
			'# head\nnew -> n\na -> x\nm -> z\nb -> y\n'
		);
		expect(merged(base, 'a -> x\nm -> z\nb -> y\n', 'b -> y\n').conflicts).to.have.length(1);
	});

	it('keeps both texts where they touch, and writes neither', () => {
		const { changes, conflicts, text } = merged('ln -> a\n', 'ln -> mine\n', 'ln -> theirs\n');
		expect(changes).to.deep.equal([]);
		expect(text).to.equal('ln -> theirs\n');
		expect(conflicts).to.deep.equal([
			{
				chapter: ALIASES,
				stratum: office.id,
				mine: 'ln -> mine\n',
				both: 'ln -> theirs\nln -> mine\n',
				touching: [{ mine: 'ln -> mine\n', theirs: 'ln -> theirs\n', base: 'ln -> a\n' }]
			}
		]);
	});

	it('loses no line of either side and tears none apart, whatever both did', () => {
		const line = fc.constantFrom('ln -> a', 'dc -> b', '# head', '', 'xy -> c', 'zz -> d');
		const lines = fc.array(line, { maxLength: 8 });
		const text = (list: readonly string[], end: string) => list.map((l) => l + end).join('');
		let clean = 0;
		fc.assert(
			fc.property(lines, lines, lines, fc.constantFrom('\n', '\r\n'), (o, a, b, end) => {
				const [base, mine, theirs] = [
					text(o, end),
					text([...o.slice(0, 3), ...a, ...o.slice(3)], end),
					text([...b, ...o.slice(1)], end)
				];
				const { text: both, conflicts } = mergeTexts(base, mine, theirs);
				const count = (of: string, wanted: string) => of.split(end).filter((l) => l === wanted).length;
				for (const one of new Set([...mine.split(end), ...theirs.split(end)].filter((l) => l !== ''))) {
					const cameMine = count(mine, one) - count(base, one);
					const cameTheirs = count(theirs, one) - count(base, one);
					const least = count(base, one) + Math.min(0, cameMine) + Math.min(0, cameTheirs) + Math.max(0, cameMine, cameTheirs);
					expect(count(both, one), one).to.be.at.least(Math.max(0, least));
				}
				for (const one of both.split(end)) expect([...o, ...a, ...b, '']).to.include(one);
				if (conflicts.length === 0) clean++;
			}),
			{ numRuns: 1000 }
		);
		expect(clean).to.be.greaterThan(100);
	});

	it('puts a file that was brought in place of the old one only where no line of theirs goes lost', () => {
		const swap = (before: string, to: Partial<AliasFile> | null) =>
			edit({ stratum: office.id, from: aliasFileIn(of(before)[1]!), to: to && { ...emptyAliasFile, ...to } });
		const base = 'a -> one\nb -> two\nc -> three\n';
		const theirs = base.replace('three', 'four');
		const other = { ...emptyAliasFile.recipe, name: 'Other' };
		// nobody wrote meanwhile
		expect(rebased(of(base), swap(base, { text: 'x', recipe: other }), of(base)).changes).to.have.length(1);
		// their lines and mine go together
		const both = rebased(of(theirs), swap(base, { text: base.replace('one', 'zero') }), of(base));
		expect(textIn(applyEdit(of(theirs), both.changes))).to.equal(theirs.replace('one', 'zero'));
		// they do not
		for (const to of [{ text: 'x\n' }, { text: base.replace('one', 'zero'), recipe: other }]) {
			const { changes, conflicts } = rebased(of(theirs), swap(base, to), of(base));
			expect([changes, conflicts.map((c) => c.mine)]).to.deep.equal([[], [to.text]]);
		}
		const gone = rebased(of(theirs), swap(base, null), of(base));
		expect([gone.changes, gone.lost.length]).to.deep.equal([[], 1]);
	});

	it('says what was written on another text than the one before', () => {
		const { changes, lost } = rebased(
			of('xx -> a\n'),
			edit({ stratum: office.id, at: 0, before: 'ln', after: 'li' }),
			of('yy\n')
		);
		expect(changes).to.deep.equal([]);
		expect(lost[0]).to.include('the alias file of Office');
	});
});
