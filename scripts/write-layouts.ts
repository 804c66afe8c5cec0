// npm run layouts: writes core/keyboard/layouts/*.json from Debian's xkb-data (symbols) and the keysym names of x11proto-dev.
import { execFileSync } from 'node:child_process';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { POSITIONS } from '../core/keyboard/positions.ts';
import type { LayoutFile } from '../core/keyboard/layout.ts';

const SYMBOLS = '/usr/share/X11/xkb/symbols';
const KEYSYMS = '/usr/include/X11/keysymdef.h';

const LAYOUTS: readonly [string, string, string][] = [
	['us', 'us', 'US'],
	['gb', 'gb', 'UK'],
	['de', 'de', 'German'],
	['fr', 'fr', 'French'],
	['ch', 'ch', 'Swiss German'],
	['se', 'se', 'Swedish'],
	['es', 'es', 'Spanish'],
	['it', 'it', 'Italian'],
	['pl', 'pl', 'Polish'],
	['cz', 'cz', 'Czech']
];

/** Spacing characters that stand for dead keys on key caps. */
const DEAD: Record<string, string> = {
	grave: '`',
	acute: '´',
	circumflex: '^',
	tilde: '~',
	diaeresis: '¨',
	cedilla: '¸',
	caron: 'ˇ',
	ogonek: '˛',
	breve: '˘',
	abovering: '°',
	abovedot: '˙',
	macron: '¯',
	doubleacute: '˝',
	belowdot: '.',
	stroke: '/',
	belowmacron: 'ˍ',
	hook: 'ʔ',
	horn: '˒',
	currency: '¤',
	greek: 'µ',
	belowcomma: ',',
	schwa: 'ə',
	iota: 'ͺ'
};

const characters = new Map<string, string>();
for (const [, name, code] of readFileSync(KEYSYMS, 'utf8').matchAll(
	/^#define XK_(\w+)\s+0x[0-9a-f]+\s*\/\*[ (<]*U\+([0-9A-F]{4,6})/gm
))
	characters.set(name!, String.fromCodePoint(Number.parseInt(code!, 16)));

function characterOf(keysym: string): string {
	if (/^no_?symbol$/i.test(keysym)) return '';
	if (keysym.startsWith('dead_')) return `dead:${DEAD[keysym.slice(5)] ?? keysym.slice(5)}`;
	const code = /^U([0-9A-Fa-f]{4,6})$/.exec(keysym)?.[1] ?? /^0x100([0-9A-Fa-f]{4,5})$/.exec(keysym)?.[1];
	if (code) return String.fromCodePoint(Number.parseInt(code, 16));
	const character = characters.get(keysym) ?? (keysym.length === 1 ? keysym : undefined);
	if (character === undefined) throw new Error(`the keysym ${keysym} has no character in ${KEYSYMS}`);
	return character;
}

/** The body of a symbols variant: the named one, or the first of the file. */
function variantOf(file: string, variant: string | undefined): string {
	const text = readFileSync(join(SYMBOLS, file), 'utf8').replaceAll(/\/\/.*$/gm, '');
	const start = variant ? text.search(new RegExp(`xkb_symbols\\s+"${variant}"`)) : text.search(/xkb_symbols\s+"/);
	if (start < 0) throw new Error(`${file} has no variant ${variant}`);
	return text.slice(text.indexOf('{', start) + 1, text.indexOf('\n};', start));
}

const codeByXkb = new Map(POSITIONS.map((p) => [p.xkb, p.code]));

function readInto(keys: Map<string, string[]>, file: string, variant?: string): void {
	for (const [, included, key, body] of variantOf(file, variant).matchAll(/include\s+"([^"]+)"|key\s*<(\w+)>\s*\{([^}]*)\}/g)) {
		if (included) {
			const [, from, part] = /^(\w+)(?:\(([^)]*)\))?$/.exec(included)!;
			if (from !== 'level3' && from !== 'kpdl') readInto(keys, from!, part);
			continue;
		}
		const code = codeByXkb.get(key!);
		const levels = /\[([^\]\d][^\]]*|\s*\d[^\]]*)\]\s*(?:,|$|\})?/.exec(
			body!.replace(/(type|symbols)\[[^\]]*\]\s*=\s*("[^"]*"\s*,)?/g, '')
		)?.[1];
		if (!code || !levels) continue;
		const said = levels
			.split(',')
			.slice(0, 4)
			.map((s) => characterOf(s.trim()));
		const before = keys.get(code) ?? [];
		keys.set(
			code,
			Array.from({ length: Math.max(said.length, before.length) }, (_, i) => said[i] || before[i] || '')
		);
	}
}

/** What symbols/pc says of the one writing key that it speaks of. */
const [, extra] = /key <LSGT> \{\s*\[([^\]]*)\]/.exec(readFileSync(join(SYMBOLS, 'pc'), 'utf8'))!;
const under = new Map([['IntlBackslash', extra!.split(',').map((s) => characterOf(s.trim()))]]);

const version = execFileSync('dpkg-query', ['-W', '-f', '${Version}', 'xkb-data'], { encoding: 'utf8' });
const folder = new URL('../core/keyboard/layouts', import.meta.url).pathname;
mkdirSync(folder, { recursive: true });
for (const [id, file, name] of LAYOUTS) {
	const keys = new Map<string, string[]>();
	readInto(keys, file);
	// every layout lies over symbols/pc, which says something of keys where a layout does not (NoSymbol)
	for (const [code, levels] of under)
		if (keys.has(code))
			keys.set(
				code,
				levels.map((below, i) => keys.get(code)![i] || below)
			);
	const order = POSITIONS.map((p) => p.code).filter((code) => keys.has(code) && code !== 'Space');
	const layout: LayoutFile = {
		format: 'skarn-layout/1',
		id,
		name,
		source: `xkb-data ${version}, symbols/${file}`,
		keys: Object.fromEntries(order.map((code) => [code, keys.get(code)!]))
	};
	const rows = order.map((code) => `\t\t${JSON.stringify(code)}: ${JSON.stringify(keys.get(code))}`).join(',\n');
	const { keys: _, ...head } = layout;
	writeFileSync(
		join(folder, `${id}.json`),
		`${JSON.stringify(head, undefined, '\t').slice(0, -2)},\n\t"keys": {\n${rows}\n\t}\n}\n`
	);
}
