import { first, intersection, meets } from '../../../context/bits.ts';
import { MODIFIERS, strokesOf, strokeText } from '../../../stroke/stroke.ts';
import { mouseInput } from '../../../stroke/mouse.ts';
import { drawnOf, flicksOf, grouped } from '../flicks.ts';
import type { GestureRule } from '../finding.ts';
import { rosesOf, triggerText } from '../gesture.ts';
import { putOn } from '../moves.ts';

/**
 * A drag has the trigger of flicks, which the program does not tell apart by time, so that each move is taken by one of them; or that of
 * drawn shapes, so that it follows the pointer no more.
 */
export const drag: GestureRule = {
	id: 'drag',
	title: 'A drag that flicks take',
	find({ profile, index }, report) {
		const { catalogue } = index;
		const roses = rosesOf(profile);
		const isTimed = index.rules.pointer?.flickWithin !== undefined;
		const moves = grouped([...(isTimed ? [] : flicksOf(index)), ...drawnOf(index)], triggerText);
		if (moves.size === 0) return;
		for (const binding of index.effective.bindings) {
			if (!binding.keys.endsWith('Drag')) continue;
			const [stroke] = strokesOf(binding.keys);
			const input = mouseInput(stroke!.key);
			if (input?.kind !== 'button') continue;
			const trigger = { button: input.button, modifiers: stroke!.modifiers };
			const reach = index.reach(binding);
			const flick = moves.get(triggerText(trigger))?.find((one) => meets(reach, index.reach(one.binding)));
			if (!flick) continue;
			const label = catalogue.get(binding.command)?.label ?? binding.command;
			const free = MODIFIERS.filter((m) => !trigger.modifiers.includes(m))
				.map((m) =>
					strokeText({ ...stroke!, modifiers: MODIFIERS.filter((one) => one === m || trigger.modifiers.includes(one)) })
				)
				.find(
					(keys) =>
						index.on(keys as typeof binding.keys).length === 0 &&
						!moves.has(keys.replace(/Drag$/, '')) &&
						!roses.some(({ entry }) => keys === `${triggerText(entry)}Drag`)
				);
			report({
				severity: 'attention',
				thing: binding.key,
				stratum: binding.stratum,
				command: binding.command,
				keys: binding.keys,
				situation: first(intersection(reach, index.reach(flick.binding))),
				sentence: `${label} is dragged with ${triggerText(trigger)}, where ${'shape' in flick ? 'drawn shapes' : 'flicks'} of the same button run ${catalogue.get(flick.binding.command)?.label ?? flick.binding.command}${'shape' in flick ? ': what is dragged there does not follow until the button is let go' : ' and others; the program does not tell them apart'}.`,
				facts: [flick.binding.key],
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
