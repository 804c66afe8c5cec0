import { expect } from 'chai';
import fc from 'fast-check';
import { emptyAliasFile } from '../../../../core/alias/file.ts';
import { Macro } from '../../../../core/macro/macro.ts';
import { applyEdit, type Change, type Said } from '../../../../core/profile/edit.ts';
import { entryKey, type Entry } from '../../../../core/profile/entry.ts';
import { rebased } from '../../../../core/profile/rebase.ts';
import { stratumOf, type Profile } from '../../../../core/profile/stratum.ts';
import { heads, small } from '../../arbitrary.ts';

const nothing: Said = { changes: [], aliases: [], macros: [] };
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
				const changes = [...stratum.entries.values()].map((after: Entry): Change => ({
					stratum: stratum.id,
					before: null,
					after
				}));
				const now = theirs.profile;
				const { said, lost } = rebased(now, { ...nothing, changes });
				expect(lost).to.deep.equal([]);
				const after = applyEdit(now, said)[level]!.entries;
				for (const entry of stratum.entries.values()) expect(after.get(entryKey(entry))).to.deep.equal(entry);
			})
		);
	});

	it('drops what is gone already', () => {
		const gone = { stratum: office.id, before: macro('A'), after: null };
		expect(rebased(of(''), { ...nothing, macros: [gone] }).said.macros).to.deep.equal([]);
	});

	it('puts a macro in place of the one that came meanwhile', () => {
		const now = of('', [macro('Theirs')]);
		const { said } = rebased(now, { ...nothing, macros: [{ stratum: office.id, before: null, after: macro('Mine') }] });
		expect([...applyEdit(now, said)[1]!.macros!.values()].map((m) => 'label' in m && m.label)).to.deep.equal(['Mine']);
	});

	it('finds the place of a line that has moved, and says so when it is gone', () => {
		const change = { stratum: office.id, at: 0, before: 'ln -> a', after: 'ln -> b' };
		const moved = of('# head\nln -> a\n');
		expect(applyEdit(moved, rebased(moved, { ...nothing, aliases: [change] }).said)[1]!.aliases!.text).to.equal(
			'# head\nln -> b\n'
		);
		const { said, lost } = rebased(of('xx -> a\n'), { ...nothing, aliases: [change] });
		expect(said.aliases).to.deep.equal([]);
		expect(lost[0]).to.include('"ln -> a" in the alias file of');
		expect(rebased(of('ln -> a\n \nln -> a\n'.slice(1)), { ...nothing, aliases: [change] }).lost).to.have.length(0);
	});
});
