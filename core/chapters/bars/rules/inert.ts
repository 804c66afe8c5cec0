import { count, intersection } from '../../../context/bits.ts';
import { whereShown } from '../boxes.ts';
import { nodesFrom } from '../tree.ts';
import { changeItem } from '../writing.ts';
import type { BarRule } from '../finding.ts';

/** A bar shows in a situation in which fewer than half of its commands exist. */
export const inert: BarRule = {
	id: 'inert',
	title: 'Shown where few of its commands exist',
	find({ tree, index }, report) {
		const { space, catalogue } = index;
		for (const bar of tree.bars) {
			if (bar.item.hidden || !['toolbar', 'quick'].includes(bar.item.form)) continue;
			const commands = [...nodesFrom(bar)].flatMap(({ item }) =>
				item.kind === 'place' && item.command !== undefined ? (catalogue.get(item.command) ?? []) : []
			);
			if (commands.length < 2) continue;
			const shows = whereShown(space, bar.item);
			const all = count(shows);
			const alive = commands.reduce((sum, command) => sum + count(intersection(shows, space.bitsOfAny(command.contexts))), 0);
			const share = all === 0 ? 1 : alive / (all * commands.length);
			if (share >= 0.5) continue;
			report({
				severity: 'note',
				item: bar.id,
				stratum: bar.stratum.id,
				command: undefined,
				situation: 0,
				sentence: `The toolbar ${bar.item.name} is shown in ${all} situations, where on average only ${Math.round(share * 100)} % of its ${commands.length} commands exist.`,
				facts: [String(Math.round(share * 100))],
				fixes: [
					{
						kind: 'hide',
						label: `Hide ${bar.item.name}`,
						changes: (profile, target) => changeItem(profile, target, bar.id, { ...bar.item, hidden: true })
					}
				]
			});
		}
	}
};
