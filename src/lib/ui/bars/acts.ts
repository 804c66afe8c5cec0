import type { BarDesk } from '$lib/state/bar-desk.svelte';
import type { Act } from '../hotkeys.svelte';

/** What can be made on the window, and what it is called. */
export const KINDS = {
	toolbar: 'toolbar',
	tab: 'tab',
	group: 'group',
	flyout: 'flyout',
	menu: 'menu',
	cursor: 'cursor bar',
	context: 'context menu',
	quick: 'quick bar',
	ribbon: 'ribbon'
} as const;
export type Making = keyof typeof KINDS;

/** What the view itself does. */
interface OfView {
	make(kind: Making): unknown;
	restyle(): unknown;
	beside(): unknown;
	trueSize(): unknown;
	names(): unknown;
	untouched(): unknown;
}

/** All that can be done with the bars where one stands, by name, for the palette. */
export function barActs(desk: BarDesk, view: OfView): Act[] {
	const { current, fit } = desk;
	const acts: Act[] = [
		...(Object.keys(KINDS) as Making[]).map((kind) => ({ name: `New ${KINDS[kind]}`, run: () => view.make(kind) })),
		{ name: 'Insert a separator', run: () => desk.add('separator') },
		{ name: `Turn the bars into ${desk.style === 'ribbon' ? 'toolbars' : 'a ribbon'}`, run: view.restyle },
		{ name: 'Screens side by side', run: view.beside },
		{ name: 'True size', run: view.trueSize },
		{ name: 'Names of all icons', run: view.names },
		{ name: 'Untouched bars', run: view.untouched }
	];
	if (fit && fit.changes.length > 0) acts.push({ name: `Take the fit of ${fit.tab.name}`, run: () => desk.takeFit() });
	if (!current) return acts;
	const name = desk.nameOf(current);
	acts.push(
		{ name: `Take ${name} away`, run: () => desk.remove() },
		{ name: `Move ${name} before`, run: () => desk.shift(-1) },
		{ name: `Move ${name} behind`, run: () => desk.shift(1) }
	);
	if (desk.ownBelow.length > 0) acts.push({ name: `Reset ${name}`, run: () => desk.reset(desk.ownBelow, name) });
	if (current.item.kind === 'place') {
		for (const size of ['large', 'small'] as const)
			acts.push({ name: `Make ${name} ${size}`, run: () => desk.change('place', size, (item) => ({ ...item, size })) });
		for (const [shows, said] of [
			['both', 'icon and name'],
			['icon', 'icon alone'],
			['text', 'name alone']
		] as const)
			acts.push({ name: `Show ${said} of ${name}`, run: () => desk.change('place', said, (item) => ({ ...item, shows })) });
	}
	if (desk.canDock(current))
		for (const edge of ['top', 'left', 'right', 'bottom', 'floating'] as const)
			acts.push({
				name: edge === 'floating' ? `Tear ${name} off` : `Dock ${name} at the ${edge}`,
				run: () => desk.dock(current.id, edge, 320, 260)
			});
	return acts;
}
