/** A text that is not taken for JSON of a request. */
export class PlainJsonError extends Error {
	override name = 'PlainJsonError';
	readonly status: 400 | 413;
	readonly kind: 'not-json' | 'not-sound' | 'too-large';
	/** Where in the document, if it is about a place (RFC 6901). */
	readonly pointer: string | undefined;
	constructor(status: PlainJsonError['status'], kind: PlainJsonError['kind'], message: string, pointer?: string) {
		super(message);
		this.status = status;
		this.kind = kind;
		this.pointer = pointer;
	}
}

/** Deeper lists and objects are in no request; reading them would hold everybody up. */
const MOST_DEPTH = 64;
const MOST_VALUES = 3_000_000;

/** Throws `PlainJsonError` for JSON that is nested too deep or has too many values, found in one pass before it is read. */
function refuseHuge(text: string): void {
	let depth = 0;
	let values = 0;
	let quoted = false;
	for (let i = 0; i < text.length; i++) {
		const code = text.charCodeAt(i);
		if (quoted) {
			if (code === 0x5c) i++;
			else if (code === 0x22) quoted = false;
			continue;
		}
		if (code === 0x22) quoted = true;
		else if (code === 0x5b || code === 0x7b) {
			if (++depth > MOST_DEPTH)
				throw new PlainJsonError(400, 'not-sound', `The body nests more than ${MOST_DEPTH} lists and objects; expected fewer.`);
		} else if (code === 0x5d || code === 0x7d) depth--;
		else if (code === 0x2c && ++values > MOST_VALUES)
			throw new PlainJsonError(413, 'too-large', `The body has more than ${MOST_VALUES} values. Send less at a time.`);
	}
}

const NUL = '\u0000';
/** Whether the database can keep the text: no NUL, and no half of a pair (RFC 8259, 8.2). */
export const isPlainText = (text: string): boolean => !text.includes(NUL) && text.isWellFormed();

const step = (name: string) => '/' + name.replaceAll('~', '~0').replaceAll('/', '~1');

/** The pointer to the first text that cannot be kept; undefined if all can. */
function firstOdd(value: unknown, pointer: string): string | undefined {
	if (typeof value === 'string') return isPlainText(value) ? undefined : pointer;
	if (typeof value !== 'object' || value === null) return undefined;
	for (const [name, member] of Object.entries(value)) {
		if (!isPlainText(name)) return pointer + step(name);
		const found = firstOdd(member, pointer + step(name));
		if (found !== undefined) return found;
	}
	return undefined;
}

/** Reads JSON of a request. Throws `PlainJsonError` for what is none, is too deep or too much, or holds a text that cannot be kept. */
export function plainJson(text: string): unknown {
	refuseHuge(text);
	let value: unknown;
	try {
		value = JSON.parse(text);
	} catch (error) {
		throw new PlainJsonError(400, 'not-json', `The body is not JSON: ${(error as Error).message}`);
	}
	// the escapes of what cannot be kept stand in the text, or the sign itself does
	if (/\\u(0000|[dD][89a-fA-F])/.test(text) || text.includes(NUL) || !text.isWellFormed()) {
		const pointer = firstOdd(value, '');
		if (pointer !== undefined) {
			const detail = 'holds a NUL or half of a character, which cannot be saved; expected plain text';
			throw new PlainJsonError(400, 'not-sound', `${pointer || 'The body'}: ${detail}`, pointer);
		}
	}
	return value;
}
