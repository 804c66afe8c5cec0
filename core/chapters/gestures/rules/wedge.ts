import { bearable, missBounds, missesOf } from '../../../hand/hand-test.ts';
import { stratumById } from '../../../strata/stratum.ts';
import type { GestureRule } from '../finding.ts';
import { handsAt } from '../hands.ts';
import { roseThing, rosesOf, triggerText } from '../gesture.ts';
import { setRose } from '../writing.ts';

/** So many flicks may land in a wrong sector. */
const LIMIT = 0.05;

/** With more directions people are clearly slower and miss more: Kurtenbach and Buxton, INTERCHI 1993 (from memory). */
const RELIABLE = 8;

/** A rose has more directions than a hand of the office keeps apart; where no hand was tested, more than hands usually do. */
export const wedge: GestureRule = {
	id: 'wedge',
	title: 'More directions than the hand can tell apart',
	find({ profile, index: { space }, desks }, report) {
		const hands = handsAt(desks);
		for (const { entry, stratum } of rosesOf(profile)) {
			const { directions, scope } = entry;
			const rose = `The rose of ${triggerText(entry)} in ${space.scopeLabel(scope)} has ${directions} directions`;
			const missed = hands
				.map(({ seat, summary }) => ({ seat, summary, misses: missesOf(summary, entry), least: missBounds(summary, entry)[0] }))
				.filter(({ misses }) => misses > LIMIT)
				.sort((a, b) => b.misses - a.misses);
			const [worst] = missed;
			if (!worst && (hands.length > 0 || directions <= RELIABLE)) continue;
			const fewer = worst ? bearable(worst.summary, LIMIT).most : RELIABLE;
			report({
				// what chance may have done in so few flicks is only noted
				severity: missed.some(({ least }) => least > LIMIT) ? 'attention' : 'note',
				thing: roseThing(entry),
				stratum: stratum.id,
				command: undefined,
				keys: undefined,
				situation: Math.max(0, space.setOf(scope).first),
				sentence: worst
					? `${rose}; the hand at ${worst.seat} misses ${Math.round(worst.misses * 100)} % of them${missed.length > 1 ? `, and ${missed.length - 1} more hands miss more than ${LIMIT * 100} %` : ''}.`
					: `${rose}; more than ${RELIABLE} are clearly less reliable for most hands.`,
				facts: [String(directions), ...missed.map(({ seat }) => seat)],
				fixes:
					fewer !== undefined && fewer < directions
						? [
								{
									kind: 'fewer',
									label: `Reduce it to ${fewer} directions; commands that lose theirs become unassigned`,
									changes: (p, target) => setRose(stratumById(p, target), { ...entry, directions: fewer })
								}
							]
						: []
			});
		}
	}
};
