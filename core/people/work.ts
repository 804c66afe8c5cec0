import { sha256 } from '@noble/hashes/sha2.js';

/**
 * A proof of work: whoever tries passwords too often has to compute for each further try, and waits in no queue that others could
 * fill. The first bits of SHA-256 of the challenge and a number are to be zero, as in Hashcash (Back 2002); the expected work is 2^bits digests.
 */

const leadingZeros = (digest: Uint8Array): number => {
	let bits = 0;
	for (const byte of digest) {
		if (byte !== 0) return bits + Math.clz32(byte) - 24;
		bits += 8;
	}
	return bits;
};

const encoder = new TextEncoder();

/** Whether the number solves the challenge. */
export const isWork = (challenge: string, number: number, bits: number): boolean =>
	leadingZeros(sha256(encoder.encode(`${challenge}.${number}`))) >= bits;

/** The smallest number that solves the challenge. */
export function workFor(challenge: string, bits: number): number {
	for (let number = 0; ; number++) if (isWork(challenge, number, bits)) return number;
}
