import { createPrivateKey, generateKeyPairSync, sign } from 'node:crypto';
import { mkdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import { Enrolled, FINGERPRINT, signInText } from '../core/release/updates.ts';
import { ask, jsonOf, MOST_OF_ANSWER, PATIENCE, within, type Answer, type Fetch, type Patience } from './ask.ts';
import { sha256 } from './folder.ts';
import { isLink, readPlain, writePlain } from './plain-files.ts';

/** The workstation is no seat of the office yet, or not any more. The message says what to do. */
export class NotEnrolledError extends Error {
	override name = 'NotEnrolledError';
}

/** What a workstation keeps to show that it is the seat: readable for its owner alone. */
const Identity = z.object({ seat: z.string(), application: z.string(), pem: z.string() });
type Identity = z.infer<typeof Identity>;

/** What the office is asked with, and how patiently. */
export interface Asking {
	readonly get: Fetch;
	readonly patience: Patience;
}

export const USUAL: Asking = { get: fetch, patience: PATIENCE };

const identityIn = (folder: string): string => join(folder, 'seat-key.json');
const rootMost = 512_000;

/** The folder of the metadata that the seat trusts. */
export const trustIn = (folder: string): string => join(folder, 'office');

/** Whether the workstation has a key of its own already. */
export function identityOf(folder: string): Identity | undefined {
	const path = identityIn(folder);
	const bytes = readPlain(path);
	if (!bytes && !isLink(path)) return undefined;
	try {
		return Identity.parse(JSON.parse(bytes!.toString('utf8')));
	} catch {
		throw new NotEnrolledError(
			`${path} cannot be read, so this workstation cannot identify itself. Ask a steward for a code, and start it once with --code.`
		);
	}
}

/**
 * Makes the workstation a seat: it makes a key of its own, gives the office the public half with the code, and takes the office's
 * root only if it is the one that the code speaks of. Throws `NotEnrolledError`.
 */
export async function enrol(server: string, code: string, folder: string, { get, patience }: Asking = USUAL): Promise<Identity> {
	const fingerprint = code.trim().slice(-FINGERPRINT).toLowerCase();
	if (!new RegExp(`^[0-9a-f]{${FINGERPRINT}}$`).test(fingerprint))
		throw new NotEnrolledError(
			`This is not a code: expected three groups of four characters and ${FINGERPRINT} digits, as Rollout shows it.`
		);
	const { privateKey, publicKey } = generateKeyPairSync('ed25519');
	const key = publicKey.export({ format: 'der', type: 'spki' }).subarray(-32).toString('hex');
	const answer = await ask(get, within(server, '/api/enrolments'), {
		method: 'POST',
		headers: { 'content-type': 'application/json' },
		body: JSON.stringify({ code: code.trim(), key }),
		most: rootMost,
		patience
	});
	if (!answer.ok) throw new NotEnrolledError(saidIn(answer));
	const { seat, application, root } = Enrolled.parse(jsonOf(answer));
	const found = sha256(Buffer.from(root)).slice(0, FINGERPRINT);
	if (found !== fingerprint)
		throw new NotEnrolledError(
			`The code is for another office: the main signing key is ${found}, expected ${fingerprint}. Nothing was installed. Tell the steward, and ask for a new code.`
		);
	mkdirSync(folder, { recursive: true });
	rmSync(trustIn(folder), { recursive: true, force: true });
	mkdirSync(trustIn(folder), { recursive: true });
	writePlain(join(trustIn(folder), 'root.json'), root);
	const identity: Identity = { seat, application, pem: privateKey.export({ format: 'pem', type: 'pkcs8' }) as string };
	writePlain(identityIn(folder), JSON.stringify(identity), { mode: 0o600 });
	return identity;
}

/** What a refusal says, where it says something. */
export function saidIn(answer: Answer): string {
	try {
		return z.object({ detail: z.string().max(2000) }).parse(jsonOf(answer)).detail;
	} catch {
		return `the office answered ${answer.status}`;
	}
}

/** Asks the office as one seat, which signs in by its own key whenever its token is not good any more. */
export class SeatSession {
	readonly #server: string;
	readonly #identity: Identity;
	readonly #asking: Asking;
	#token: string | undefined;

	constructor(server: string, identity: Identity, asking: Asking = USUAL) {
		this.#server = server;
		this.#identity = identity;
		this.#asking = asking;
	}

	get seat(): string {
		return this.#identity.seat;
	}

	async #signIn(): Promise<string> {
		const { get, patience } = this.#asking;
		const { seat, pem } = this.#identity;
		const path = within(this.#server, `/api/seats/${seat}/session`);
		const asked = await ask(get, path, { patience });
		if (!asked.ok) throw new Error(saidIn(asked));
		const { challenge } = z.object({ challenge: z.string().max(200) }).parse(jsonOf(asked));
		const signature = sign(null, Buffer.from(signInText(seat, challenge)), createPrivateKey(pem)).toString('hex');
		const answer = await ask(get, path, {
			method: 'POST',
			headers: { 'content-type': 'application/json' },
			body: JSON.stringify({ challenge, signature }),
			patience
		});
		if (answer.status === 401) throw new NotEnrolledError(saidIn(answer));
		if (!answer.ok) throw new Error(saidIn(answer));
		return z.object({ token: z.string().max(500) }).parse(jsonOf(answer)).token;
	}

	/** Asks a path of the office; what is not an answer in time throws `AnswerError`. */
	async ask(path: string, init: RequestInit & { most?: number; patience?: Patience } = {}): Promise<Answer> {
		const { get, patience } = this.#asking;
		for (let isAgain = false; ; isAgain = true) {
			this.#token ??= await this.#signIn();
			const answer = await ask(get, within(this.#server, path), {
				most: MOST_OF_ANSWER,
				patience,
				...init,
				headers: { ...(init.headers as Record<string, string>), authorization: `Seat ${this.#token}` }
			});
			if (answer.status !== 401 || isAgain) return answer;
			this.#token = undefined;
		}
	}

	/** What it shows itself with once it has signed in. */
	get authorization(): string {
		return `Seat ${this.#token}`;
	}

	get patience(): Patience {
		return this.#asking.patience;
	}
}
