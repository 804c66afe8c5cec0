import { FIELDS, type Field } from './field.ts';

/** A template that cannot be read. */
export class TemplateError extends SyntaxError {
	override name = 'TemplateError';
}

const NAMES = new Set<string>(FIELDS);

type Token =
	| { readonly kind: 'field'; readonly field: Field }
	/** A sign that stands there or not, which is all it says. */
	| { readonly kind: 'flag'; readonly field: Field; readonly sign: string }
	| { readonly kind: 'sign'; readonly text: string; readonly apart: boolean }
	| { readonly kind: 'blank' }
	| { readonly kind: 'maybe'; readonly tokens: readonly Token[]; readonly sign: string; readonly apart: boolean };

export interface Template {
	readonly tokens: readonly Token[];
	readonly fields: readonly Field[];
}

/** A part of a text: what it says and where it stands, as offsets in UTF-16 code units. */
export interface Span {
	readonly value: string;
	readonly start: number;
	readonly end: number;
}

export type Fields = Partial<Record<Field, Span>>;

const parsed = new Map<string, Template>();

/**
 * Reads a template such as `{alias} -> {command}[ {lock:!}][ # {note}]`. Brackets hold what may be missing and begin with a
 * sign; `{lock:!}` is a sign that stands there or not. A backslash takes the next sign as it is. Throws `TemplateError`.
 */
export function parseTemplate(text: string): Template {
	const known = parsed.get(text);
	if (known) return known;
	const fields: Field[] = [];
	let at = 0;

	const list = (inside: boolean): Token[] => {
		const tokens: Token[] = [];
		let sign = '';
		let apart = false;
		const flush = () => {
			if (sign) tokens.push({ kind: 'sign', text: sign, apart });
			sign = '';
			apart = false;
		};
		while (at < text.length) {
			const c = text[at]!;
			if (c === ']' && inside) break;
			at++;
			if (c === ' ' || c === '\t') {
				flush();
				if (tokens.at(-1)?.kind !== 'blank') tokens.push({ kind: 'blank' });
			} else if (c === '{') {
				flush();
				const end = text.indexOf('}', at);
				if (end === -1) throw new TemplateError(`the brace at ${at} is never closed`);
				const [name, flag] = text.slice(at, end).split(':') as [string, string | undefined];
				at = end + 1;
				if (!NAMES.has(name)) throw new TemplateError(`{${name}} is no field; there are ${[...NAMES].join(', ')}`);
				if (name !== 'skip' && fields.includes(name as Field)) throw new TemplateError(`{${name}} appears twice`);
				if (flag === '') throw new TemplateError(`{${name}:} names no sign`);
				if (flag === undefined && tokens.at(-1)?.kind === 'field')
					throw new TemplateError(`there is nothing between two fields before {${name}}`);
				fields.push(name as Field);
				tokens.push(
					flag === undefined ? { kind: 'field', field: name as Field } : { kind: 'flag', field: name as Field, sign: flag }
				);
			} else if (c === '[' && !inside) {
				flush();
				const tokensInside = list(true);
				if (text[at] !== ']') throw new TemplateError('a bracket is never closed');
				at++;
				const first = tokensInside.find((t) => t.kind !== 'blank');
				if (first?.kind !== 'sign' && first?.kind !== 'flag')
					throw new TemplateError('an optional part must begin with a sign, as in [ # {note}]');
				tokens.push({
					kind: 'maybe',
					tokens: tokensInside,
					sign: first.kind === 'sign' ? first.text : first.sign,
					apart: tokensInside[0]!.kind === 'blank'
				});
			} else if (c === '[' || c === ']') throw new TemplateError(`the bracket at ${at} has no partner, or is inside another`);
			else {
				if (!sign) apart = tokens.at(-1)?.kind === 'blank';
				sign += c === '\\' && at < text.length ? text[at++]! : c;
			}
		}
		flush();
		return tokens;
	};
	const template = { tokens: list(false), fields };
	if (fields.length === 0) throw new TemplateError('names no field, such as {alias}');
	if (parsed.size > 200) parsed.clear();
	parsed.set(text, template);
	return template;
}

const isBlank = (code: number) => code === 32 || code === 9;

/** A line that is not a record: where it went wrong, as an offset, and what was expected there. */
export interface Mismatch {
	readonly at: number;
	readonly expected: string;
}

const NONE: readonly Token[] = [];

/** One record in the course of being read: no closures, since a file has many. */
class Matching {
	readonly fields: Fields = {};
	readonly #text: string;
	/** Where the record begins in its file. */
	readonly #from: number;
	/** Whether it takes two blanks or a tab to end a field that blanks alone end. */
	readonly #isWide: boolean;
	#at = 0;

	constructor(text: string, from: number, isWide: boolean) {
		this.#text = text;
		this.#from = from;
		this.#isWide = isWide;
	}

