import table from './widths.json' with { type: 'json' };

const WIDTHS = new Map<string, number>(Object.entries(table.widths));
/** What is not in the font is drawn from another one; its signs are about as wide as this, those of East Asia a full em. */
const OTHER = WIDTHS.get('n') ?? 6_000;
const FULL = 10_000;
const FULL_WIDTH = /[\u1100-\u115f\u2e80-\ua4cf\uac00-\ud7a3\uf900-\ufaff\ufe30-\ufe6f\uff00-\uff60\uffe0-\uffe6]/u;
/** Marks that are set on the sign before them. */
const NONE = /\p{Mn}/u;

const known = new Map<string, number>();
const MOST_KNOWN = 20_000;

/** How wide a text in one line is in the interface font at 400, without kerning, in em. */
function emOf(text: string): number {
	let width = known.get(text);
	if (width === undefined) {
		width = 0;
		for (const sign of text) width += WIDTHS.get(sign) ?? (NONE.test(sign) ? 0 : FULL_WIDTH.test(sign) ? FULL : OTHER);
		width /= table.per;
		if (known.size >= MOST_KNOWN) known.clear();
		known.set(text, width);
	}
	return width;
}

/** How wide a text in one line is, in px. */
export const textWidth = (text: string, size: number): number => emOf(text) * size;

/** A text on at most two lines, broken at a space so that the longer one is as short as can be. */
export function twoLines(text: string, size: number): readonly string[] {
	let best: readonly string[] = [text];
	let width = textWidth(text, size);
	for (let at = text.indexOf(' '); at >= 0; at = text.indexOf(' ', at + 1)) {
		const lines = [text.slice(0, at), text.slice(at + 1)];
		const own = Math.max(...lines.map((line) => textWidth(line, size)));
		if (own < width) [best, width] = [lines, own];
	}
	return best;
}

/** The narrowest width of a text on at most two lines, broken at a space, in px. */
export const twoLineWidth = (text: string, size: number): number =>
	Math.max(...twoLines(text, size).map((line) => textWidth(line, size)));
