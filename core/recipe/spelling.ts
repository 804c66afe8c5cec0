import { KEY_SPELLINGS, NAMED_CODES, WRITING_CODES } from '../stroke/codes.ts';
import {
	parseStroke,
	strokeText,
	strokesOf,
	LONGEST_SEQUENCE,
	StrokeSyntaxError,
	type Keys,
	type Modifier
} from '../stroke/stroke.ts';
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

/** Names of keys as people write them, some with a blank in them: `page up`, `num 5`. */
const NAMES: ReadonlyMap<string, string> = new Map([
	...KEY_SPELLINGS,
	...[...NAMED_CODES].map(([code, legend]) => [legend.toLowerCase(), code] as const),
	...[...NAMED_CODES.keys()].map((code) => [code.replace(/([a-z])([A-Z0-9])/g, '$1 $2').toLowerCase(), code] as const),
	...[...NAMED_CODES.keys()]
		.map((code) => [code.replace(/^(Arrow|Numpad)(.+)$/, '$2').toLowerCase(), code] as const)
		.filter(([name]) => /^(up|down|left|right)$/.test(name)),
	['page up', 'PageUp'],
	['page down', 'PageDown'],
	['print screen', 'PrintScreen']
]);

/** The most words that a name of a key has. */
const LONGEST_NAME = Math.max(...[...NAMES.keys()].map((name) => name.split(' ').length));

const usual = KeySpelling.parse({});

/** Reads keys sign by sign: a blank can stand within a joint and within the name of a key as well as between two strokes. */
class Scanner {
	readonly #text: string;
	readonly #spelling: KeySpelling;
	#at = 0;

	constructor(text: string, spelling: KeySpelling) {
		this.#text = text.trim();
		this.#spelling = spelling;
	}

	get isDone(): boolean {
		return this.#at >= this.#text.length;
	}

	get rest(): string {
		return this.#text.slice(this.#at);
	}

	#skipBlanks(): void {
		while (/\s/.test(this.#text[this.#at] ?? '')) this.#at++;
	}

	/** Whether the text goes on with this, whatever its case; then it is passed over. Blanks around a joint do not count. */
	#takes(sign: string): boolean {
		const at = this.#at;
		this.#skipBlanks();
		const word = sign.trim() || sign;
		if (sign.trim() === '') this.#at = at;
		if (this.#text.slice(this.#at, this.#at + word.length).toLowerCase() === word.toLowerCase()) {
			this.#at += word.length;
			return true;
		}
		this.#at = at;
		return false;
	}

