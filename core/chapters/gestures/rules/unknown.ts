import { first, isEmpty } from '../../../context/bits.ts';
import { listed } from '../../../text/listed.ts';
import { drawnOf } from '../flicks.ts';
import type { GestureRule } from '../finding.ts';
import { shapeKeys, shapeNamed, shapesOf } from '../gesture.ts';
import { putOn } from '../moves.ts';

/** A command lies on a shape that nobody has drawn: it waits until there is a drawing. */
export const unknown: GestureRule = {
	id: 'unknown',
	title: 'Shape without a drawing',
	find({ profile, index }, report) {
		const { catalogue } = index;
		const taken = new Set(drawnOf(index).map(({ shape }) => shape));
		const free = shapesOf(profile).filter(({ entry }) => !taken.has(entry.id));
		for (const { binding, shape, ...trigger } of drawnOf(index)) {
			const scope = index.scopeSet(binding).bits;
			if (shapeNamed(profile, shape) || isEmpty(scope)) continue;
			const label = catalogue.get(binding.command)?.label ?? binding.command;
			report({
				severity: 'attention',
				thing: binding.key,
				stratum: binding.stratum,
				command: binding.command,
				keys: binding.keys,
				situation: first(scope),
				sentence: `${label} is assigned to the shape ${shape}, which has no drawing.${free.length > 0 ? ` ${listed(free.map((one) => one.entry.label))} ${free.length === 1 ? 'runs' : 'run'} nothing.` : ''}`,
				facts: [shape],
				fixes: free.slice(0, 3).map(({ entry }) => ({
					kind: 'shape',
					label: `Draw ${entry.label} for ${label}`,
					changes: (p, target) => putOn(index, p, target, [[binding, shapeKeys(trigger, entry.id)]])
				}))
			});
		}
	}
};
