/** Millimetres from one key to the next: the usual pitch, within 19 mm plus or minus 1 mm of ISO 9241-410. */
export const PITCH = 19.05;

/** A key as it lies on the board: its upper left corner and its size in millimetres. */
export interface Key {
	/** W3C `code` value. */
	readonly code: string;
	readonly x: number;
	readonly y: number;
	readonly width: number;
	readonly height: number;
	/** The tall Enter of ISO boards reaches this far to the left in its upper row, in millimetres. */
	readonly shoulder: number;
}

/** A keyboard as a thing on the desk: where its keys lie. What they type is the layout's affair. */
export interface Board {
	readonly id: BoardId;
	readonly name: string;
	readonly keys: readonly Key[];
	/** Size of the drawing in millimetres. */
	readonly width: number;
	readonly height: number;
}

export const BOARD_IDS = ['full-ansi', 'full-iso', 'tenkeyless', 'laptop', 'split'] as const;
export type BoardId = (typeof BOARD_IDS)[number];

/** Places are in key pitches from the upper left; one row a line: `y: x code width, …`; a key of width 1 leaves it out. */
type Rows = Record<string, string>;

const letters = (left: string, digits: string, shift: string): Rows => ({
	'1.5': `0 Backquote, 1 Digit1, 2 Digit2, 3 Digit3, 4 Digit4, 5 Digit5, 6 Digit6, 7 Digit7, 8 Digit8, 9 Digit9, 10 Digit0, 11 Minus, 12 Equal, ${digits}`,
	'2.5': `0 Tab 1.5, 1.5 KeyQ, 2.5 KeyW, 3.5 KeyE, 4.5 KeyR, 5.5 KeyT, 6.5 KeyY, 7.5 KeyU, 8.5 KeyI, 9.5 KeyO, 10.5 KeyP, 11.5 BracketLeft, 12.5 BracketRight${left}`,
	'3.5': `0 CapsLock 1.75, 1.75 KeyA, 2.75 KeyS, 3.75 KeyD, 4.75 KeyF, 5.75 KeyG, 6.75 KeyH, 7.75 KeyJ, 8.75 KeyK, 9.75 KeyL, 10.75 Semicolon, 11.75 Quote`,
	'4.5': `${shift}, 2.25 KeyZ, 3.25 KeyX, 4.25 KeyC, 5.25 KeyV, 6.25 KeyB, 7.25 KeyN, 8.25 KeyM, 9.25 Comma, 10.25 Period, 11.25 Slash, 12.25 ShiftRight 2.75`
});
const ansi = (): Rows => {
	const rows = letters(', 13.5 Backslash 1.5', '13 Backspace 2', '0 ShiftLeft 2.25');
	return { ...rows, '3.5': `${rows['3.5']}, 12.75 Enter 2.25` };
};
/** The Enter key is written in its own line below, since it is two rows high. */
const iso = (): Rows => {
	const rows = letters('', '13 Backspace 2', '0 ShiftLeft 1.25, 1.25 IntlBackslash');
	return { ...rows, '3.5': `${rows['3.5']}, 12.75 Backslash` };
};
const TALL_ENTER = 'Enter';

const modifierRow =
	'0 ControlLeft 1.25, 1.25 MetaLeft 1.25, 2.5 AltLeft 1.25, 3.75 Space 6.25, 10 AltRight 1.25, 11.25 MetaRight 1.25, 12.5 ContextMenu 1.25, 13.75 ControlRight 1.25';
const functionRow = '0 Escape, 2 F1, 3 F2, 4 F3, 5 F4, 6.5 F5, 7.5 F6, 8.5 F7, 9.5 F8, 11 F9, 12 F10, 13 F11, 14 F12';
const editing: Rows = {
	'0': '15.25 PrintScreen, 16.25 ScrollLock, 17.25 Pause',
	'1.5': '15.25 Insert, 16.25 Home, 17.25 PageUp',
	'2.5': '15.25 Delete, 16.25 End, 17.25 PageDown',
	'4.5': '16.25 ArrowUp',
	'5.5': '15.25 ArrowLeft, 16.25 ArrowDown, 17.25 ArrowRight'
};
const numeric: Rows = {
	'1.5': '18.5 NumLock, 19.5 NumpadDivide, 20.5 NumpadMultiply, 21.5 NumpadSubtract',
	'2.5': '18.5 Numpad7, 19.5 Numpad8, 20.5 Numpad9, 21.5 NumpadAdd 1x2',
	'3.5': '18.5 Numpad4, 19.5 Numpad5, 20.5 Numpad6',
	'4.5': '18.5 Numpad1, 19.5 Numpad2, 20.5 Numpad3, 21.5 NumpadEnter 1x2',
	'5.5': '18.5 Numpad0 2, 20.5 NumpadDecimal'
};
const base: Rows = { '0': functionRow, '5.5': modifierRow };

