import { createCipheriv, createDecipheriv, randomBytes, scrypt } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, renameSync } from 'node:fs';
import { join, resolve, sep } from 'node:path';
import { promisify } from 'node:util';
import writeFileAtomic from 'write-file-atomic';
import { z } from 'zod';
import { keyOfPem, pemOf, type SigningKey } from './keys.ts';

const derive = promisify<string, Buffer, number, object, Buffer>(scrypt);

/** What a passphrase is made harder to guess with: OWASP's first choice for scrypt (Password Storage Cheat Sheet, from memory). */
const SCRYPT = { N: 2 ** 17, r: 8, p: 1 } as const;
const MEMORY = 256 * 1024 * 1024;

const Sealed = z.strictObject({
	format: z.literal('skarn-root-key'),
	version: z.literal(1),
	id: z.string().regex(/^[0-9a-f]{64}$/),
	scrypt: z.strictObject({
		N: z
			.number()
			.int()
			.min(2)
			.max(2 ** 20),
		r: z.number().int().min(1).max(32),
		p: z.number().int().min(1).max(16),
		salt: z.string()
	}),
	/** AES-256-GCM over the PEM. */
	iv: z.string(),
	tag: z.string(),
	sealed: z.string()
});

/** Passphrases have at least so many signs. */
export const PASSPHRASE = { least: 12, most: 200 } as const;

/** The folder of the root keys has no place where a back-up of the data would take them along. */
export class RootKeysError extends Error {
	override name = 'RootKeysError';
}

/** Root keys, each in a file of its own under a passphrase, in a folder outside the data folder. */
export class RootKeys {
	readonly folder: string;

	/** Throws `RootKeysError` for a folder within the data folder. */
	constructor(folder: string, dataFolder: string) {
		this.folder = resolve(folder);
		if (`${this.folder}${sep}`.startsWith(`${resolve(dataFolder)}${sep}`))
			throw new RootKeysError(
				`The main signing keys would be in the data folder (${this.folder}) and its back-ups. Name another folder in SKARN_ROOT_KEYS.`
			);
	}

	#path = (id: string): string => join(this.folder, `root-${id.slice(0, 12)}.json`);

	/** Seals the key under the passphrase and writes its file, readable for its owner alone. */
	async keep(key: SigningKey, passphrase: string): Promise<void> {
		const [salt, iv] = [randomBytes(16), randomBytes(12)];
		const cipher = createCipheriv('aes-256-gcm', await secretOf(passphrase, salt, SCRYPT), iv);
		cipher.setAAD(Buffer.from(key.id));
		const sealed = Buffer.concat([cipher.update(pemOf(key), 'utf8'), cipher.final()]);
		mkdirSync(this.folder, { recursive: true, mode: 0o700 });
		const file: z.infer<typeof Sealed> = {
			format: 'skarn-root-key',
			version: 1,
			id: key.id,
			scrypt: { ...SCRYPT, salt: salt.toString('base64') },
			iv: iv.toString('base64'),
			tag: cipher.getAuthTag().toString('base64'),
			sealed: sealed.toString('base64')
		};
		writeFileAtomic.sync(this.#path(key.id), `${JSON.stringify(file, null, '\t')}\n`, { mode: 0o600 });
	}

	/** The ids of the keys whose files are there. */
	ids(): string[] {
		if (!existsSync(this.folder)) return [];
		return readdirSync(this.folder).flatMap((name) =>
			/^root-[0-9a-f]{12}\.json$/.test(name) ? (this.#read(name)?.id ?? []) : []
		);
	}

	#read(name: string): z.infer<typeof Sealed> | undefined {
		try {
			return Sealed.parse(JSON.parse(readFileSync(join(this.folder, name), 'utf8')));
		} catch {
			return undefined;
		}
	}

	/** Of these keys those that any of the passphrases opens. */
	async open(ids: readonly string[], passphrases: readonly string[]): Promise<SigningKey[]> {
		const opened: SigningKey[] = [];
		for (const id of ids) {
			const file = existsSync(this.#path(id)) ? this.#read(`root-${id.slice(0, 12)}.json`) : undefined;
			if (file?.id !== id) continue;
			for (const passphrase of passphrases) {
				const key = await unsealed(file, passphrase);
				if (!key) continue;
				opened.push(key);
				break;
			}
		}
		return opened;
	}

	/** A key that signs no more keeps its file under another name. */
	retire(id: string): void {
		if (existsSync(this.#path(id))) renameSync(this.#path(id), `${this.#path(id)}.retired`);
	}
}

const secretOf = (passphrase: string, salt: Buffer, { N, r, p }: { N: number; r: number; p: number }): Promise<Buffer> =>
	derive(passphrase.normalize('NFC'), salt, 32, { N, r, p, maxmem: Math.max(MEMORY, 160 * N * r) });

async function unsealed(file: z.infer<typeof Sealed>, passphrase: string): Promise<SigningKey | undefined> {
	const secret = await secretOf(passphrase, Buffer.from(file.scrypt.salt, 'base64'), file.scrypt);
	const cipher = createDecipheriv('aes-256-gcm', secret, Buffer.from(file.iv, 'base64'));
	cipher.setAAD(Buffer.from(file.id));
	cipher.setAuthTag(Buffer.from(file.tag, 'base64'));
	try {
		const pem = Buffer.concat([cipher.update(Buffer.from(file.sealed, 'base64')), cipher.final()]).toString('utf8');
		const key = keyOfPem(pem);
		return key.id === file.id ? key : undefined;
	} catch {
		return undefined;
	}
}
