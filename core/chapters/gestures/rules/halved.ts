import type { Catalogue } from '../../../application/application.ts';
import type { CommandId } from '../../../application/command.ts';
import { first, intersection, isEmpty } from '../../../context/bits.ts';
import { turned } from '../../../hand/circular.ts';
import { directionText } from '../../../stroke/mouse.ts';
import { rosesSeen } from '../flicks.ts';
import type { GestureRule } from '../finding.ts';
import { flickKeys } from '../gesture.ts';
import { putOn } from '../moves.ts';

/** Whether one of the commands names the other as its opposite. */
const areOpposites = (catalogue: Catalogue, a: CommandId, b: CommandId): boolean =>
	catalogue.get(a)?.opposite === b || catalogue.get(b)?.opposite === a;

/** A command and its opposite lie on one rose, and not opposite each other. */
export const halved: GestureRule = {
	id: 'halved',
	title: 'Opposite commands not in opposite directions',
	find({ index, heard }, report) {
		const { catalogue } = index;
		for (const rose of rosesSeen(index))
			for (const one of rose) {
				// either of two may name the other; each pair once
				const other = rose.find(
					({ binding }) => binding.command > one.binding.command && areOpposites(catalogue, one.binding.command, binding.command)
				);
				if (!other) continue;
				const opposite = other.binding.command;
				const across = turned(one.degrees + 180);
				if (rose.some((flick) => flick.binding.command === opposite && flick.degrees === across)) continue;
				const keys = flickKeys(one, across);
				const here = intersection(index.scopeSet(one.binding).bits, heard(keys)!);
				if (isEmpty(here)) continue;
				const there = rose.find(({ degrees }) => degrees === across);
				const label = (id: typeof one.binding.command) => catalogue.get(id)?.label ?? id;
				report({
					severity: 'note',
					thing: `${one.binding.key}\n${other.binding.key}`,
					stratum: one.binding.stratum,
					command: one.binding.command,
					keys: one.binding.keys,
					situation: first(here),
					sentence: `${label(one.binding.command)} is on ${directionText(one.degrees)}, its opposite ${label(other.binding.command)} on ${directionText(other.degrees)}, not on ${directionText(across)}.`,
					facts: [String(one.degrees), String(other.degrees)],
					fixes: [
						{
							kind: 'across',
							label: there
								? `Swap ${label(other.binding.command)} and ${label(there.binding.command)}`
								: `Put ${label(other.binding.command)} on ${directionText(across)}`,
							changes: (p, target) =>
								putOn(index, p, target, [[other.binding, keys], ...(there ? [[there.binding, other.binding.keys] as const] : [])])
						}
					]
				});
			}
	}
};
