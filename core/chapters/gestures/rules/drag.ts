import { first, intersection, isEmpty } from '../../../context/bits.ts';
import { MODIFIERS, strokesOf, strokeText } from '../../../stroke/stroke.ts';
import { mouseInput } from '../../../stroke/mouse.ts';
import { flicksOf } from '../flicks.ts';
import type { GestureRule } from '../finding.ts';
import { rosesOf, sameTrigger, triggerText } from '../gesture.ts';
import { putOn } from '../moves.ts';

/** A drag and flicks have the same trigger, and the program does not tell them apart by time: each move is taken by one of them. */
export const drag: GestureRule = {
	id: 'drag',
	title: 'A drag that flicks take',
	find({ profile, index }, report) {
		if (index.rules.pointer?.flickWithin !== undefined) return;
		const { catalogue } = index;
		const roses = rosesOf(profile);
		if (roses.length === 0) return;
		for (const binding of index.effective.bindings) {
			if (!binding.keys.endsWith('Drag')) continue;
			const [stroke] = strokesOf(binding.keys);
			const input = mouseInput(stroke!.key);
			if (input?.kind !== 'button') continue;
			const trigger = { button: input.button, modifiers: stroke!.modifiers };
			const reach = index.reach(binding);
			const flick = flicksOf(index).find(
				(one) => sameTrigger(one, trigger) && !isEmpty(intersection(reach, index.reach(one.binding)))
			);
			if (!flick) continue;
			const label = catalogue.get(binding.command)?.label ?? binding.command;
			const free = MODIFIERS.filter((m) => !trigger.modifiers.includes(m))
				.map((m) =>
					strokeText({ ...stroke!, modifiers: MODIFIERS.filter((one) => one === m || trigger.modifiers.includes(one)) })
				)
				.find(
					(keys) =>
						index.on(keys as typeof binding.keys).length === 0 &&
						!roses.some(({ entry }) => keys.startsWith(`${triggerText(entry)}Drag`))
				);
			report({
				severity: 'attention',
				thing: binding.key,
				stratum: binding.stratum,
				command: binding.command,
				keys: binding.keys,
				situation: first(intersection(reach, index.reach(flick.binding))),
				sentence: `${label} is dragged with ${triggerText(trigger)}, where flicks of the same button run ${catalogue.get(flick.binding.command)?.label ?? flick.binding.command} and others; the program does not tell them apart.`,
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
