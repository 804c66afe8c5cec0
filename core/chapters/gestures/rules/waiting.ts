import { count, difference, first, isEmpty } from '../../../context/bits.ts';
import { MOST_DIRECTIONS } from '../../../hand/hand-test.ts';
import { stratumById } from '../../../strata/stratum.ts';
import { directionText } from '../../../stroke/mouse.ts';
import { flicksOf } from '../flicks.ts';
import type { GestureRule } from '../finding.ts';
import { directionsOf, triggerText } from '../gesture.ts';
import { roseIn } from '../hearing.ts';
import { setRose } from '../writing.ts';

/** A command lies on a direction that the rose there has not, or on a flick where there is no rose: it waits until there is one. */
export const waiting: GestureRule = {
	id: 'waiting',
	title: 'Direction does not exist',
	find({ profile, index, heard }, report) {
		const { space, catalogue } = index;
		for (const { binding, degrees, ...trigger } of flicksOf(index)) {
			const scope = index.scopeSet(binding).bits;
			const left = difference(scope, heard(binding.keys)!);
			if (isEmpty(scope) || isEmpty(left)) continue;
			const situation = first(left);
			const rose = roseIn(profile, space, trigger, situation);
			const label = catalogue.get(binding.command)?.label ?? binding.command;
			const more = rose && moreDirections(rose.entry.directions, degrees);
			const where = count(left) === count(scope) ? '' : `, in ${count(left)} of ${count(scope)} situations`;
			report({
				severity: rose ? 'note' : 'attention',
				thing: binding.key,
				stratum: binding.stratum,
				command: binding.command,
				keys: binding.keys,
				situation,
				sentence: rose
					? `${label} is unassigned at ${directionText(degrees)}: the rose of ${triggerText(trigger)} there has ${rose.entry.directions} directions${where}.`
					: `${label} is unassigned at ${directionText(degrees)}: there is no rose for flicks with ${triggerText(trigger)}${where}.`,
				facts: [String(rose?.entry.directions ?? 0), String(count(left))],
				fixes: rose
					? more === undefined
						? []
						: [
								{
									kind: 'more',
									label: `Give the rose ${more} directions`,
									changes: (p, target) => setRose(stratumById(p, target), { ...rose.entry, directions: more })
								}
							]
					: [
							{
								kind: 'rose',
								label: `Add a rose with ${moreDirections(3, degrees) ?? 8} directions there`,
								changes: (p, target) =>
									setRose(stratumById(p, target), {
										...trigger,
										scope: binding.scope,
										directions: moreDirections(3, degrees) ?? 8,
										turn: 0
									})
							}
						]
			});
		}
	}
};

/** The next number of directions among which this one is; undefined if none is. */
export function moreDirections(than: number, degrees: number): number | undefined {
	for (let directions = than + 1; directions <= MOST_DIRECTIONS; directions++)
		if (directionsOf({ directions }).includes(degrees)) return directions;
	return undefined;
}
