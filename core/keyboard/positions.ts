/**
 * The physical keys that boards draw, each under the names that four standards give its position:
 * - the W3C `code` value (UI Events KeyboardEvent code Values), which is Skarn's own name for a position;
 * - the grid position of ISO/IEC 9995-1: row letter (A is the row of the space bar, E that of the digits, K the function row)
 *   and column number (function row, editing and numeric sections: from memory);
 * - the usage identifier on the keyboard page 0x07 of the USB HID Usage Tables;
 * - the key name of the XKB evdev keycodes, which the generated layouts go by.
 */
export interface Position {
	readonly code: string;
	readonly iso: string;
	readonly usage: number;
	readonly xkb: string;
}

const TABLE = `
Escape K00 29 ESC | F1 K01 3a FK01 | F2 K02 3b FK02 | F3 K03 3c FK03 | F4 K04 3d FK04 | F5 K05 3e FK05 | F6 K06 3f FK06
F7 K07 40 FK07 | F8 K08 41 FK08 | F9 K09 42 FK09 | F10 K10 43 FK10 | F11 K11 44 FK11 | F12 K12 45 FK12
PrintScreen K30 46 PRSC | ScrollLock K31 47 SCLK | Pause K32 48 PAUS
Backquote E00 35 TLDE | Digit1 E01 1e AE01 | Digit2 E02 1f AE02 | Digit3 E03 20 AE03 | Digit4 E04 21 AE04 | Digit5 E05 22 AE05
Digit6 E06 23 AE06 | Digit7 E07 24 AE07 | Digit8 E08 25 AE08 | Digit9 E09 26 AE09 | Digit0 E10 27 AE10 | Minus E11 2d AE11
Equal E12 2e AE12 | Backspace E14 2a BKSP
Tab D00 2b TAB | KeyQ D01 14 AD01 | KeyW D02 1a AD02 | KeyE D03 08 AD03 | KeyR D04 15 AD04 | KeyT D05 17 AD05 | KeyY D06 1c AD06
KeyU D07 18 AD07 | KeyI D08 0c AD08 | KeyO D09 12 AD09 | KeyP D10 13 AD10 | BracketLeft D11 2f AD11 | BracketRight D12 30 AD12
Backslash D13 31 BKSL
CapsLock C00 39 CAPS | KeyA C01 04 AC01 | KeyS C02 16 AC02 | KeyD C03 07 AC03 | KeyF C04 09 AC04 | KeyG C05 0a AC05 | KeyH C06 0b AC06
KeyJ C07 0d AC07 | KeyK C08 0e AC08 | KeyL C09 0f AC09 | Semicolon C10 33 AC10 | Quote C11 34 AC11 | Enter C13 28 RTRN
ShiftLeft B99 e1 LFSH | IntlBackslash B00 64 LSGT | KeyZ B01 1d AB01 | KeyX B02 1b AB02 | KeyC B03 06 AB03 | KeyV B04 19 AB04
KeyB B05 05 AB05 | KeyN B06 11 AB06 | KeyM B07 10 AB07 | Comma B08 36 AB08 | Period B09 37 AB09 | Slash B10 38 AB10
ShiftRight B11 e5 RTSH
ControlLeft A99 e0 LCTL | MetaLeft A00 e3 LWIN | AltLeft A01 e2 LALT | Space A03 2c SPCE | AltRight A08 e6 RALT | MetaRight A09 e7 RWIN
ContextMenu A10 65 MENU | ControlRight A11 e4 RCTL
Insert E30 49 INS | Home E31 4a HOME | PageUp E32 4b PGUP | Delete D30 4c DELE | End D31 4d END | PageDown D32 4e PGDN
ArrowUp B31 52 UP | ArrowLeft A30 50 LEFT | ArrowDown A31 51 DOWN | ArrowRight A32 4f RGHT
NumLock E51 53 NMLK | NumpadDivide E52 54 KPDV | NumpadMultiply E53 55 KPMU | NumpadSubtract E54 56 KPSU
Numpad7 D51 5f KP7 | Numpad8 D52 60 KP8 | Numpad9 D53 61 KP9 | NumpadAdd D54 57 KPAD
Numpad4 C51 5c KP4 | Numpad5 C52 5d KP5 | Numpad6 C53 5e KP6
Numpad1 B51 59 KP1 | Numpad2 B52 5a KP2 | Numpad3 B53 5b KP3 | NumpadEnter B54 58 KPEN | Numpad0 A51 62 KP0 | NumpadDecimal A53 63 KPDL
`;

export const POSITIONS: readonly Position[] = TABLE.trim()
	.split(/\s*[|\n]\s*/)
	.map((cell) => {
		const [code, iso, usage, xkb] = cell.split(' ');
		return { code: code!, iso: iso!, usage: Number.parseInt(usage!, 16), xkb: xkb! };
	});

export const POSITION_BY_CODE: ReadonlyMap<string, Position> = new Map(POSITIONS.map((p) => [p.code, p]));
