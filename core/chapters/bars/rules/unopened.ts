import { first, hasBit } from '../../../context/bits.ts';
import { resolve } from '../../../answer/resolve.ts';
import { listed } from '../../../text/listed.ts';
import { readable } from '../../../stroke/stroke.ts';
import { whereShown } from '../boxes.ts';
import { openCommandId } from '../cursor-keys.ts';
import { placedIn } from '../placed.ts';
import { changeItem } from '../writing.ts';
import type { BarRule } from '../finding.ts';

/** A cursor bar that no input and no button opens, or that its inputs open nowhere or not everywhere where it shows. */
export const unopened: BarRule = {
	id: 'unopened',
	title: 'Cursor bar that does not open',
	find({ tree, index }, report) {
		for (const { id, item, stratum } of tree.bars) {
			if (item.form !== 'cursor' || item.hidden) continue;
			const command = openCommandId(id);
			const where = whereShown(index.space, item);
			const shows = index.space.situations.flatMap((_, s) => (hasBit(where, s) ? [s] : []));
			const inputs = [...new Set(index.of(command).map(({ keys }) => keys))];
			if (inputs.length === 0 && placedIn(tree).has(command)) continue;
			/** What the inputs do in a situation: opens it, is text, or anything else. */
			const does = shows.map((s) => {
				const outcomes = inputs.map((keys) => resolve(index, keys, s));
				const opens = outcomes.some((o) => {
					const settled = o.kind === 'waits' ? o.then : o;
					return settled.kind === 'fires' && settled.winner.command === command;
				});
				return opens ? 'opens' : outcomes.some((o) => o.kind === 'typed') ? 'typed' : 'else';
			});
			// that a key is text where one types is as everybody expects, if it opens the bar elsewhere
			const opensSomewhere = does.includes('opens');
			const closed = shows.filter((_, i) => does[i] !== 'opens' && !(opensSomewhere && does[i] === 'typed'));
			if (closed.length === 0) continue;
			const isEverywhere = closed.length === shows.length;
			report({
				severity: isEverywhere ? 'attention' : 'note',
				item: id,
				stratum: stratum.id,
				command: undefined,
				situation: closed[0] ?? first(where),
				sentence:
					inputs.length > 0
						? readable(
								`${listed(inputs)} should open the cursor bar ${item.name}, but does something else in ${isEverywhere ? 'every situation' : `${closed.length} of the ${shows.length} situations`} where it is shown.`
							)
						: `No key or mouse button opens the cursor bar ${item.name}.`,
				facts: [inputs.join(' '), String(closed.length)],
				fixes: [
					{
						kind: 'hide',
						label: `Hide ${item.name}`,
						changes: (profile, target) => changeItem(profile, target, id, { ...item, hidden: true })
					}
				]
			});
		}
	}
};
