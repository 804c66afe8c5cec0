import { readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { create, type Font } from 'fontkit';

// node --import tsx scripts/make-widths.ts: the advance widths of the shipped interface font into core/surface/widths.json, so that
// browser, server and terminal measure texts alike. To be run again when the font's version changes.
const require = createRequire(import.meta.url);
// the variable font cannot be set to a weight by the package that reads it; the cut of the same release at 400 has the same widths
const home = '@fontsource/archivo';
const { version } = JSON.parse(readFileSync(require.resolve(`${home}/package.json`), 'utf8')) as { version: string };
const widths: Record<string, number> = {};
for (const subset of ['latin', 'latin-ext']) {
	const file = require.resolve(`${home}/files/archivo-${subset}-400-normal.woff`);
	const font = create(readFileSync(file)) as Font;
	for (const code of font.characterSet) {
		const sign = String.fromCodePoint(code);
		if (sign in widths || code < 32) continue;
		widths[sign] = Math.round((font.glyphForCodePoint(code).advanceWidth / font.unitsPerEm) * 10_000);
	}
}
const body = { font: 'Archivo', version, weight: 400, stretch: 100, per: 10_000, widths };
writeFileSync(new URL('../core/surface/widths.json', import.meta.url), `${JSON.stringify(body)}\n`);
