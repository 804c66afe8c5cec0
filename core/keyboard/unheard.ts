import { WRITING_CODES } from '../stroke/codes.ts';
import { canHear, isHeard, isLetter, type KeyMatch } from '../stroke/hear.ts';
import { keysOf, MODIFIERS, strokesOf, type Keys, type Stroke } from '../stroke/stroke.ts';
import { LAYOUTS, type LayoutId } from './layouts.ts';
import { strokeAt } from './pressing.ts';

/** Whether a key of the layout makes the stroke. A letter with Shift that types something else with it is made by none. */
function isMadeOn({ key, modifiers }: Stroke, match: KeyMatch, layout: LayoutId): boolean {
	if (match === 'position' || !isLetter(key) || !modifiers.includes('Shift')) return true;
	const plain = LAYOUTS[layout].ways(key).filter(({ level, dead }) => level === 0 && !dead);
	return plain.length === 0 || LAYOUTS[layout].ways(key).some(({ level, dead }) => level === 1 && !dead);
}

/** What is meant by the stroke on the layout, as the application hears it; undefined if the layout has no such key. */
function meantOn(stroke: Stroke, match: KeyMatch, layout: LayoutId): Stroke | undefined {
	if (canHear(stroke, match) && isMadeOn(stroke, match, layout)) return stroke;
	const { key, modifiers } = stroke;
	if (WRITING_CODES.has(key)) return strokeAt(key, modifiers, match, layout);
	const typing = LAYOUTS[layout].typing(key);
	// what only AltGr types is no stroke with the other modifiers
	if (!typing || typing.dead || typing.level > 1) return undefined;
	const held = MODIFIERS.filter((m) => modifiers.includes(m) || (m === 'Shift' && typing.level === 1));
	return strokeAt(typing.code, held, match, layout);
}

/** Every meaning that the input has on one of the layouts, as the application would hear it, without repetitions. */
export function meanings(keys: Keys, match: KeyMatch, layouts: readonly LayoutId[]): Keys[] {
	const found = new Set<Keys>();
	for (const layout of layouts) {
		const strokes = strokesOf(keys).map((stroke) => meantOn(stroke, match, layout));
		if (strokes.every((stroke) => stroke !== undefined)) found.add(keysOf(strokes));
	}
	return [...found];
}

/**
 * The input as the application hears it: itself if it can be heard, else what all the layouts agree that it means. Undefined
 * where they do not agree, or where one of them has no such key.
 */
export function heardAs(keys: Keys, match: KeyMatch, layouts: readonly LayoutId[]): Keys | undefined {
	const isMade = (layout: LayoutId) => strokesOf(keys).every((stroke) => isMadeOn(stroke, match, layout));
	if (isHeard(keys, match) && (layouts.length === 0 || layouts.some(isMade))) return keys;
	const [first] = layouts;
	if (first === undefined) return undefined;
	const each = layouts.map((layout) => meanings(keys, match, [layout])[0]);
	return each.every((one) => one === each[0]) ? each[0] : undefined;
}
