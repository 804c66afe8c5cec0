import { first } from '../../../context/bits.ts';
import { isPlace, whereShown } from '../boxes.ts';
import { rectIn } from '../opened.ts';
import { layoutFor, settingOn } from '../setting.ts';
import { allNodes, barTree, pathTo, type BarNode, type BarTree } from '../tree.ts';
import { setItem } from '../writing.ts';
import { stratumById } from '../../../strata/stratum.ts';
import type { BarGround, BarRule } from '../finding.ts';

/** Nearer than this, in px, the hand finds a place again by itself. */
const FAR = 48;

/** What hands know stands elsewhere since the last release: the same place of the same command, moved by somebody's word. */
export const moved: BarRule = {
	id: 'moved',
	title: 'Moved since the release',
	find(ground, report) {
		const { tree, index, released } = ground;
		if (!released) return;
		const before = barTree(released);
		for (const node of allNodes(tree)) {
			const then = before.byId.get(node.id);
			if (!then || !isPlace(node) || !isPlace(then) || node.item.command === undefined) continue;
			if (node.item.command !== then.item.command || (node.parent === then.parent && node.order === then.order)) continue;
			const [was, is] = [centreOf(ground, before, then), centreOf(ground, tree, node)];
			if (!was || !is) continue;
			const far = Math.round(Math.hypot(is.x - was.x, is.y - was.y));
			if (far < FAR) continue;
			const label = index.catalogue.get(node.item.command)?.label ?? node.item.command;
			report({
				severity: 'note',
				item: node.id,
				stratum: node.stratum.id,
				command: node.item.command,
				situation: is.situation,
				sentence: `${label} is ${far} px away from its position in the last release.`,
				facts: [then.parent ?? '', then.order],
				// who put it beside its opposite will not want it back
				fixes: isBesideOpposite(ground, node)
					? []
					: [
							{
								kind: 'put-back',
								label: `Move ${label} back`,
								changes: (profile, target) => setItem(stratumById(profile, target), node.id, node.item, then.parent, then.order)
							}
						]
			});
		}
	}
};

/** The middle of a place in the first situation in which it shows, its tab in front, on the narrowest screen that counts. */
function centreOf(
	{ index, narrowest }: BarGround,
	tree: BarTree,
	node: BarNode
): { x: number; y: number; situation: number } | undefined {
	const [bar] = pathTo(tree, node.id);
	if (bar?.item.kind !== 'bar' || bar.item.hidden) return undefined;
	const situation = first(whereShown(index.space, bar.item));
	if (situation < 0) return undefined;
	const { layout } = layoutFor(settingOn(index, tree, situation, narrowest), node.id);
	const rect = rectIn(layout, node.id);
	return rect && { x: rect.x + rect.width / 2, y: rect.y + rect.height / 2, situation };
}

function isBesideOpposite({ tree, index }: BarGround, { item, parent }: BarNode): boolean {
	const opposite = item.kind === 'place' && item.command !== undefined ? index.catalogue.get(item.command)?.opposite : undefined;
	const siblings = parent ? (tree.byId.get(parent)?.children ?? []) : [];
	return opposite !== undefined && siblings.some((one) => one.item.kind === 'place' && one.item.command === opposite);
}
