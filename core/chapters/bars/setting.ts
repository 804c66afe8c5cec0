import type { ShortcutIndex } from '../../answer/shortcut-index.ts';
import type { Catalogue } from '../../application/application.ts';
import type { ContextSpace } from '../../context/space.ts';
import type { GivingWay } from '../../surface/ribbon.ts';
import { FRAME } from '../../surface/screens.ts';
import { roomOn, windowLayout, type Screen, type WindowLayout } from '../../surface/window.ts';
import { boxesIn, givesWayIn } from './boxes.ts';
import { isDrawnAsTab } from './style.ts';
import { pathTo, type BarNode, type BarTree } from './tree.ts';

/** In which window bars are looked at. */
export interface BarSetting {
	readonly tree: BarTree;
	readonly catalogue: Catalogue;
	readonly space: ContextSpace;
	readonly situation: number;
	readonly room: { readonly width: number; readonly height: number };
	readonly givesWay: GivingWay;
}

/** The window of a screen in a situation, with the bars of a tree. */
export const settingOn = (
	{ catalogue, space, rules }: Pick<ShortcutIndex, 'catalogue' | 'space' | 'rules'>,
	tree: BarTree,
	situation: number,
	screen: Screen
): BarSetting => ({ tree, catalogue, space, situation, room: roomOn(screen), givesWay: givesWayIn(rules) });

/** The window with these tabs in front. */
export const layoutIn = (
	{ tree, catalogue, space, situation, room, givesWay }: BarSetting,
	front?: ReadonlySet<string>
): WindowLayout => windowLayout(boxesIn(tree, catalogue, space, situation, front), room, { ...FRAME, givesWay });

/** The tab that has to stand in front for something to show, and the window in which it does. */
export function layoutFor(setting: BarSetting, id: BarNode['id']): { tab: BarNode | undefined; layout: WindowLayout } {
	const tab = pathTo(setting.tree, id).find(isDrawnAsTab);
	return { tab, layout: layoutIn(setting, new Set(tab ? [tab.id] : [])) };
}
