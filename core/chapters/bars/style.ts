import { stratumById, type Profile, type StratumId } from '../../strata/stratum.ts';
import { barsIn, sameItem, type Item, type ItemId, type ItemOf } from './bar.ts';
import { barTree, type BarNode, type BarTree } from './tree.ts';
import { changeItem, resetItems } from './writing.ts';

/** As what the commands of the window stand there: in the tabs of a ribbon, or in rows and columns. */
export type BarStyle = 'ribbon' | 'toolbars';

/** As what a bar is drawn that is of another form: a ribbon as toolbars, one a tab, or a toolbar as a tab of a ribbon. */
export const isDrawnAsTab = ({ item }: BarNode): boolean =>
	item.kind === 'tab' || (item.kind === 'bar' && item.form === 'toolbar' && item.as === 'tab');

const plain = ({ as: _, ...item }: ItemOf<'bar'>): ItemOf<'bar'> => item;

export function styleOf({ bars }: BarTree): BarStyle {
	const isRibbon = ({ item }: BarTree['bars'][number]) =>
		!item.hidden && ((item.form === 'ribbon' && item.as !== 'toolbars') || (item.form === 'toolbar' && item.as === 'tab'));
	return bars.some(isRibbon) ? 'ribbon' : 'toolbars';
}

/**
 * The same bars in the other style. What stands in them stays as it is, only as what they are drawn is said, so that nothing is
 * lost on the way there and back: a window with a ribbon gives its tabs rows of their own, one without takes its docked
 * toolbars into tabs.
 */
export function inStyle(profile: Profile, target: StratumId, style: BarStyle) {
	const tree = barTree(profile);
	const hasRibbon = tree.bars.some(({ item }) => item.form === 'ribbon');
	return tree.bars.flatMap(({ id, item }) => {
		const wanted = asIn(item, style, hasRibbon);
		if (wanted === undefined || wanted.as === item.as) return [];
		return isBelow(profile, target, id, wanted)
			? resetItems(stratumById(profile, target), [id])
			: changeItem(profile, target, id, wanted);
	});
}

function asIn(item: ItemOf<'bar'>, style: BarStyle, hasRibbon: boolean): ItemOf<'bar'> | undefined {
	if (item.form === 'ribbon') return style === 'toolbars' ? { ...item, as: 'toolbars' } : plain(item);
	if (item.form !== 'toolbar') return undefined;
	if (style === 'toolbars') return plain(item);
	return hasRibbon || item.dock.edge === 'floating' ? undefined : { ...item, as: 'tab' };
}

/** Whether the strata below say just that, so that the stratum need not. */
function isBelow(profile: Profile, target: StratumId, id: ItemId, wanted: Item): boolean {
	const own = [...barsIn(stratumById(profile, target)).values()].some((entry) => entry.id === id && entry.op === 'set');
	const level = profile.findIndex((stratum) => stratum.id === target);
	const below = barTree(profile.slice(0, level)).byId.get(id);
	const now = barTree(profile).byId.get(id);
	if (!own || !below || below.parent !== now?.parent || below.order !== now.order) return false;
	return sameItem(below.item, wanted);
}
