import { BarEntry, BARS } from '../core/chapters/bars/bar.ts';
import { boxesIn } from '../core/chapters/bars/boxes.ts';
import { bars } from '../core/chapters/bars/chapter.ts';
import { barTree } from '../core/chapters/bars/tree.ts';
import { contextSpace } from '../core/context/space.ts';
import { catalogueOf } from '../core/application/application.ts';
import { generateNKeysBetween } from 'fractional-indexing';
import type { Profile, StratumId } from '../core/strata/stratum.ts';
import { bestForms } from '../core/surface/fit.ts';
import { GROUP_FORMS } from '../core/surface/parts.ts';
import { secondsIn } from '../core/surface/use-time.ts';
import type { TabBox } from '../core/surface/ribbon.ts';
import { windowLayout } from '../core/surface/window.ts';
import { generate } from './generate.ts';
import { median, percentile, type Line } from './report.ts';

const [TABS, GROUPS, PLACES] = [12, 80, 900];

/** A ribbon of 12 tabs, 80 groups and 900 places: the layout from the strata on, as a drag asks for it, and the fit of one tab. */
export function barsBench(): Line[] {
	const { application, commands } = generate(1_000, 10);
	const space = contextSpace(application.axes, application.reachable);
	const catalogue = catalogueOf(commands, space);
	const orders = generateNKeysBetween(null, null, PLACES);
	const entries: object[] = [];
	const add = (id: string, parent: string | null, n: number, item: object) =>
		entries.push({ op: 'set', id, parent, order: orders[n], item, rank: entries.length });
	add('main', null, 0, {
		kind: 'bar',
		form: 'ribbon',
		name: 'Main',
		scope: {},
		dock: { edge: 'top', row: 0 },
		icon: 24,
		text: 'beside'
	});
	for (let t = 0; t < TABS; t++) add(`t${t}`, 'main', t, { kind: 'tab', name: `Tab ${t}` });
	// the first tab has twelve groups, the others share the rest
	for (let g = 0; g < GROUPS; g++) {
		const tab = g < 12 ? 0 : 1 + (g % (TABS - 1));
		add(`g${g}`, `t${tab}`, g, { kind: 'group', name: `Group ${g}` });
	}
	for (let p = 0; p < PLACES; p++)
		add(`p${p}`, `g${p % GROUPS}`, p, {
			kind: 'place',
			command: commands[p]!.id,
			size: p % 5 === 0 ? 'large' : 'small'
		});
	const profile: Profile = [
		{
			id: 'factory' as StratumId,
			kind: 'factory',
			name: 'Factory',
			contents: { [BARS]: bars.contentOf(entries.map((entry) => BarEntry.parse(entry))) }
		}
	];
	const trees: number[] = [];
	const layouts: number[] = [];
	const frame = { title: 30, status: 28, givesWay: 'turns' as const };
	for (let i = 0; i < 240; i++) {
		// as after each step of a drag: another profile, so that nothing is known of its tree
		const moved = profile.map((stratum) => ({ ...stratum }));
		const start = performance.now();
		const tree = barTree(moved);
		const folded = performance.now();
		windowLayout(boxesIn(tree, catalogue, space, 0), { width: 1280 + (i % 7) * 40, height: 800 }, frame);
		if (i < 40) continue;
		trees.push(folded - start);
		layouts.push(performance.now() - folded);
	}
	const [{ groups }] = boxesIn(barTree(profile), catalogue, space, 0).ribbons[0]!.tabs as unknown as [TabBox];
	const fits: number[] = [];
	for (let i = 0; i < 40; i++) {
		const start = performance.now();
		bestForms(groups, 1280, (group, form) =>
			[...secondsIn(group, form, 400).values()].reduce((sum, seconds, k) => sum + seconds * (1 + ((k * 7) % 13)), 0)
		);
		fits.push(performance.now() - start);
	}
	return [
		{ what: `bars: a ribbon of ${TABS} tabs, ${GROUPS} groups, ${PLACES} places, ${GROUP_FORMS.length} forms a group` },
		{ what: 'tree of the strata, p95', value: percentile(trees, 95), unit: 'ms' },
		{ what: 'layout of the tree, all boxes and groups measured anew, p95', value: percentile(layouts, 95), unit: 'ms', most: 4 },
		{ what: 'fit of one tab of 12 groups, median', value: median(fits), unit: 'ms', most: 50 }
	];
}