	/** What keeps the record from being as the tokens say; `after` follows them where they may be missing. */
	match(tokens: readonly Token[], after: readonly Token[] = NONE): Mismatch | undefined {
		for (let i = 0; i < tokens.length; i++) {
			const token = tokens[i]!;
			if (token.kind === 'blank') continue;
			this.#skipBlanks();
			const at = this.#at;
			if (token.kind === 'maybe') {
				if (!this.#text.startsWith(token.sign, at) || (token.apart && at > 0 && !isBlank(this.#text.charCodeAt(at - 1))))
					continue;
				const failed = this.match(token.tokens, i + 1 < tokens.length ? tokens.slice(i + 1) : NONE);
				if (failed) return failed;
			} else if (token.kind === 'field') {
				let stop = this.#endOfField(tokens, i, after);
				while (stop > at && isBlank(this.#text.charCodeAt(stop - 1))) stop--;
				if (stop === at && token.field !== 'note' && token.field !== 'skip')
					return this.#expected(`expected the ${token.field} here`);
				this.fields[token.field] = { value: this.#text.slice(at, stop), start: this.#from + at, end: this.#from + stop };
				this.#at = stop;
			} else {
				const sign = token.kind === 'sign' ? token.text : token.sign;
				if (!this.#text.startsWith(sign, at)) return this.#expected(`expected ${sign} here`);
				this.#at += sign.length;
				if (token.kind === 'flag') this.fields[token.field] = { value: sign, start: this.#from + at, end: this.#from + this.#at };
			}
		}
		return undefined;
	}

	/** Nothing but blanks may be left. */
	end(): Mismatch | undefined {
		this.#skipBlanks();
		return this.#at < this.#text.length ? this.#expected('nothing more was expected here') : undefined;
	}

	#expected(expected: string): Mismatch {
		return { at: this.#from + this.#at, expected };
	}

	#skipBlanks(): void {
		while (isBlank(this.#text.charCodeAt(this.#at))) this.#at++;
	}

	/** Where a field ends: at the first of what may follow it. */
	#endOfField(tokens: readonly Token[], i: number, after: readonly Token[]): number {
		const text = this.#text;
		let nearest = text.length;
		for (let next = i + 1; next < tokens.length + after.length; next++) {
			const token = tokens[next] ?? after[next - tokens.length]!;
			if (token.kind === 'blank') continue;
			if (token.kind === 'field')
				return Math.min(nearest, this.#isWide ? endOfColumn(this.#at, text) : endOfWord(this.#at, text, text.length));
			const sign = token.kind === 'sign' ? token.text : token.sign;
			const found = findSign(text, sign, this.#at, nearest, token.kind === 'maybe' && token.apart);
			if (found !== -1) nearest = found;
			if (token.kind !== 'maybe') break;
		}
		return nearest;
	}
}

/** The fields of the record between two offsets, in time that grows with its length alone. */
export function matchTemplate({ tokens }: Template, text: string, from: number, to: number, isWide = false): Fields | Mismatch {
	// of the record alone, so that searching for a sign ends with it
	const matching = new Matching(text.slice(from, to), from, isWide);
	return matching.match(tokens) ?? matching.end() ?? matching.fields;
}

function endOfColumn(from: number, text: string): number {
	const gap = /\t| {2}/.exec(text.slice(from));
	return gap ? from + gap.index : text.length;
}

function endOfWord(from: number, text: string, end: number): number {
	let at = from;
	while (at < end && !isBlank(text.charCodeAt(at))) at++;
	return at;
}

/** The first place of the sign, with a blank before it if it must stand apart; -1 if there is none before `end`. */
function findSign(text: string, sign: string, from: number, end: number, apart: boolean): number {
	for (let at = text.indexOf(sign, from); at !== -1 && at + sign.length <= end; at = text.indexOf(sign, at + 1))
		if (!apart || (at > from && isBlank(text.charCodeAt(at - 1)))) return at;
	return -1;
}

export function isMismatch(found: Fields | Mismatch): found is Mismatch {
	return 'expected' in found && typeof (found as Mismatch).at === 'number';
}

/** The record as a line. Parts that may be missing are written when they have a value. */
export function writeTemplate({ tokens }: Template, values: Partial<Record<Field, string>>, isWide = false): string {
	const write = (list: readonly Token[]): string =>
		list
			.map((token) => {
				switch (token.kind) {
					case 'blank':
						return isWide ? '  ' : ' ';
					case 'sign':
						return token.text;
					case 'flag':
						return token.sign;
					case 'field':
						return values[token.field] ?? '';
					case 'maybe':
						return token.tokens.every((t) => (t.kind !== 'field' && t.kind !== 'flag') || values[t.field])
							? write(token.tokens)
							: '';
				}
			})
			.join('');
	return write(tokens).trimEnd();
}
