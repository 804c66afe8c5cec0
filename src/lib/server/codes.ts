import { randomBytes } from 'node:crypto';

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
