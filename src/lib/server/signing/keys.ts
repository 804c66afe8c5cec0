import { createHash, createPrivateKey, createPublicKey, generateKeyPairSync, sign, type KeyObject } from 'node:crypto';

import { Signature } from '@tufjs/models';
import { canonicalText } from '../../../../core/format/canonical.ts';

/** A key as metadata names it (TUF 1.0.34, 4.2): Ed25519, the public half in hexadecimal. */
export interface PublicKey {
	readonly keytype: 'ed25519';
	readonly scheme: 'ed25519';
	readonly keyval: { readonly public: string };
}

/** A key that can sign. */
export interface SigningKey {
	/** SHA-256 over the canonical JSON of the public half (TUF 1.0.34, 4.2, "keyid"). */
	readonly id: string;
	readonly public: PublicKey;
	readonly private: KeyObject;
}

/** The DER prefix of an Ed25519 public key (RFC 8410, 4); the 32 bytes of the key come after it. */
const SPKI = Buffer.from('302a300506032b6570032100', 'hex');

export const publicKeyOf = (hex: string): KeyObject =>
	createPublicKey({ key: Buffer.concat([SPKI, Buffer.from(hex, 'hex')]), format: 'der', type: 'spki' });

/** The 32 bytes of a public key in hexadecimal. */
export const hexOf = (key: KeyObject): string =>
	createPublicKey(key).export({ format: 'der', type: 'spki' }).subarray(SPKI.length).toString('hex');

export const keyIdOf = (key: PublicKey): string => createHash('sha256').update(canonicalText(key)).digest('hex');

function signingKey(key: KeyObject): SigningKey {
	const said: PublicKey = { keytype: 'ed25519', scheme: 'ed25519', keyval: { public: hexOf(key) } };
	return { id: keyIdOf(said), public: said, private: key };
}

export const newKey = (): SigningKey => signingKey(generateKeyPairSync('ed25519').privateKey);

export const keyOfPem = (pem: string): SigningKey => signingKey(createPrivateKey(pem));

export const pemOf = ({ private: key }: SigningKey): string => key.export({ format: 'pem', type: 'pkcs8' }) as string;

/** What a signature is made with, as `Metadata.sign` wants it (RFC 8032). */
export const signerOf =
	({ id, private: key }: SigningKey) =>
	(data: Buffer): Signature =>
		new Signature({ keyID: id, sig: sign(null, data, key).toString('hex') });