/** A laptop of ISO shape: function keys of half height, cursor keys below Shift, no separate editing keys. */
const laptop = (): Rows => {
	const rows = Object.fromEntries(Object.entries(iso()).map(([y, row]) => [String(Number(y) - 0.75), row]));
	return {
		...rows,
		'0': '0 Escape 1x.65, 1.08 F1 1x.65, 2.16 F2 1x.65, 3.24 F3 1x.65, 4.32 F4 1x.65, 5.4 F5 1x.65, 6.48 F6 1x.65, 7.56 F7 1x.65, 8.64 F8 1x.65, 9.72 F9 1x.65, 10.8 F10 1x.65, 11.88 F11 1x.65, 12.96 F12 1x.65, 14.04 Delete .96x.65',
		'4.75':
			'0 ControlLeft 1.25, 2.25 MetaLeft, 3.25 AltLeft, 4.25 Space 5, 9.25 AltRight, 10.25 ControlRight 1.5, 13 ArrowUp 1x.5',
		'5.25': '12 ArrowLeft 1x.5, 13 ArrowDown 1x.5, 14 ArrowRight 1x.5'
	};
};

/** A split board: straight columns, the halves apart, thumb keys below; made up for the demo after the usual shape. */
const split: Rows = {
	'0': '0 Escape, 1 F1, 2 F2, 3 F3, 4 F4, 5 F5, 9 F6, 10 F7, 11 F8, 12 F9, 13 F10, 14 F11, 15 F12',
	'1.25':
		'0 Backquote, 1 Digit1, 2 Digit2, 3 Digit3, 4 Digit4, 5 Digit5, 9 Digit6, 10 Digit7, 11 Digit8, 12 Digit9, 13 Digit0, 14 Minus, 15 Equal',
	'2.25':
		'0 Tab, 1 KeyQ, 2 KeyW, 3 KeyE, 4 KeyR, 5 KeyT, 9 KeyY, 10 KeyU, 11 KeyI, 12 KeyO, 13 KeyP, 14 BracketLeft, 15 BracketRight',
	'3.25':
		'0 CapsLock, 1 KeyA, 2 KeyS, 3 KeyD, 4 KeyF, 5 KeyG, 9 KeyH, 10 KeyJ, 11 KeyK, 12 KeyL, 13 Semicolon, 14 Quote, 15 Backslash',
	'4.25':
		'0 ShiftLeft, 1 KeyZ, 2 KeyX, 3 KeyC, 4 KeyV, 5 KeyB, 9 KeyN, 10 KeyM, 11 Comma, 12 Period, 13 Slash, 14 ShiftRight, 15 IntlBackslash',
	'5.25': '1 ControlLeft, 2 MetaLeft, 3 AltLeft, 11 AltRight, 12 MetaRight, 13 ControlRight',
	'5.6': '4.6 Space 1.5, 6.1 Backspace 1.25, 7.65 Enter 1.25, 8.9 Delete 1.5',
	'6.6': '9 Home, 10 End, 11 PageUp, 12 PageDown, 13 ArrowLeft, 14 ArrowDown, 15 ArrowRight, 16 ArrowUp'
};

function boardOf(id: BoardId, name: string, parts: readonly Rows[], tallEnterAt?: { x: number; y: number }): Board {
	const keys = parts.flatMap((rows) =>
		Object.entries(rows).flatMap(([y, row]) =>
			row.split(',').map((cell): Key => {
				const [x, code, size = '1'] = cell.trim().split(' ');
				const [width, height = '1'] = size.split('x');
				return {
					code: code!,
					x: Number(x) * PITCH,
					y: Number(y) * PITCH,
					width: Number(width) * PITCH,
					height: Number(height) * PITCH,
					shoulder: 0
				};
			})
		)
	);
	if (tallEnterAt)
		keys.push({
			code: TALL_ENTER,
			x: tallEnterAt.x * PITCH,
			y: tallEnterAt.y * PITCH,
			width: 1.25 * PITCH,
			height: 2 * PITCH,
			shoulder: 0.25 * PITCH
		});
	return {
		id,
		name,
		keys,
		width: Math.max(...keys.map((k) => k.x + k.width)),
		height: Math.max(...keys.map((k) => k.y + k.height))
	};
}

/** Row stagger of the letter rows: 1.5, 1.75 and 2.25 key pitches from the left edge (common practice, no source). */
export const BOARDS: Readonly<Record<BoardId, Board>> = {
	'full-ansi': boardOf('full-ansi', 'Full size, ANSI', [base, ansi(), editing, numeric]),
	'full-iso': boardOf('full-iso', 'Full size, ISO', [base, iso(), editing, numeric], { x: 13.75, y: 2.5 }),
	tenkeyless: boardOf('tenkeyless', 'Without numeric keys, ANSI', [base, ansi(), editing]),
	laptop: boardOf('laptop', 'Compact laptop, ISO', [laptop()], { x: 13.75, y: 1.75 }),
	split: boardOf('split', 'Split, straight columns', [split])
};

export function keyOn(board: Board, code: string): Key | undefined {
	return board.keys.find((key) => key.code === code);
}

export const centreOf = (key: Key): { readonly x: number; readonly y: number } => ({
	x: key.x + key.width / 2,
	y: key.y + key.height / 2
});
