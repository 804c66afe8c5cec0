import { createHash, randomBytes, timingSafeEqual } from 'node:crypto';

/** Crockford's Base32: no sign that looks like another one. */
const SIGNS = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';

/** So many random signs of five bits each, for people to type. */
export const signs = (count: number): string => Array.from(randomBytes(count), (byte) => SIGNS[byte % 32]!).join('');

/** How a code is read: typed by hand, in small letters and with other hyphens, it is the same. */
export const plainCode = (code: string): string =>
	code
		.toUpperCase()
		.replace(/[^0-9A-Z]/g, '')
		.replace(/[OIL]/g, (sign) => (sign === 'O' ? '0' : '1'));

/** A code in groups of four, as people are shown it. */
export const grouped = (code: string): string => code.replace(/(.{4})(?=.)/g, '$1-');

/** What is kept of a secret instead of it: its SHA-256, in hexadecimal. */
export const digestOf = (secret: string): string => createHash('sha256').update(secret, 'utf8').digest('hex');

/** Whether two texts are the same, in a time that tells nothing of where they differ. */
export function isSame(a: string, b: string): boolean {
	const [one, other] = [Buffer.from(a), Buffer.from(b)];
	return one.length === other.length && timingSafeEqual(one, other);
}
