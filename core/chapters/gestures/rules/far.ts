import { directionText } from '../../../stroke/mouse.ts';
import { first, intersection, isEmpty } from '../../../context/bits.ts';
import { rosesSeen } from '../flicks.ts';
import type { GestureRule } from '../finding.ts';
import { putOn } from '../moves.ts';

/** A command run at least this often in a day is frequent; one that is run less than a quarter as often is obscure beside it. */
const FREQUENT = 20;

/** A frequent command lies on a diagonal while an obscure one has up, down, left or right, which hands find with less care. */
export const far: GestureRule = {
	id: 'far',
	title: 'Frequent command on a diagonal',
	find({ index, heard }, report) {
		const { catalogue } = index;
		const useOf = (id: Parameters<typeof catalogue.get>[0]) => catalogue.get(id)?.use ?? 0;
		for (const rose of rosesSeen(index)) {
			const cardinal = rose.filter(({ degrees }) => degrees % 90 === 0);
			for (const { binding, degrees } of rose) {
				const use = useOf(binding.command);
				const here = intersection(index.scopeSet(binding).bits, heard(binding.keys)!);
				if (degrees % 90 === 0 || use < FREQUENT || isEmpty(here)) continue;
				const [obscure] = cardinal
					.filter((flick) => useOf(flick.binding.command) * 4 < use)
					.sort((a, b) => useOf(a.binding.command) - useOf(b.binding.command));
				if (!obscure) continue;
				const label = catalogue.get(binding.command)!.label;
				const theirs = catalogue.get(obscure.binding.command)?.label ?? obscure.binding.command;
				report({
					severity: 'note',
					thing: binding.key,
					stratum: binding.stratum,
					command: binding.command,
					keys: binding.keys,
					situation: first(here),
					sentence: `${label}, run ${use} times a day, is on ${directionText(degrees)}, and ${theirs}, run ${useOf(obscure.binding.command)} times, has ${directionText(obscure.degrees)}.`,
					facts: [String(degrees), obscure.binding.key],
					fixes: [
						{
							kind: 'swap',
							label: `Swap ${label} and ${theirs}`,
							changes: (p, target) =>
								putOn(index, p, target, [
									[binding, obscure.binding.keys],
									[obscure.binding, binding.keys]
								])
						}
					]
				});
			}
		}
	}
};
