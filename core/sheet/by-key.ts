import { POSITIONS } from '../keyboard/positions.ts';
import type { Binding } from '../shortcut/effective.ts';
import { keysOf, strokesOf, type Keys } from '../stroke/stroke.ts';
import { placeText } from './place.ts';
import { heardIn, inputCells, inputColumns, labelOf, spelledOn, type Section, type SheetGround } from './ground.ts';

const PLACES = new Map(POSITIONS.map(({ code }, i) => [code, i]));

/** Which comes first on the board, and on one key the one with fewer modifiers and strokes. */
function inOrderOfKeys(a: Keys, b: Keys): number {
	const [x, y] = [strokesOf(a), strokesOf(b)];
	const at = (key: string) =>
		PLACES.get(key) ?? PLACES.get(`Key${key.toUpperCase()}`) ?? PLACES.get(`Digit${key}`) ?? PLACES.size;
	const [first, second] = [x[0]!, y[0]!];
	return (
		at(first.key) - at(second.key) ||
		first.key.localeCompare(second.key) ||
		first.modifiers.length - second.modifiers.length ||
		x.length - y.length ||
		a.localeCompare(b)
	);
}

export const byPlaceOfKeys = (a: Binding, b: Binding): number => inOrderOfKeys(a.keys, b.keys);

/** Rows of bindings: key, command, place. */
export const keyRows = (ground: SheetGround, bindings: readonly Binding[]): Section['rows'] =>
	bindings.map((b) => [...inputCells(ground, b.keys), labelOf(ground, b.command), placeText(ground, b)]);

export const keyColumns = (ground: SheetGround): string[] => [...inputColumns(ground), 'Command', 'Where'];

/** Every key with every command that is on it, in all contexts; those of one key in one section. */
export function byKey(ground: SheetGround): Section[] {
	const byFirst = new Map<string, Binding[]>();
	for (const binding of [...heardIn(ground)].sort(byPlaceOfKeys)) {
		const name = spelledOn('windows', keysOf([{ modifiers: [], key: strokesOf(binding.keys)[0]!.key }]), ground.shapes);
		const list = byFirst.get(name);
		if (list) list.push(binding);
		else byFirst.set(name, [binding]);
	}
	return [...byFirst].map(([name, list]) => ({
		name,
		columns: keyColumns(ground),
		rows: keyRows(ground, list)
	}));
}
