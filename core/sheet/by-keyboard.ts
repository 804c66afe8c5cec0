import { counted } from '../text/counted.ts';
import { BOARDS } from '../keyboard/board.ts';
import { LAYOUTS } from '../keyboard/layouts.ts';
import { allStrokes } from '../keyboard/office-desks.ts';
import { POSITIONS } from '../keyboard/positions.ts';
import { strokeAt } from '../keyboard/pressing.ts';
import { keysOf, readable, type Keys, type Modifier } from '../stroke/stroke.ts';
import { listed } from '../text/listed.ts';
import { byPlaceOfKeys, keyColumns, keyRows } from './by-key.ts';
import { EVERYWHERE, placeText } from './place.ts';
import {
	heardIn,
	heardOf,
	inputCells,
	inputColumns,
	labelOf,
	spelledOn,
	type Cell,
	type Section,
	type SheetGround
} from './ground.ts';

/** The combinations that a row of the board is drawn with. */
const PLANES: readonly (readonly Modifier[])[] = [[], ['Shift'], ['Ctrl'], ['Alt'], ['Ctrl', 'Shift'], ['Ctrl', 'Alt']];

/** Rows of the board by the letter of ISO/IEC 9995-1, and the sections beside them. */
const ROWS = [
	{ name: 'Function keys', holds: /^K\d\d$/ },
	{ name: 'Row of the digits', holds: /^E[01]\d$/ },
	{ name: 'Upper row of letters', holds: /^D[01]\d$/ },
	{ name: 'Home row', holds: /^C[01]\d$/ },
	{ name: 'Lower row of letters', holds: /^B[01]\d$/ },
	{ name: 'Row of the space bar', holds: /^A0\d$/ },
	{ name: 'Editing keys', holds: /^[A-E]3\d$/ },
	{ name: 'Numeric keys', holds: /^[A-E]5\d$/ }
] as const;

/** Inputs of a list stand so many in a row. */
const IN_A_ROW = 8;

const ISO = new Map(POSITIONS.map(({ code, iso }) => [code, iso]));

/** What a stroke does as a cell: the commands on it with their places, and how many sequences it begins. */
function doings(ground: SheetGround, keys: Keys): string {
	const { index, office } = ground;
	const commands = heardOf(ground, index.on(keys)).map((b) => {
		const place = placeText(ground, b);
		return place === EVERYWHERE ? labelOf(ground, b.command) : `${labelOf(ground, b.command)} (${place})`;
	});
	const longer = index.longer(keys).length;
	const begins = longer > 0 ? [`begins ${counted(longer, 'sequence')}`] : [];
	// what each does is told in the list of those that are kept
	const keepers = office.kept(keys).map(({ platform }) => platform ?? 'the program');
	const kept = keepers.length > 0 ? [`(reserved by ${listed(keepers)})`] : [];
	return [...commands, ...begins, ...kept].join('; ');
}

function rowSection(ground: SheetGround, name: string, holds: RegExp): Section {
	const { desk, index, platforms } = ground;
	const { legend } = LAYOUTS[desk.layout];
	const keys = BOARDS[desk.board].keys
		.filter(({ code }) => holds.test(ISO.get(code) ?? ''))
		.sort((a, b) => a.x - b.x || a.y - b.y);
	const rows = keys.flatMap(({ code }): Cell[][] => {
		const cells = PLANES.map((modifiers) => {
			const stroke = strokeAt(code, modifiers, index.rules.match, desk.layout);
			return stroke ? doings(ground, keysOf([stroke])) : '';
		});
		return cells.every((cell) => cell === '') ? [] : [[legend(code, 0)?.toUpperCase() || readable(code), ...cells]];
	});
	const plane = (modifiers: readonly Modifier[]): string =>
		modifiers.length === 0
			? 'Alone'
			: platforms.map((p) => spelledOn(p, `${modifiers.join('+')}+F1` as Keys).replace(/\+F1$/, '')).join(' / ');
	return { name, columns: ['Key', ...PLANES.map(plane)], rows };
}

/** Inputs, several in a row. */
function inputList(ground: SheetGround, name: string, list: readonly Keys[]): Section {
	const rows: Cell[][] = [];
	for (let at = 0; at < list.length; at += IN_A_ROW)
		rows.push(ground.platforms.map((p) => list.slice(at, at + IN_A_ROW).map((keys) => spelledOn(p, keys, ground.shapes))));
	return { name, columns: inputColumns(ground), rows };
}

/**
 * The board row by row with what each key does alone and with modifiers; then sequences, the keys that are free at every desk,
 * and those that nobody may change.
 */
export function byKeyboard(ground: SheetGround): Section[] {
	const { index, office, desk } = ground;
	const isFree = (keys: Keys) => index.on(keys).length === 0 && index.longer(keys).length === 0;
	const kept = allStrokes(index.rules, desk).flatMap((keys) =>
		office.kept(keys).map(({ does, platform }): Cell[] => [...inputCells(ground, keys), does, platform ?? 'the program itself'])
	);
	return [
		...ROWS.map(({ name, holds }) => rowSection(ground, name, holds)),
		{
			name: 'Sequences',
			columns: keyColumns(ground),
			rows: keyRows(
				ground,
				heardIn(ground)
					.filter((b) => b.keys.includes(' '))
					.sort(byPlaceOfKeys)
			)
		},
		inputList(ground, 'Free on all equipment', office.goodStrokes.filter(isFree)),
		{ name: 'Reserved: these cannot be changed', columns: [...inputColumns(ground), 'Does', 'Reserved by'], rows: kept }
	];
}
