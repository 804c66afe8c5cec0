import { KEY_SPELLINGS, WRITING_CODES } from '../stroke/codes.ts';
import { parseKeys, parseStroke, strokeText, strokesOf, StrokeSyntaxError, type Keys, type Modifier } from '../stroke/stroke.ts';
import { KeySpelling } from './recipe.ts';

const OURS: Readonly<Record<'ctrl' | 'alt' | 'shift' | 'meta', Modifier>> = {
	ctrl: 'Ctrl',
	alt: 'Alt',
	shift: 'Shift',
	meta: 'Meta'
};
const SIDES = Object.keys(OURS) as (keyof typeof OURS)[];

/** The writing keys that a US keyboard has, with what it shows on them. */
const LEGENDS: ReadonlyMap<string, string> = new Map([...WRITING_CODES].filter(([code]) => !code.startsWith('Intl')));
const POSITIONS: ReadonlyMap<string, string> = new Map([...LEGENDS].map(([code, legend]) => [legend, code]));
const positionOf = (legend: string) => POSITIONS.get(legend.toLowerCase());

const usual = KeySpelling.parse({});

/** Keys as a file spells them, in Skarn's spelling. Throws `StrokeSyntaxError`. */
export function readKeys(text: string, spelling: KeySpelling = usual): Keys {
	const strokes = splitSequence(text.trim(), spelling.then).map((stroke) => {
		const modifiers: string[] = [];
		let rest = stroke;
		for (let found = true; found;) {
			found = false;
			for (const side of SIDES) {
				const lead = spelling[side] + spelling.joint;
				if (rest.length > lead.length && rest.toLowerCase().startsWith(lead.toLowerCase())) {
					modifiers.push(OURS[side]);
					rest = rest.slice(lead.length).trim();
					found = true;
				}
			}
		}
		const named = Object.entries(spelling.names).find(([, theirs]) => theirs.toLowerCase() === rest.toLowerCase())?.[0];
		if (rest === '') throw new StrokeSyntaxError(stroke, 'expected a key after the modifiers');
		const key = named ?? (spelling.by === 'position' ? (positionOf(rest) ?? rest) : rest);
		return strokeText(parseStroke([...modifiers, key].join('+')));
	});
	return parseKeys(strokes.join(' '));
}

function splitSequence(text: string, then: string): string[] {
	return text
		.split(then)
		.map((s) => s.trim())
		.filter((s) => s !== '');
}

/** Keys in the spelling of a file. */
export function writeKeys(keys: Keys, spelling: KeySpelling = usual): string {
	return strokesOf(keys)
		.map(({ modifiers, key: ours }) => {
			const key = spelling.by === 'position' ? (LEGENDS.get(ours) ?? ours) : ours;
			const named = spelling.names[ours] ?? spelling.names[KEY_SPELLINGS.get(ours.toLowerCase()) ?? ''];
			// ß in capitals is two letters
			const capital = key.toUpperCase();
			const letter = spelling.letters === 'upper' && [...capital].length === 1 ? capital : key;
			const lead = spelling.order.filter((side) => modifiers.includes(OURS[side])).map((side) => spelling[side]);
			return [...lead, named ?? ([...key].length === 1 ? letter : key)].join(spelling.joint);
		})
		.join(spelling.then);
}
