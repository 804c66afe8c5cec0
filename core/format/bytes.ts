import { FileRefusedError } from './problem.ts';

export const ENCODINGS = ['utf-8', 'utf-16le', 'utf-16be', 'latin-1', 'windows-1252'] as const;
export type Encoding = (typeof ENCODINGS)[number];

/** A text with how its bytes spell it, so that it is written as it was read. The text begins with its byte order mark, if any. */
export interface Decoded {
	readonly text: string;
	readonly encoding: Encoding;
}

/**
 * UTF-8, UTF-16 with a byte order mark, Windows-1252 where a byte from 80 to 9F stands (€ „ “ and others; WHATWG Encoding, 9), or else
 * Latin-1 (ISO/IEC 8859-1, where every byte is a character). Throws `FileRefusedError` for bytes that no text has.
 */
export function decode(file: string, bytes: Uint8Array): Decoded {
	const [a, b] = bytes;
	if ((a === 0xff && b === 0xfe) || (a === 0xfe && b === 0xff)) {
		const encoding = a === 0xff ? 'utf-16le' : 'utf-16be';
		try {
			return { text: new TextDecoder(encoding, { fatal: true, ignoreBOM: true }).decode(bytes), encoding };
		} catch {
			throw refused(file, 'the byte order mark says UTF-16, but the bytes are not');
		}
	}
	const zero = bytes.indexOf(0);
	if (zero !== -1) throw refused(file, `byte ${zero + 1} is 0, which no text has; this is not a text file`);
	try {
		return { text: new TextDecoder('utf-8', { fatal: true, ignoreBOM: true }).decode(bytes), encoding: 'utf-8' };
	} catch {
		// C0 controls other than tab, line ends and form feed do not occur in a text of the time of Latin-1
		if (bytes.some((byte) => byte < 32 && ![9, 10, 12, 13].includes(byte))) throw refused(file, 'this is not a text file');
		if (bytes.some((byte) => byte >= 0x80 && byte <= 0x9f))
			return {
				text: Array.from(bytes, (byte) => WINDOWS[byte - 0x80] ?? String.fromCharCode(byte)).join(''),
				encoding: 'windows-1252'
			};
		let text = '';
		for (let at = 0; at < bytes.length; at += 8192) text += String.fromCharCode(...bytes.subarray(at, at + 8192));
		return { text, encoding: 'latin-1' };
	}
}

/**
 * The characters of Windows-1252 from 80 to 9F (WHATWG Encoding, index windows-1252; from memory). Node 20 reads that encoding as
 * Latin-1, so it is not left to TextDecoder.
 */
const WINDOWS = [...'€\u0081‚ƒ„…†‡ˆ‰Š‹Œ\u008dŽ\u008f\u0090‘’“”•–—˜™š›œ\u009džŸ'];
const WINDOWS_BYTES: ReadonlyMap<number, number> = new Map(WINDOWS.map((character, i) => [character.charCodeAt(0), 0x80 + i]));

const refused = (file: string, message: string) => new FileRefusedError(file, [{ line: 1, column: 1, message }]);

/** The bytes of a text. Throws `FileRefusedError` with the place of a sign that Latin-1 does not have. */
export function encode(file: string, { text, encoding }: Decoded): Uint8Array {
	if (encoding === 'utf-8') return new TextEncoder().encode(text);
	if (encoding === 'latin-1' || encoding === 'windows-1252') {
		const special = encoding === 'windows-1252' ? WINDOWS_BYTES : undefined;
		const bytes = new Uint8Array(text.length);
		let line = 1;
		let start = 0;
		for (let i = 0; i < text.length; i++) {
			const code = text.charCodeAt(i);
			if (code === 10) {
				line++;
				start = i + 1;
			}
			const byte = special?.get(code) ?? code;
			if (byte > 0xff)
				throw new FileRefusedError(file, [
					{
						line,
						column: i - start + 1,
						message: `"${String.fromCodePoint(text.codePointAt(i)!)}" is not in ${encoding === 'latin-1' ? 'Latin-1' : 'Windows-1252'}, in which the file was read; save it as UTF-8`
					}
				]);
			bytes[i] = byte;
		}
		return bytes;
	}
	const bytes = new Uint8Array(text.length * 2);
	const view = new DataView(bytes.buffer);
	for (let i = 0; i < text.length; i++) view.setUint16(2 * i, text.charCodeAt(i), encoding === 'utf-16le');
	return bytes;
}
