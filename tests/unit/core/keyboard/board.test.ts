import { expect } from 'chai';
import { BOARDS, centreOf, keyOn, PITCH, type Board } from '../../../../core/keyboard/board.ts';
import { POSITION_BY_CODE, POSITIONS } from '../../../../core/keyboard/positions.ts';
import { NAMED_CODES, WRITING_CODES } from '../../../../core/stroke/codes.ts';

const MODIFIER_CODES = /^(Shift|Control|Alt|Meta)(Left|Right)$|^(CapsLock|NumLock)$/;
const at = (board: Board, code: string) => centreOf(keyOn(board, code)!);
const near = (value: number, expected: number) => expect(value).to.be.closeTo(expected, 0.01);

describe('boards', () => {
	it('name every drawn key in all four standards, no two alike', () => {
		for (const board of Object.values(BOARDS))
			for (const key of board.keys) {
				expect(POSITION_BY_CODE.has(key.code), key.code).to.equal(true);
				expect(WRITING_CODES.has(key.code) || NAMED_CODES.has(key.code) || MODIFIER_CODES.test(key.code), key.code).to.equal(
					true
				);
			}
		for (const name of ['code', 'iso', 'usage', 'xkb'] as const)
			expect(new Set(POSITIONS.map((p) => p[name])).size, name).to.equal(POSITIONS.length);
	});

	it('have the USB HID usages of the keyboard page', () => {
		// USB HID Usage Tables, page 0x07: A to Z are 0x04 to 0x1D, 1 to 0 are 0x1E to 0x27, F1 to F12 are 0x3A to 0x45
		const usage = (code: string) => POSITION_BY_CODE.get(code)!.usage;
		[...'ABCDEFGHIJKLMNOPQRSTUVWXYZ'].forEach((letter, i) => expect(usage(`Key${letter}`)).to.equal(0x04 + i));
		[...'1234567890'].forEach((digit, i) => expect(usage(`Digit${digit}`)).to.equal(0x1e + i));
		for (let n = 1; n <= 12; n++) expect(usage(`F${n}`)).to.equal(0x39 + n);
		expect([usage('Enter'), usage('Escape'), usage('Space'), usage('IntlBackslash')]).to.deep.equal([0x28, 0x29, 0x2c, 0x64]);
	});

	it('have the grid positions of ISO/IEC 9995-1', () => {
		// ISO/IEC 9995-1: rows A (space) to E (digits); C01 is the A key of a QWERTY board; XKB names the same grid
		const iso = (code: string) => POSITION_BY_CODE.get(code)!.iso;
		expect([iso('KeyA'), iso('Digit1'), iso('KeyQ'), iso('KeyZ'), iso('Space')]).to.deep.equal([
			'C01',
			'E01',
			'D01',
			'B01',
			'A03'
		]);
		for (const { iso: position, xkb } of POSITIONS) if (/^A[BCDE]\d\d$/.test(xkb)) expect(`A${position}`, position).to.equal(xkb);
	});

	it('have the usual pitch and stagger', () => {
		// ISO 9241-410: 19 mm plus or minus 1 mm; the stagger of 1.5, 1.75 and 2.25 pitches is common practice, no source
		expect(PITCH).to.be.within(18, 20);
		for (const id of ['full-ansi', 'full-iso', 'tenkeyless'] as const) {
			const left = (code: string) => keyOn(BOARDS[id], code)!.x / PITCH;
			near(left('KeyQ'), 1.5);
			near(left('KeyA'), 1.75);
			near(left('KeyZ'), 2.25);
		}
	});

	it('give distances as worked out by hand', () => {
		const board = BOARDS['full-ansi'];
		const distance = (a: string, b: string) => Math.hypot(at(board, a).x - at(board, b).x, at(board, a).y - at(board, b).y);
		near(distance('KeyF', 'KeyG'), 19.05);
		near(distance('KeyF', 'KeyR'), 19.05 * Math.hypot(0.25, 1)); // 19.64 mm: a quarter pitch aside, one row up
		near(distance('KeyF', 'KeyV'), 19.05 * Math.hypot(0.5, 1)); // 21.30 mm: half a pitch aside, one row down
		near(distance('KeyA', 'Digit1'), 19.05 * Math.hypot(0.75, 2));
		near(distance('KeyF', 'KeyJ'), 57.15);
	});

	it('hold each key once, and none over another', () => {
		for (const board of Object.values(BOARDS)) {
			expect(new Set(board.keys.map((k) => k.code)).size, board.name).to.equal(board.keys.length);
			board.keys.forEach((a, i) => {
				for (const b of board.keys.slice(i + 1)) {
					const width = Math.min(a.x + a.width, b.x + b.width) - Math.max(a.x, b.x);
					const height = Math.min(a.y + a.height, b.y + b.height) - Math.max(a.y, b.y);
					expect(width > 0.01 && height > 0.01, `${board.name}: ${a.code} and ${b.code}`).to.equal(false);
				}
			});
		}
		expect([BOARDS['full-ansi'].keys.length, BOARDS['full-iso'].keys.length, BOARDS.tenkeyless.keys.length]).to.deep.equal([
			104, 105, 87
		]);
	});
});
