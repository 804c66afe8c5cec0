import { stratumById } from '../../../strata/stratum.ts';
import type { ModeRule } from '../finding.ts';
import { modesInForce } from '../mode.ts';
import { setMode, takeAway } from '../writing.ts';

/** A mode of one's own cannot be: what it is made from is not there, or there would be too many situations. */
export const baseless: ModeRule = {
	id: 'baseless',
	title: 'Impossible mode',
	find({ profile, space }, report) {
		const inForce = modesInForce(profile);
		for (const { own, reason } of space.baseless) {
			const { entry, stratum } = inForce.find(({ entry }) => entry.axis === own.axis && entry.id === own.id)!;
			const axis = space.axes.find(({ id }) => id === own.axis);
			const a = axis ? space.axes.indexOf(axis) : -1;
			// the first that one can stand in
			const other = axis?.nodes.find((node) => space.situations.some((situation) => situation[a] === node.id));
			report({
				severity: 'error',
				about: entry,
				stratum: stratum.id,
				sentence: `The mode ${own.label} is not possible: ${reason}.`,
				facts: [reason],
				fixes: [
					...(other
						? [
								{
									kind: 'remake',
									label: `Base it on ${other.label}`,
									changes: (p: typeof profile, target: typeof stratum.id) =>
										setMode(stratumById(p, target), entry.id, { ...saidOf(entry), from: other.id })
								}
							]
						: []),
					{ kind: 'drop', label: `Delete the mode ${own.label}`, changes: (p, target) => takeAway(p, target, entry) }
				]
			});
		}
	}
};

const saidOf = ({ axis, label, from, bars }: Parameters<typeof setMode>[2]) => ({ axis, label, from, bars });
