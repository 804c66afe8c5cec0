import { isSubset, meets } from '../context/bits.ts';
import type { Scope } from '../context/scope.ts';
import { EVERYWHERE, placeText } from './place.ts';
import { heardIn, inputCells, inputColumns, labelOf, typedCells, type Cell, type Section, type SheetGround } from './ground.ts';

/**
 * What holds everywhere, then what holds in each context of the first axis: each key with its own place in it. What is typed
 * stands at the end.
 */
export function byContext(ground: SheetGround): Section[] {
	const { index } = ground;
	const { space } = index;
	const all = space.bitsOf({});
	const heard = heardIn(ground).map((binding) => ({ binding, reach: index.reach(binding) }));
	const columns = [...inputColumns(ground), 'Command', 'Where'];
	const row = (binding: (typeof heard)[number]['binding'], within: Scope): Cell[] => {
		const place = placeText(ground, binding, within);
		return [...inputCells(ground, binding.keys), labelOf(ground, binding.command), place === EVERYWHERE ? '' : place];
	};
	const isGeneral = ({ reach }: (typeof heard)[number]) => isSubset(all, reach);
	const special = heard.filter((h) => !isGeneral(h));
	const [axis] = space.axes;
	const contexts = axis!.nodes
		.filter((node) => axis!.nodes.every((other) => other.parent !== node.id))
		.map((node) => ({ name: node.label, within: { [axis!.id]: [node.id] } as Scope }));
	const typed = [...ground.aliases].flatMap(([command, names]) =>
		index.catalogue.has(command as never)
			? names.map(({ alias }): Cell[] => [...typedCells(ground, alias), labelOf(ground, command as never), ''])
			: []
	);
	return [
		{ name: 'Everywhere', columns, rows: heard.filter(isGeneral).map(({ binding }) => row(binding, {})) },
		...contexts.map(({ name, within }) => {
			const here = space.bitsOf(within);
			const rows = special.filter(({ reach }) => meets(reach, here)).map(({ binding }) => row(binding, within));
			return { name, columns, rows };
		}),
		{ name: 'Typed', columns, rows: typed }
	];
}
