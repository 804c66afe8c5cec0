import { strangerIn } from '../../../hand/confusions.ts';
import { STRAIGHT, straightness } from '../../../hand/unistroke.ts';
import { stratumById } from '../../../strata/stratum.ts';
import type { GestureRule } from '../finding.ts';
import { MEETING, shapesOf } from '../gesture.ts';
import { setShape } from '../writing.ts';

/** A drawing of a shape is like none of the others, or nearly a straight line: programs take it for something else. */
export const stranger: GestureRule = {
	id: 'stranger',
	title: 'Drawing that does not fit its shape',
	find({ profile }, report) {
		for (const { entry, stratum } of shapesOf(profile)) {
			const { label, samples } = entry;
			const straight = samples.findIndex((sample) => straightness(sample) >= STRAIGHT);
			const unlike = strangerIn(entry);
			const at = straight >= 0 ? straight : unlike?.sample;
			if (at === undefined) continue;
			const nth = samples.length === 1 ? 'The drawing' : `Drawing ${at + 1}`;
			report({
				severity: 'attention',
				thing: MEETING.thing(entry),
				stratum: stratum.id,
				command: undefined,
				keys: undefined,
				situation: 0,
				sentence:
					straight >= 0
						? `${nth} of ${label} is almost a straight line, which is recognised as a flick or a drag.`
						: `${nth} of ${label} is unlike the others: ${unlike!.distance.toFixed(0)}° from the nearest.`,
				facts: [JSON.stringify(samples[at])],
				fixes:
					samples.length > 1
						? [
								{
									kind: 'drop',
									label: `Remove drawing ${at + 1}`,
									changes: (p, target) =>
										setShape(stratumById(p, target), { ...entry, samples: samples.filter((_, i) => i !== at) })
								}
							]
						: []
			});
		}
	}
};
