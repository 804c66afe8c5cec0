import '../../../../core/recipe/shapes/all.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import { emptyAliasFile } from '../../../../core/chapters/aliases/file.ts';
import { canonicalText } from '../../../../core/format/canonical.ts';
import { applyEdit, type AnyChange } from '../../../../core/profile/edit.ts';
import { restoring } from '../../../../core/profile/restore.ts';
import { wireOf } from '../../../../core/profile/wire.ts';
import { StaleChangeError } from '../../../../core/strata/change.ts';
import { stratumById, type Profile, type StratumId } from '../../../../core/strata/stratum.ts';

const [OFFICE, PERSONAL] = ['office', 'personal'] as StratumId[] as [StratumId, StratumId];
const START: Profile = [
	{ id: OFFICE, kind: 'office', name: 'Office', contents: {} },
	{ id: PERSONAL, kind: 'personal', name: 'Mine', contents: {} }
];
const textOf = (profile: Profile, id: StratumId) => canonicalText(wireOf(stratumById(profile, id)));

/** A history of edits over two strata: options are set, changed and let go, texts are begun, changed and taken away. */
const history = fc.array(
	fc.record({
		stratum: fc.constantFrom(OFFICE, PERSONAL),
		what: fc.constantFrom('a', 'b', 'text'),
		value: fc.option(fc.integer({ min: 0, max: 3 }), { nil: null })
	}),
	{ maxLength: 14 }
);

function played(steps: readonly { stratum: StratumId; what: string; value: number | null }[]) {
	const states = [START];
	const edits: { changes: readonly AnyChange[] }[] = [];
	for (const { stratum, what, value } of steps) {
		const now = states.at(-1)!;
		const holds = stratumById(now, stratum).contents;
		const changes: AnyChange[] = [];
		if (what === 'text') {
			const from = (holds['aliases'] as unknown) ?? null;
			const to = value === null ? null : { ...emptyAliasFile, text: `${value} -> x\n` };
			if (from !== null || to !== null) changes.push({ chapter: 'aliases', stratum, from, to } as AnyChange);
		} else {
			const path = `view.${what}`;
			const entries = (holds['options'] as ReadonlyMap<string, unknown> | undefined) ?? new Map<string, unknown>();
			const before = [...entries.values()].find((e) => (e as { path: string }).path === path) ?? null;
			const after = value === null ? null : { op: 'set', path, value, rank: what === 'a' ? 0 : 1 };
			if (before !== null || after !== null) changes.push({ chapter: 'options', stratum, before, after } as AnyChange);
		}
		edits.push({ changes });
		states.push(applyEdit(now, changes));
	}
	return { states, edits };
}

describe('restoring a stratum to a point of its history', () => {
	it('makes it say what it said then, leaves the others as they are, and is itself an edit like any other', () => {
		fc.assert(
			fc.property(history, fc.nat(), (steps, at) => {
				const { states, edits } = played(steps);
				const point = at % states.length;
				const now = states.at(-1)!;
				const changes = restoring(now, OFFICE, edits.slice(point).reverse());
				const then = applyEdit(now, changes);
				expect(textOf(then, OFFICE)).to.equal(textOf(states[point]!, OFFICE));
				expect(textOf(then, PERSONAL)).to.equal(textOf(now, PERSONAL));
				if (textOf(now, OFFICE) === textOf(states[point]!, OFFICE)) expect(changes).to.deep.equal([]);
			}),
			{ numRuns: 300 }
		);
	});

	it('refuses edits that do not lead to what there is', () => {
		const after = { op: 'set', path: 'view.a', value: 1, rank: 0 };
		const edit = { changes: [{ chapter: 'options', stratum: OFFICE, before: null, after } as AnyChange] };
		expect(() => restoring(START, OFFICE, [edit])).to.throw(StaleChangeError);
	});
});
