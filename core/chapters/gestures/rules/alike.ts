import { first, intersection } from '../../../context/bits.ts';
import { canBeConfused, confusedWith } from '../../../hand/confusions.ts';
import type { ShortcutIndex } from '../../../answer/shortcut-index.ts';
import type { FixProposal } from '../../../check/finding.ts';
import { stratumById, type Profile } from '../../../strata/stratum.ts';
import { MODIFIERS } from '../../../stroke/stroke.ts';
import { drawnOf, grouped, type ShapeBinding } from '../flicks.ts';
import type { GestureRule } from '../finding.ts';
import { rosesOf, sameTrigger, shapeKeys, shapesOf, triggerText, type PlacedShape } from '../gesture.ts';
import { kappaFor } from '../hands.ts';
import { putOn } from '../moves.ts';
import { setShape } from '../writing.ts';

/** So many drawings of one shape may be taken for another. */
const LIMIT = 0.05;

const percent = (share: number): string => `${Math.round(share * 100)} %`;

/** Two shapes that run different commands in one place are taken for each other too often, drawn by the hands of the office. */
export const alike: GestureRule = {
	id: 'alike',
	title: 'Two shapes that are confused',
	find({ profile, index, desks }, report) {
		const { catalogue } = index;
		const drawn = drawnOf(index);
		if (drawn.length < 2) return;
		const kappa = kappaFor(desks);
		const labelOf = ({ binding }: ShapeBinding) => catalogue.get(binding.command)?.label ?? binding.command;
		const uses = grouped(drawn, ({ shape }) => shape);
		const shapes = shapesOf(profile).filter(({ entry }) => uses.has(entry.id));
		for (const [here, there] of pairs(shapes)) {
			if (!canBeConfused(here.entry, there.entry)) continue;
			const rates = confusedWith(here.entry, there.entry, kappa);
			if (Math.max(rates.one, rates.other) <= LIMIT) continue;
			const met = meeting(index, uses.get(here.entry.id)!, uses.get(there.entry.id)!);
			if (!met) continue;
			const { one, other, situation } = met;
			// the one that is taken for the other more often is the one to draw anew
			const [worse, better] = rates.other > rates.one ? [other, one] : [one, other];
			const [bad, good] = worse === other ? [there, here] : [here, there];
			report({
				severity: 'attention',
				thing: worse.binding.key,
				stratum: worse.binding.stratum,
				command: worse.binding.command,
				keys: worse.binding.keys,
				situation,
				sentence: `${bad.entry.label} for ${labelOf(worse)} is recognised as ${good.entry.label}, ${labelOf(better)}, in ${percent(Math.max(rates.one, rates.other))} of drawings, and vice versa in ${percent(Math.min(rates.one, rates.other))}. Redraw ${bad.entry.label} so that it differs more.`,
				facts: [better.binding.key, JSON.stringify([here.entry.samples, there.entry.samples])],
				fixes: [...strict(bad, good), ...withAnother(worse, bad, profile, index), ...withAnother(better, good, profile, index)]
			});
		}
	}
};

/** The shape drawn with a trigger more, where nothing is drawn or flicked with that yet. */
function withAnother(moving: ShapeBinding, { entry }: PlacedShape, profile: Profile, index: ShortcutIndex): FixProposal[] {
	const taken = [...drawnOf(index), ...rosesOf(profile).map((rose) => rose.entry)];
	const free = MODIFIERS.filter((m) => !moving.modifiers.includes(m))
		.map((m) => ({ button: moving.button, modifiers: [...moving.modifiers, m] }))
		.find((trigger) => !taken.some((one) => sameTrigger(one, trigger)));
	if (!free) return [];
	return [
		{
			kind: 'move',
			label: `Draw ${entry.label} with ${triggerText(free)}`,
			changes: (now, target) => putOn(index, now, target, [[moving.binding, shapeKeys(free, entry.id)]])
		}
	];
}

function* pairs<T>(all: readonly T[]): Generator<readonly [T, T]> {
	for (let i = 0; i < all.length; i++) for (let j = i + 1; j < all.length; j++) yield [all[i]!, all[j]!];
}

/** Two shortcuts on these shapes that run different commands, drawn with one trigger in one situation. */
function meeting(index: ShortcutIndex, ones: readonly ShapeBinding[], others: readonly ShapeBinding[]) {
	for (const one of ones)
		for (const other of others) {
			if (one.binding.command === other.binding.command || !sameTrigger(one, other)) continue;
			const situation = first(intersection(index.reach(one.binding), index.reach(other.binding)));
			if (situation >= 0) return { one, other, situation };
		}
	return undefined;
}

/** Shapes that count only as they were drawn. */
const strict = (...shapes: readonly PlacedShape[]): FixProposal[] =>
	shapes
		.filter(({ entry }) => entry.isEitherWay || entry.isTurned)
		.map(({ entry }) => ({
			kind: 'strict',
			label: `Recognise ${entry.label} only as drawn`,
			changes: (now, target) => setShape(stratumById(now, target), { ...entry, isEitherWay: false, isTurned: false })
		}));
