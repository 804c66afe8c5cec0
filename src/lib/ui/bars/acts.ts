import type { BarNode } from '$core/chapters/bars/tree';
import { KINDS, type BarDesk, type Making } from '$lib/state/bar-desk.svelte';
import type { Act } from '../hotkeys.svelte';

/** What the view itself does. */
interface OfView {
	modes(): unknown;
	restyle(): unknown;
	beside(): unknown;
	trueSize(): unknown;
	names(): unknown;
	untouched(): unknown;
}

/** What can be done with what is selected, for the menu that opens on it. */
export const actsOnCurrent = (desk: BarDesk): Act[] => {
	const { current } = desk;
	return current ? actsOn(desk, current) : [];
};

/** All that can be done with the bars where one stands, by name, for the palette. */
export function barActs(desk: BarDesk, view: OfView): Act[] {
	const { current, fit } = desk;
	const acts: Act[] = [
		...(Object.keys(KINDS) as Making[]).map((kind) => ({
			name: `New ${KINDS[kind]}`,
			run: () => (desk.naming = { making: kind })
		})),
		{ name: 'Insert a separator', run: () => desk.add('separator') },
		{ name: `Switch to ${desk.style === 'ribbon' ? 'toolbars' : 'a ribbon'}`, run: view.restyle },
		{ name: `All labels ${desk.hasLabels ? 'off' : 'on'}`, run: () => desk.setLabels(!desk.hasLabels) },
		{ name: 'Compare screens', run: view.beside },
		{ name: 'True size', run: view.trueSize },
		{ name: 'Labels of all icons', run: view.names },
		{ name: 'Default toolbars', run: view.untouched }
	];
	if (desk.hasModes) acts.push({ name: 'Modes: favourites, keys, custom modes', run: view.modes });
	if (fit && fit.changes.length > 0) acts.push({ name: `Apply the layout of ${fit.tab.name}`, run: () => desk.takeFit() });
	if (current) acts.push(...actsOn(desk, current));
	return acts;
}

function actsOn(desk: BarDesk, current: BarNode): Act[] {
	const acts: Act[] = [];
	const name = desk.nameOf(current);
	if (name !== 'separator') acts.push({ name: `Rename ${name}`, run: () => desk.nameCurrent() });
	acts.push(
		{ name: `Remove ${name}`, run: () => desk.remove() },
		{ name: `Move ${name} back`, run: () => desk.shift(-1) },
		{ name: `Move ${name} forward`, run: () => desk.shift(1) }
	);
	if (desk.ownBelow.length > 0) acts.push({ name: `Reset ${name}`, run: () => desk.reset(desk.ownBelow, name) });
	if (desk.mayLock) {
		acts.push({
			name: `${current.lockedBy ? 'Unlock' : 'Lock'} ${name}`,
			run: () => desk.lock(current.lockedBy === undefined)
		});
		if (current.item.kind === 'bar')
			acts.push({
				name: `${current.keptBy ? 'Let' : 'Lock where'} ${name} ${current.keptBy ? 'be moved' : 'stands'}`,
				run: () => desk.lockPositions([current], current.keptBy === undefined)
			});
	}
	if (current.item.kind === 'place') {
		for (const size of ['large', 'small'] as const)
			acts.push({ name: `Make ${name} ${size}`, run: () => desk.change('place', size, (item) => ({ ...item, size })) });
		for (const [shows, said] of [
			['both', 'icon and label'],
			['icon', 'icon only'],
			['text', 'label only']
		] as const)
			acts.push({ name: `Show ${said} of ${name}`, run: () => desk.change('place', said, (item) => ({ ...item, shows })) });
	}
	if (desk.canDock(current))
		for (const edge of ['top', 'left', 'right', 'bottom', 'floating'] as const)
			acts.push({
				name: edge === 'floating' ? `Float ${name}` : `Dock ${name} at the ${edge}`,
				run: () => desk.dock(current.id, edge, 320, 260)
			});
	return acts;
}
