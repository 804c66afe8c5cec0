import { pathText } from '../application/command.ts';
import type { Binding } from '../shortcut/effective.ts';
import { placeText } from './place.ts';
import { heardIn, inputCells, inputColumns, typedCells, type Cell, type Section, type SheetGround } from './ground.ts';

/** Commands by their categories, in the order of the catalogue: a row for each key and for each name that is typed. */
export function byCategory(ground: SheetGround): Section[] {
	const columns = ['Command', ...inputColumns(ground), 'Where'];
	const own = new Map<string, Binding[]>();
	for (const binding of heardIn(ground)) own.set(binding.command, [...(own.get(binding.command) ?? []), binding]);
	const sections = new Map<string, Cell[][]>();
	for (const command of ground.index.catalogue.values()) {
		const rows: Cell[][] = [
			...(own.get(command.id) ?? []).map((b) => [command.label, ...inputCells(ground, b.keys), placeText(ground, b)]),
			...(ground.aliases.get(command.id) ?? []).map(({ alias }) => [command.label, ...typedCells(ground, alias), 'typed'])
		];
		const name = pathText(command);
		sections.set(name, [...(sections.get(name) ?? []), ...rows]);
	}
	return [...sections].map(([name, rows]) => ({ name, columns, rows }));
}
