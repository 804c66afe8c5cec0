import { expect } from 'chai';
import fc from 'fast-check';
import { gneiss } from '../../../../demo/gneiss/gneiss.ts';
import { ALIASES, aliasFileIn, emptyAliasFile } from '../../../../core/chapters/aliases/file.ts';
import { textChange } from '../../../../core/chapter/text.ts';
import { Blame, BEFORE_ALL } from '../../../../core/profile/blame.ts';
import { applyEdit, inverseEdit, tagged, type AnyChange } from '../../../../core/profile/edit.ts';
import { SHORTCUTS, shortcutKey } from '../../../../core/shortcut/entry.ts';
import type { Profile } from '../../../../core/strata/stratum.ts';
import { heads } from '../../arbitrary.ts';
import { stratumOf } from '../../strata.ts';

const [office, personal] = [heads[1]!, heads[2]!];
const [entry, other] = gneiss.entriesOf('set | Ctrl+Alt+1 | file.pack | any\nset | Ctrl+Alt+2 | file.pack | any');
const key = shortcutKey(entry!);

const blameOf = (profile: Profile, edits: readonly Step[]): Blame => {
	const work = Blame.after(profile, edits);
	for (let step = work.next(); ; step = work.next()) if (step.done) return step.value;
};

interface Step {
	readonly revision: number;
	readonly changes: readonly AnyChange[];
}

describe('who said a thing last', () => {
	const keys = (revision: number, stratum: string, before: unknown, after: unknown): Step => ({
		revision,
		changes: [{ chapter: SHORTCUTS, stratum, before, after } as never]
	});
	const profile: Profile = [stratumOf(office, [entry!]), stratumOf(personal, [])];
	const blame = blameOf(profile, [
		keys(1, office.id, null, { ...entry!, rank: 1 }),
		keys(2, personal.id, null, entry),
		keys(3, office.id, { ...entry!, rank: 1 }, { ...entry!, rank: 2 }),
		keys(4, office.id, null, other)
	]);

	it('is the newest edit that touched it in its stratum', () => {
		expect(blame.things(office.id, SHORTCUTS).get(key)).to.equal(3);
		expect(blame.things(personal.id, SHORTCUTS).get(key)).to.equal(2);
		expect(blame.revision).to.equal(4);
	});

	it('is nobody where no edit tells of it', () => {
		expect(blame.things('glass' as never, SHORTCUTS).get(key)).to.equal(undefined);
		expect(blame.things(office.id, 'options').size).to.equal(0);
		expect(new Blame(profile).things(office.id, SHORTCUTS).size).to.equal(0);
	});

	it('is also whoever took it away', () => {
		blame.follow(keys(5, office.id, { ...entry!, rank: 2 }, null));
		expect(blame.things(office.id, SHORTCUTS).get(key)).to.equal(5);
	});
});

describe('who wrote a line last', () => {
	const withText = (text: string): Profile => [stratumOf(office, [], { ...emptyAliasFile, text })];
	const becomes = (profile: Profile, text: string): AnyChange[] => {
		const change = textChange(office.id, aliasFileIn(profile[0]!), emptyAliasFile, text);
		return change ? tagged({ id: ALIASES }, [change]) : [];
	};
	/** The text after each, as edits one after the other. */
	const written = (texts: readonly string[]): { profile: Profile; edits: Step[] } => {
		let profile = withText(texts[0]!);
		const edits = texts.slice(1).map((text, i): Step => {
			const changes = becomes(profile, text);
			profile = applyEdit(profile, changes);
			return { revision: i + 1, changes };
		});
		return { profile, edits };
	};
	const lines = (texts: readonly string[]) => {
		const { profile, edits } = written(texts);
		return blameOf(profile, edits).lines(office.id, ALIASES);
	};

	it('is whose edit brought or changed it, whatever was written around it', () => {
		expect(lines(['a=x\nb=y\n'])).to.deep.equal([BEFORE_ALL, BEFORE_ALL]);
		expect(lines(['a=x\nb=y\n', 'a=x\nb=z\n'])).to.deep.equal([0, 1]);
		expect(lines(['a=x\nb=y\n', 'n=n\na=x\nb=y\n'])).to.deep.equal([1, 0, 0]);
		expect(lines(['a=x\nb=y\n', 'a=x\n', 'a=x\nb=y\n'])).to.deep.equal([0, 2]);
		expect(lines(['a=x\r\nb=y\r\n', 'a=x\r\nb=yy\r\nc=c'])).to.deep.equal([0, 1, 1]);
		expect(lines(['', 'a=x', 'a=x\nb=y'])).to.deep.equal([2, 2]);
	});

	it('is told of two places that one edit changes, and not of what lies between', () => {
		expect(lines(['a\nb\nc\nd\ne\n', 'A\nb\nc\nd\nE\n'])).to.deep.equal([1, 0, 0, 0, 1]);
	});

	it('goes with the line through whole files that take the place of the text', () => {
		const { profile, edits } = written(['a\nb\n', 'a\nb\nc\n']);
		const from = aliasFileIn(profile[0]!);
		const swap = tagged({ id: ALIASES }, [{ stratum: office.id, from, to: { ...from!, text: 'z\na\nb\nc\n' } }]);
		const after = applyEdit(profile, swap);
		const blame = blameOf(after, [...edits, { revision: 2, changes: swap }]);
		expect(blame.lines(office.id, ALIASES)).to.deep.equal([2, 0, 0, 1]);
		blame.follow({ revision: 3, changes: inverseEdit(swap) });
		expect(blame.lines(office.id, ALIASES)).to.deep.equal([0, 0, 1]);
		blame.follow({ revision: 4, changes: tagged({ id: ALIASES }, [{ stratum: office.id, from, to: null }]) });
		expect(blame.lines(office.id, ALIASES)).to.deep.equal([]);
	});

	it('is what a model says that keeps each line with its writer', () => {
		const act = fc.record({
			at: fc.nat(9),
			gone: fc.nat(2),
			come: fc.nat(3),
			end: fc.constantFrom('\n', '\r\n')
		});
		fc.assert(
			fc.property(fc.nat(5), fc.array(act, { maxLength: 8 }), (count, acts) => {
				let number = 0;
				const line = (end: string) => `n${++number}=command${end}`;
				let model = Array.from({ length: count }, () => ({ text: line('\n'), by: BEFORE_ALL }));
				const texts = [model.map(({ text }) => text).join('')];
				acts.forEach(({ at, gone, come, end }, i) => {
					const place = Math.min(at, model.length);
					const next = Array.from({ length: come }, () => ({ text: line(end), by: i + 1 }));
					model = [...model.slice(0, place), ...next, ...model.slice(place + gone)];
					texts.push(model.map(({ text }) => text).join(''));
				});
				const expected = model.map(({ by }) => by);
				expect(lines(texts)).to.deep.equal(expected);
				// followed one by one it is the same
				const { edits } = written(texts);
				const blame = new Blame(withText(texts[0]!));
				for (const edit of edits) blame.follow(edit);
				expect(blame.lines(office.id, ALIASES)).to.deep.equal(expected);
			})
		);
	});
});
