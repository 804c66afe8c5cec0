import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { NAMED_CODES, WRITING_CODES } from '../../../../core/stroke/codes.ts';

/**
 * The outside source: the US keyboard of playwright-core 1.65, which sends the W3C `code` and `key` of each key to the
 * browser. Its table is read from the package's bundle.
 */
function playwrightKeys(): Map<string, string> {
	const bundle = readFileSync(new URL('../../../../node_modules/playwright-core/lib/coreBundle.js', import.meta.url), 'utf8');
	const rows = bundle.matchAll(/^\s*"([A-Za-z0-9]+)": \{ "keyCode": \d+,.*?"key": "((?:\\.|[^"])+)"/gm);
	return new Map([...rows].map(([, code, key]) => [code!, JSON.parse(`"${key}"`) as string]));
}

// W3C UI Events KeyboardEvent code Values: keys that a US board does not have (3.1.1) and that Playwright leaves out (3.3 to 3.5), from memory
const NOT_ON_THAT_BOARD = [
	'IntlBackslash',
	'IntlRo',
	'IntlYen',
	'ContextMenu',
	'PrintScreen',
	'ScrollLock',
	'Pause',
	'NumpadEnter'
];

describe('key codes', () => {
	const keys = playwrightKeys();

	it('name positions and legends as a reference library does', () => {
		expect(keys.size).to.be.greaterThan(80);
		for (const [code, legend] of WRITING_CODES)
			if (!NOT_ON_THAT_BOARD.includes(code)) expect(keys.get(code), code).to.equal(legend);
	});

	it('name every other key that the library knows, and none that it does not', () => {
		const isFunctionKey = (code: string) => /^F\d+$/.test(code);
		for (const code of NAMED_CODES.keys())
			if (!NOT_ON_THAT_BOARD.includes(code) && !isFunctionKey(code)) expect(keys.has(code), code).to.equal(true);
		for (const code of keys.keys()) {
			const isModifierOrMedia =
				/^(Shift|Control|Alt|Meta|CapsLock|NumLock|Media|Audio|Volume|Help|Select|Open|Props|Copy|Launch|Browser|Power|Convert|NonConvert|Kana|Accept|Mode|AltGraph|Again|Abort|Cancel|Clear|Cut|Paste|Undo|Find)/.test(
					code
				);
			if (!isModifierOrMedia) expect(NAMED_CODES.has(code) || WRITING_CODES.has(code), code).to.equal(true);
		}
	});
});
