import { count, first, intersection, isEmpty, meets } from '../../../context/bits.ts';
import { MODIFIERS, strokesOf, strokeText } from '../../../stroke/stroke.ts';
import { mouseInput } from '../../../stroke/mouse.ts';
import { drawnOf, grouped } from '../flicks.ts';
import type { GestureRule } from '../finding.ts';
import { rosesOf, triggerText } from '../gesture.ts';
import { whereRoses } from '../hearing.ts';
import { putOn } from '../moves.ts';

/**
 * A drag that is not heard as one: its trigger belongs to a rose, and the program does not tell flicks from drags by time, so that
 * each move is a flick; or to drawn shapes, so that it does not follow the pointer.
 */
export const drag: GestureRule = {
	id: 'drag',
	title: 'Drag blocked by flicks',
	find({ profile, index }, report) {
		const { catalogue, space } = index;
		const isTimed = index.rules.pointer?.flickWithin !== undefined;
		const shapes = grouped(drawnOf(index), triggerText);
		const triggers = new Set([...rosesOf(profile).map(({ entry }) => triggerText(entry)), ...shapes.keys()]);
		if (triggers.size === 0) return;
		for (const binding of index.effective.bindings) {
			if (!binding.keys.endsWith('Drag')) continue;
			const [stroke] = strokesOf(binding.keys);
			const input = mouseInput(stroke!.key);
			if (input?.kind !== 'button') continue;
			const trigger = { button: input.button, modifiers: stroke!.modifiers };
			const reach = index.reach(binding);
			const flicked = isTimed ? space.nowhere : intersection(reach, whereRoses(profile, space, trigger));
			const shape = shapes.get(triggerText(trigger))?.find((one) => meets(reach, index.reach(one.binding)));
			if (isEmpty(flicked) && !shape) continue;
			const label = catalogue.get(binding.command)?.label ?? binding.command;
			const free = MODIFIERS.filter((m) => !trigger.modifiers.includes(m))
				.map((m) =>
					strokeText({ ...stroke!, modifiers: MODIFIERS.filter((one) => one === m || trigger.modifiers.includes(one)) })
				)
				.find((keys) => index.on(keys as typeof binding.keys).length === 0 && !triggers.has(keys.replace(/Drag$/, '')));
			const where = count(flicked) === count(reach) ? '' : `, in ${count(flicked)} of ${count(reach)} situations`;
			report({
				severity: 'attention',
				thing: binding.key,
				stratum: binding.stratum,
				command: binding.command,
				keys: binding.keys,
				situation: isEmpty(flicked) ? first(intersection(reach, index.reach(shape!.binding))) : first(flicked),
				sentence: isEmpty(flicked)
					? `${label} is dragged with ${triggerText(trigger)}, where drawn shapes of the same button run ${catalogue.get(shape!.binding.command)?.label ?? shape!.binding.command}: the drag starts only when the button is released.`
					: `${label} is dragged with ${triggerText(trigger)}, which is used by a rose: each move with it is a flick${where}.`,
				facts: [isEmpty(flicked) ? shape!.binding.key : String(count(flicked))],
				fixes: free
					? [
							{
								kind: 'move',
								label: `Drag with ${free.replace(/Drag$/, '')} for ${label}`,
								changes: (p, target) => putOn(index, p, target, [[binding, free as typeof binding.keys]])
							}
						]
					: []
			});
		}
	}
};
