import { stratumById } from '../../../strata/stratum.ts';
import type { ModeRule } from '../finding.ts';
import { modesInForce } from '../mode.ts';
import { setMode } from '../writing.ts';

/** Two modes of one axis have one name, and the switcher shows it twice. */
export const namesake: ModeRule = {
	id: 'namesake',
	title: 'Two modes with the same name',
	find({ profile, space }, report) {
		for (const { entry, stratum } of modesInForce(profile)) {
			const { axis, id, label, from, bars } = entry;
			const nodes = space.axes.find((a) => a.id === axis)?.nodes ?? [];
			const place = nodes.findIndex((node) => node.id === id);
			// of two own ones the later is told
			if (!nodes.slice(0, Math.max(0, place)).some((node) => node.label.toLowerCase() === label.toLowerCase())) continue;
			const isTaken = (name: string) => nodes.some((node) => node.label.toLowerCase() === name.toLowerCase());
			let n = 2;
			while (isTaken(`${label} ${n}`)) n++;
			report({
				severity: 'attention',
				about: entry,
				stratum: stratum.id,
				sentence: `Two modes have the name ${label}.`,
				facts: [label],
				fixes: [
					{
						kind: 'rename',
						label: `Rename it to ${label} ${n}`,
						changes: (p, target) => setMode(stratumById(p, target), id, { axis, label: `${label} ${n}`, from, bars })
					}
				]
			});
		}
	}
};
