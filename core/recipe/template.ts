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
				if (name !== 'skip' && fields.includes(name as Field)) throw new TemplateError(`{${name}} stands twice`);
				if (flag === '') throw new TemplateError(`{${name}:} names no sign`);
				if (flag === undefined && tokens.at(-1)?.kind === 'field')
					throw new TemplateError(`nothing stands between two fields before {${name}}`);
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
					throw new TemplateError('what may be missing must begin with a sign, as in [ # {note}]');
				tokens.push({
					kind: 'maybe',
					tokens: tokensInside,
					sign: first.kind === 'sign' ? first.text : first.sign,
					apart: tokensInside[0]!.kind === 'blank'
				});
			} else if (c === '[' || c === ']') throw new TemplateError(`the bracket at ${at} has no partner, or stands in another`);
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

/** The fields of the record between two offsets, in time that grows with its length alone. */
export function matchTemplate({ tokens }: Template, text: string, start: number, end: number): Fields | Mismatch {
	const fields: Fields = {};
	let at = start;
	const skipBlanks = () => {
		while (at < end && isBlank(text.charCodeAt(at))) at++;
	};
	const startsWith = (sign: string) => at + sign.length <= end && text.startsWith(sign, at);

	/** Where a field ends: at the first of what may follow it. */
	const endOfField = (list: readonly Token[], i: number): number => {
		let nearest = end;
		for (let next = i + 1; next < list.length; next++) {
			const token = list[next]!;
			if (token.kind === 'blank') continue;
			if (token.kind === 'field') return Math.min(nearest, endOfWord(at, text, end));
			const sign = token.kind === 'sign' ? token.text : token.sign;
			const apart = token.kind === 'maybe' && token.apart;
			const found = findSign(text, sign, at, nearest, apart);
			if (found !== -1) nearest = found;
			if (token.kind !== 'maybe') break;
		}
		return nearest;
	};

	const match = (list: readonly Token[]): Mismatch | undefined => {
		for (const [i, token] of list.entries()) {
			if (token.kind === 'blank') continue;
			skipBlanks();
			if (token.kind === 'maybe') {
				if (!startsWith(token.sign) || (token.apart && at > start && !isBlank(text.charCodeAt(at - 1)))) continue;
				const failed = match(token.tokens);
				if (failed) return failed;
			} else if (token.kind === 'field') {
				let stop = endOfField(list, i);
				while (stop > at && isBlank(text.charCodeAt(stop - 1))) stop--;
				if (stop === at && token.field !== 'note' && token.field !== 'skip')
					return { at, expected: `expected the ${token.field} here` };
				fields[token.field] = { value: text.slice(at, stop), start: at, end: stop };
				at = stop;
			} else {
				const sign = token.kind === 'sign' ? token.text : token.sign;
				if (!startsWith(sign)) return { at, expected: `expected ${sign} here` };
				if (token.kind === 'flag') fields[token.field] = { value: sign, start: at, end: at + sign.length };
				at += sign.length;
			}
		}
		return undefined;
	};
	const failed = match(tokens);
	if (failed) return failed;
	skipBlanks();
	return at < end ? { at, expected: 'nothing more was expected here' } : fields;
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
export function writeTemplate({ tokens }: Template, values: Partial<Record<Field, string>>): string {
	const write = (list: readonly Token[]): string =>
		list
			.map((token) => {
				switch (token.kind) {
					case 'blank':
						return ' ';
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
