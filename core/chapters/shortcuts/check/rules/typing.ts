import type { AxisId } from '../../../../context/axis.ts';
import { count, intersection } from '../../../../context/bits.ts';
import { NOTHING } from '../../../../context/kernel.ts';
import { labelOf, type CheckRule } from '../finding.ts';
import { goes, moves } from '../proposals.ts';

/**
 * The stroke is what people type. Broken where the keys are text in all situations of the binding; worth attention where the
 * scope names an axis on which text is typed, so that somebody meant it to be heard there.
 */
export const typing: CheckRule = {
	id: 'typing',
	title: 'Types text instead of running',
	onContest(contest, { index }, report) {
		if (!contest.isTyped) return;
		const { contenders, heard } = contest;
		let axes: AxisId[] | undefined;
		for (let place = 0; place < contenders.length; place++) {
			const situation = contest.typedAt(place);
			if (situation < 0) continue;
			const { binding } = contenders[place]!;
			const isAll = heard[place] === NOTHING;
			axes ??= index.rules.typing.flatMap((scope) => Object.keys(scope) as AxisId[]);
			const isNamed = axes.some((axis) => binding.scope[axis]);
			if (isAll || isNamed) report(isAll ? 'error' : 'attention', binding, situation);
		}
	},
	tell({ severity, bindings: [binding], witness: { keys, situation } }, c) {
		return {
			sentence: `${keys} for ${labelOf(c, binding!)} types text in ${c.index.space.labelOf(situation)}${severity === 'error' ? ', like everywhere else' : ''}.`,
			count() {
				return count(intersection(c.index.reach(binding!), c.index.typing));
			},
			causes: []
		};
	},
	proposals: ({ bindings: [binding] }, c, _, pen) => [...moves(c, pen, binding!), goes(c, pen, binding!)]
};
