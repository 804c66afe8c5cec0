import { GROUP_FORMS, type GroupBox, type GroupForm } from './parts.ts';
import { widthOf } from './ribbon.ts';

export interface Fit {
	readonly forms: readonly GroupForm[];
	readonly width: number;
	readonly cost: number;
}

/**
 * The forms of the groups of a tab that cost people least and fit into a width, found exactly: a multiple-choice knapsack by dynamic
 * programming over widths in px (Kellerer, Pferschy, Pisinger, Knapsack Problems, 2004, chapter 11, from memory). `cost` is
 * not negative. Of those that cost the same the narrowest counts. Undefined if not even the narrowest forms fit. A form in
 * which somebody keeps a group does not count: it is what is looked for.
 */
export function bestForms(
	groups: readonly GroupBox[],
	width: number,
	cost: (group: GroupBox, form: GroupForm) => number
): Fit | undefined {
	const size = Math.max(0, Math.floor(width)) + 1;
	let best = new Float64Array(size).fill(Infinity);
	best[0] = 0;
	const chosen: Int8Array[] = [];
	for (const group of groups) {
		const next = new Float64Array(size).fill(Infinity);
		const choice = new Int8Array(size).fill(-1);
		GROUP_FORMS.forEach((form, f) => {
			const [own, price] = [widthOf(group, form), cost(group, form)];
			for (let w = own; w < size; w++) {
				const sum = best[w - own]! + price;
				if (sum < next[w]!) {
					next[w] = sum;
					choice[w] = f;
				}
			}
		});
		chosen.push(choice);
		best = next;
	}
	let at = -1;
	for (let w = 0; w < size; w++) if (best[w]! < Infinity && (at < 0 || best[w]! < best[at]!)) at = w;
	if (at < 0) return undefined;
	const found: Fit = { forms: [], width: at, cost: best[at]! };
	const forms: GroupForm[] = [];
	for (let g = groups.length - 1, w = at; g >= 0; g--) {
		const form = GROUP_FORMS[chosen[g]![w]!]!;
		forms.unshift(form);
		w -= widthOf(groups[g]!, form);
	}
	return { ...found, forms };
}
