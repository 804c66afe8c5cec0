import { expect } from 'chai';
import fc from 'fast-check';
import { namesOf } from '../../../../core/chapter/chapter.ts';
import { indexOf } from '../../../../core/profile/circumstances.ts';
import { differencesBetween, newsBetween } from '../../../../core/profile/differences.ts';
import { entryKey, type Entry } from '../../../../core/shortcut/entry.ts';
import type { Profile, StratumHead, StratumId } from '../../../../core/strata/stratum.ts';
import { KEYS, scopeOf, small, subjectOf, type Small } from '../../arbitrary.ts';
import { stratumOf } from '../../strata.ts';

const head = (id: string, kind: StratumHead['kind']): StratumHead => ({ id: id as StratumId, kind, name: id });
const HEADS = [head('office', 'office'), head('doors', 'discipline'), head('roofs', 'discipline')];

/** The factory, the office and two disciplines, before and after. */
const twice = small().chain((app: Small) =>
	fc
		.array(
			fc.array(
				fc.record({
					op: fc.constantFrom('set' as const, 'set' as const, 'remove' as const),
					command: fc.nat(4),
					keys: fc.constantFrom(...KEYS),
					scope: scopeOf(app.axes)
				}),
				{ maxLength: 4 }
			),
			{ minLength: 6, maxLength: 6 }
		)
		.map((lists) => {
			const all = lists.map((list, i) => {
				const entries = list.map((e, rank) => ({ ...e, command: `c${e.command}`, rank }) as Entry);
				return stratumOf(HEADS[i % 3]!, [...new Map(entries.map((e) => [entryKey(e), e])).values()]);
			});
			const factory = app.profile.filter(({ kind }) => kind === 'factory');
			return { app, before: [...factory, ...all.slice(0, 3)], now: [...factory, ...all.slice(3)] };
		})
);
const only = (profile: Profile, ...ids: string[]) =>
	profile.filter(({ id, kind }) => kind === 'factory' || ids.includes(id as string));

describe('what is new for all who may have it', () => {
	it('is what is new for those who have the office’s alone, and for those who have any other stratum upon it, each once', () => {
		fc.assert(
			fc.property(twice, ({ app, before, now }) => {
				const names = namesOf(indexOf(subjectOf(app), now));
				const textOf = ({ id, kind, by, caption }: ReturnType<typeof newsBetween>[number]) =>
					JSON.stringify([id, kind, by, caption]);
				const expected = [[], ['doors'], ['roofs']].flatMap((more) =>
					differencesBetween(only(before, 'office', ...more), only(now, 'office', ...more), names).map(textOf)
				);
				const found = newsBetween(before, now, names).map(textOf);
				expect(found).to.have.members([...new Set(expected)]);
				expect(new Set(found).size).to.equal(found.length);
			})
		);
	});

	it('is told of a discipline whose keys another one says otherwise', () => {
		const [app] = fc.sample(small(), { numRuns: 1, seed: 7 });
		const set = (id: number, command: string) => [
			stratumOf(HEADS[id]!, [{ op: 'set', command, keys: 'F9', scope: {}, rank: 1 } as never])
		];
		const base = [...app!.profile.filter(({ kind }) => kind === 'factory'), stratumOf(HEADS[0]!, [])];
		const before = [...base, ...set(1, 'c0'), ...set(2, 'c1')];
		const now = [...base, ...set(1, 'c2'), ...set(2, 'c1')];
		const names = namesOf(indexOf(subjectOf(app!), now));
		// seen together the upper one hides it
		const seen = newsBetween(before, now, names).filter(({ by }) => by === ('doors' as StratumId));
		expect(seen.map(({ kind, command }) => [kind, command])).to.deep.include(['added', 'c2']);
	});
});
