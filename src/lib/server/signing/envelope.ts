import { createHash } from 'node:crypto';
import { Metadata, type MetadataKind } from '@tufjs/models';
import { signerOf, type SigningKey } from './keys.ts';

/** The version of the specification that all metadata names. */
export const SPECIFICATION = '1.0.34';

export type Json = Record<string, unknown>;

/** Signed metadata as it lies there: the signed part, and who has signed it (4.2 of the specification). */
export interface Envelope {
	readonly signed: Json & { readonly version: number; readonly expires: string };
	readonly signatures: readonly { readonly keyid: string; readonly sig: string }[];
}

export const sha256 = (text: string): string => createHash('sha256').update(text, 'utf8').digest('hex');

/** How metadata tells a file that it stands for (4.4, METAFILES; 4.5, TARGETS). */
export const fileOf = (body: string) => ({ length: Buffer.byteLength(body, 'utf8'), hashes: { sha256: sha256(body) } });

/** When what is signed now holds no more: whole seconds, as the specification wants it (4.2, "expires"). */
export const inTime = (now: Date, lifetime: number): string =>
	new Date(now.getTime() + lifetime).toISOString().replace(/\.\d{3}Z$/, 'Z');

/** Whether what holds until then has less than half of its time left. */
export const isOld = (expires: string, lifetime: number, now: Date): boolean =>
	Date.parse(expires) - now.getTime() < lifetime / 2;

/** Whether the key has signed it; after another key has come, what the former has signed is signed anew. */
export const isBy = ({ signatures }: Envelope, { id }: SigningKey): boolean => signatures.some(({ keyid }) => keyid === id);

/** The signed part with its signatures, as it goes out. */
export function envelope(kind: MetadataKind, signed: Json, keys: readonly SigningKey[]): string {
	const made = Metadata.fromJSON(kind as MetadataKind.Targets, { signed, signatures: [] } as never);
	for (const key of keys) made.sign(signerOf(key));
	return `${JSON.stringify(made.toJSON())}\n`;
}
