import { catalogueOf } from '../core/application/application.ts';
import { contextSpace } from '../core/context/space.ts';
import { impactByHand, impactOf, type Question } from '../core/impact/impact.ts';
import type { Setup } from '../core/people/setup.ts';
import { entryKey, shortcutsIn, SHORTCUTS, type Entry } from '../core/shortcut/entry.ts';
import { holding, type Stratum, type StratumHead, type StratumId } from '../core/strata/stratum.ts';
import { generate, seeded } from './generate.ts';
import type { Line } from './report.ts';

const [PEOPLE, SETUPS, ENTRIES, OWN, CHANGED] = [100, 3, 3_000, 25, 30] as const;

/** An office of 100 people with 3 setups each of some 3,000 shortcuts, and a release that changes 30 of them. */
function question(): Question {
	const { application, commands, profile } = generate(2_000, ENTRIES);
	const space = contextSpace(application.axes, application.reachable);
	const random = seeded(3);
	const all = profile.flatMap((stratum) => [...shortcutsIn(stratum).values()]);
	const some = (count: number): Map<string, Entry> => {
		const entries = Array.from({ length: count }, (_, rank): Entry => {
			const [a, b] = [all, all].map((list) => list[Math.floor(random() * list.length)]!);
			return { ...a!, op: 'set', keys: b!.keys, rank: 50_000 + rank };
		});
		return new Map(entries.map((entry) => [entryKey(entry), entry]));
	};
	const made = (id: string, kind: StratumHead['kind'], count: number): Stratum =>
		holding({ id: id as StratumId, kind, name: id, contents: {} }, SHORTCUTS, some(count));
	const [factory, office] = profile as [Stratum, Stratum];
	const changed = holding(office, SHORTCUTS, new Map([...[...shortcutsIn(office)].slice(CHANGED / 2), ...some(CHANGED / 2)]));
	const disciplines = [made('doors', 'discipline', 60), made('hangers', 'discipline', 60)];
	const own = Array.from({ length: PEOPLE }, (_, i) => made(`own-${i}`, 'personal', OWN));
	const setups = own.flatMap(({ id }, i): Setup[] =>
		[['office'], ['office', 'doors'], ['office', 'hangers']].map((below, s) => ({
			...{ id: `s${i}-${s}`, name: `Setup ${s}`, person: `p${i}`, isStart: s === 0, isRecommended: false },
			strata: [...below, id] as StratumId[]
		}))
	);
	return {
		...{ application: { application, space, catalogue: catalogueOf(commands, space) }, desks: [], released: office },
		...{ now: [factory, changed, ...disciplines, ...own], today: new Map([[office.id, office]]), setups }
	};
}

/** What a release does to everybody, and how much less it costs than to look at each setup by itself. */
export function impactBench(): Line[] {
	const asked = question();
	const began = performance.now();
	const work = impactOf(asked);
	while (!work.next().done);
	const shared = performance.now() - began;
	const single = performance.now();
	const sample = asked.setups.slice(0, 12);
	for (const setup of sample) impactByHand(asked, setup);
	const alone = ((performance.now() - single) / sample.length) * asked.setups.length;
	return [
		{ what: `impact on ${PEOPLE} people with ${SETUPS} setups of ${ENTRIES} entries`, value: shared / 1000, unit: 's', most: 10 },
		{ what: 'each setup by itself over that', value: alone / shared, unit: 'x' }
	];
}
