import { first, hasBit } from '../../../context/bits.ts';
import { resolve } from '../../../answer/resolve.ts';
import { readable } from '../../../stroke/stroke.ts';
import { whereShown } from '../boxes.ts';
import { changeItem } from '../writing.ts';
import type { BarRule } from '../finding.ts';

/** A cursor bar is opened by no key, or by one that does something else where it shows. */
export const unopened: BarRule = {
	id: 'unopened',
	title: 'Its key does something else',
	find({ tree, index }, report) {
		for (const { id, item, stratum } of tree.bars) {
			if (item.form !== 'cursor' || item.hidden) continue;
			const where = whereShown(index.space, item);
			const shows = index.space.situations.flatMap((_, s) => (hasBit(where, s) ? [s] : []));
			const { keys } = item;
			const does = shows.map((s) => (keys ? resolve(index, keys, s).kind : 'none'));
			// that a key is text where one types is as everybody expects, if it opens the bar elsewhere
			const opensSomewhere = does.includes('nothing');
			const taken = shows.filter((_, i) => does[i] !== 'nothing' && !(opensSomewhere && does[i] === 'typed'));
			if (taken.length === 0) continue;
			const isEverywhere = taken.length === shows.length;
			report({
				severity: isEverywhere ? 'attention' : 'note',
				item: id,
				stratum: stratum.id,
				command: undefined,
				situation: taken[0] ?? first(whereShown(index.space, item)),
				sentence: keys
					? readable(
							`${keys} should open the cursor bar ${item.name}, and does something else in ${isEverywhere ? 'every situation' : `${taken.length} of the ${shows.length} situations`} in which it shows.`
						)
					: `No key opens the cursor bar ${item.name}.`,
				facts: [keys ?? '', String(taken.length)],
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