	#joint(): boolean {
		return this.#takes(this.#spelling.joint);
	}

	/** A modifier with the joint behind it, unless nothing else follows: then it is the key. */
	#leadingModifier(): Modifier | undefined {
		for (const side of SIDES) {
			const at = this.#at;
			if (this.#takes(this.#spelling[side]) && this.#joint() && this.rest.trim() !== '') {
				this.#skipBlanks();
				return OURS[side];
			}
			this.#at = at;
		}
		return undefined;
	}

	#followingModifier(): Modifier | undefined {
		const at = this.#at;
		if (this.#joint()) for (const side of SIDES) if (this.#takes(this.#spelling[side])) return OURS[side];
		this.#at = at;
		return undefined;
	}

	/** Where what follows could end: at what stands between strokes, at the joint of modifiers behind it, or with the text. */
	#endOfKey(): number {
		const { then, joint, place } = this.#spelling;
		const ends = [this.#text.length];
		// the first sign is always of the key: a plus can be one
		const from = this.#at + 1;
		const between = then.trim() === '' ? /\s/.exec(this.#text.slice(from))?.index : undefined;
		if (between !== undefined) ends.push(from + between);
		if (then.trim() !== '') {
			const found = this.#text.indexOf(then.trim(), from);
			if (found !== -1) ends.push(found);
		}
		if (place === 'behind') {
			const found = this.#text.indexOf(joint.trim() || joint, from);
			if (found !== -1) ends.push(found);
		}
		return Math.min(...ends);
	}

	#key(): string {
		const { names } = this.#spelling;
		const own = Object.entries(names).sort(([, a], [, b]) => b.length - a.length);
		for (const [ours, theirs] of own) {
			const at = this.#at;
			if (this.#takes(theirs) && (this.isDone || !/[\p{L}\p{N}]/u.test(this.#text[this.#at]!) || !/[\p{L}\p{N}]$/u.test(theirs)))
				return ours;
			this.#at = at;
		}
		// the longest run of words that is the name of a key
		for (let many = LONGEST_NAME; many > 1; many--) {
			const words = new RegExp(`^\\S+(?:[ \\t]+\\S+){${many - 1}}`).exec(this.rest)?.[0];
			const name = words && NAMES.get(words.toLowerCase().replaceAll(/[ \t]+/g, ' '));
			if (name) {
				this.#at += words.length;
				return name;
			}
		}
		const end = this.#endOfKey();
		const word = this.#text.slice(this.#at, end).trim();
		this.#at = end;
		return NAMES.get(word.toLowerCase()) ?? word;
	}

	stroke(): string {
		const from = this.#at;
		const modifiers: string[] = [];
		const { place, by } = this.#spelling;
		if (place === 'before')
			for (let found = this.#leadingModifier(); found; found = this.#leadingModifier()) modifiers.push(found);
		const rest = this.isDone ? '' : this.#key();
		if (place === 'behind')
			for (let found = this.#followingModifier(); found; found = this.#followingModifier()) modifiers.push(found);
		if (rest === '') throw new StrokeSyntaxError(this.#text.slice(from) || this.#text, 'expected a key with the modifiers');
		const key = by === 'position' && [...rest].length === 1 ? (positionOf(rest) ?? rest) : rest;
		return strokeText(parseStroke([...modifiers, key].join('+')));
	}

	/** What stands between two strokes. */
	between(): void {
		if (!this.#takes(this.#spelling.then)) this.#skipBlanks();
		this.#skipBlanks();
	}
}

/** Keys as a file spells them, in Skarn's spelling. Throws `StrokeSyntaxError`. */
export function readKeys(text: string, spelling: KeySpelling = usual): Keys {
	const scanner = new Scanner(text, spelling);
	const strokes: string[] = [];
	while (!scanner.isDone && strokes.length <= LONGEST_SEQUENCE) {
		strokes.push(scanner.stroke());
		scanner.between();
	}
	if (strokes.length === 0) throw new StrokeSyntaxError(text, 'expected at least one key');
	if (strokes.length > LONGEST_SEQUENCE)
		throw new StrokeSyntaxError(text, `a sequence has at most ${LONGEST_SEQUENCE} strokes, this has more`);
	return strokes.join(' ') as Keys;
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
			const held = spelling.order.filter((side) => modifiers.includes(OURS[side])).map((side) => spelling[side]);
			const own = named ?? ([...key].length === 1 ? letter : key);
			return (spelling.place === 'before' ? [...held, own] : [own, ...held]).join(spelling.joint);
		})
		.join(spelling.then);
}

/** What files call the modifiers, the joints that they put between them and the key, and what stands between strokes. */
const WORDS: readonly Partial<KeySpelling>[] = [
	{},
	{ ctrl: 'Strg', shift: 'Umschalt' },
	{ ctrl: 'Strg', shift: 'Umsch' },
	{ ctrl: 'Strg' },
	{ shift: 'Maj' },
	{ shift: 'Maiusc' },
	{ shift: 'Mayús' },
	{ shift: 'Mayus' },
	{ ctrl: 'Control', alt: 'Option', meta: 'Command' },
	{ ctrl: 'Ctl' },
	{ ctrl: 'C', alt: 'M', shift: 'S', meta: 's' },
	{ ctrl: 'C', alt: 'A', shift: 'S', meta: 'M' }
];
const JOINTS = ['+', '-', ' + ', ' ', '_', '.', ' - '];
const BETWEEN = [' ', ',', ', ', ';', ' then ', '>'];

/** The spelling that reads the most of these inputs, the plainest of several; undefined if Skarn's own does. */
export function guessSpelling(inputs: readonly string[]): KeySpelling | undefined {
	const some = inputs.slice(0, 20);
	const readBy = (spelling: KeySpelling) => {
		let read = 0;
		for (const text of some)
			try {
				const keys = readKeys(text, spelling);
				// a joint that was not seen leaves a key of several signs, which has no name and is refused
				if (keys !== '') read++;
			} catch (error) {
				if (!(error instanceof StrokeSyntaxError)) throw error;
			}
		return read;
	};
	let best: { spelling: KeySpelling | undefined; read: number } = { spelling: undefined, read: readBy(usual) };
	for (const words of WORDS)
		for (const place of ['before', 'behind'] as const)
			for (const joint of JOINTS)
				for (const then of BETWEEN) {
					if (best.read === some.length) return best.spelling;
					if (then.trim() === joint.trim()) continue;
					const spelling = KeySpelling.parse({ ...words, place, joint, then });
					const read = readBy(spelling);
					if (read > best.read) best = { spelling, read };
				}
	return best.spelling;
}
