import { and, asc, desc, eq, isNotNull, notInArray } from 'drizzle-orm';
import { MetadataKind } from '@tufjs/models';
import type { ApplicationId, InputRules } from '../../../../core/application/application.ts';
import { canonicalText } from '../../../../core/format/canonical.ts';
import {
	applicationOf,
	FOLLOWING,
	followingPath,
	OWN_ROLE,
	ownPath,
	releasePath,
	roleOf,
	type Following
} from '../../../../core/release/updates.ts';
import { ONE_RING } from '../../../../core/release/rings.ts';
import type { RowTransaction } from '../db/database.ts';
import type { Database } from '../db/open.ts';
import {
	applications,
	enrolments,
	metadata,
	ownFiles,
	releases,
	rollouts,
	seats,
	signedFiles,
	signingKeys
} from '../db/schema.ts';
import type { Turns } from '../db/turns.ts';
import { Problem } from '../problem.ts';
import { Bodies } from './bodies.ts';
import { envelope, fileOf, inTime, isBy, isOld, sha256, SPECIFICATION, type Envelope, type Json } from './envelope.ts';
import { keyOfPem, newKey, pemOf, type PublicKey, type SigningKey } from './keys.ts';
import { PASSPHRASE, type RootKeys } from './root-keys.ts';

const HOUR = 3600_000;
const DAY = 24 * HOUR;

/** How long what is signed holds, in milliseconds. What the server signs by itself is renewed when half of it is over. */
export interface Lifetimes {
	readonly root: number;
	readonly targets: number;
	readonly snapshot: number;
	readonly timestamp: number;
	readonly own: number;
}

export const LIFETIMES: Lifetimes = { root: 730 * DAY, targets: 365 * DAY, snapshot: 7 * DAY, timestamp: DAY, own: 30 * DAY };

/** The roles whose keys the server has besides those of the applications. */
const ONLINE = ['targets', 'snapshot', 'timestamp'] as const;
type Online = (typeof ONLINE)[number];

/** So many files about who follows what are kept of each application. */
const KEPT_FILES = 5;

interface RootSigned extends Json {
	readonly version: number;
	readonly expires: string;
	readonly keys: Readonly<Record<string, PublicKey>>;
	readonly roles: Readonly<Record<string, { readonly keyids: readonly string[]; readonly threshold: number }>>;
}

/** What a steward sees of one role. */
export interface RoleState {
	readonly role: string;
	readonly version: number;
	readonly expires: string;
	readonly keys: readonly string[];
	readonly threshold: number;
}

export interface SigningState {
	readonly roles: readonly RoleState[];
	/** Where the root keys lie, and which of them are there. */
	readonly rootKeys: { readonly folder: string; readonly there: readonly string[] };
}

type Reading = Pick<RowTransaction, 'select'>;

/**
 * Signs what seats follow, in the roles of The Update Framework (specification 1.0.34): root, whose key lies elsewhere; targets,
 * which delegates to one role an application and to `own`; snapshot; and timestamp, renewed by the server alone. Clients are
 * asked to check by tuf-js; nothing here is needed to check it.
 */
export class Signing {
	readonly #db: Database;
	readonly #turns: Turns;
	readonly rootKeys: RootKeys;
	readonly #lifetimes: Lifetimes;
	readonly #changed: () => void;
	/** Bodies of metadata as they were asked for, with the version in the name they never change. */
	readonly #bodies = new Bodies();
	#timestamp: Promise<{ body: string; version: number } | null> | undefined;
	/** The newest root that is known, so that asking for the one after it needs no database. */
	#rootVersion: number | undefined;

	/** `changed` is called when there is a new timestamp. */
	constructor(db: Database, turns: Turns, rootKeys: RootKeys, changed: () => void, lifetimes: Lifetimes = LIFETIMES) {
		this.#db = db;
		this.#turns = turns;
		this.rootKeys = rootKeys;
		this.#changed = changed;
		this.#lifetimes = lifetimes;
	}

	/** Another process has signed something. */
	forget(): void {
		this.#timestamp = undefined;
		this.#rootVersion = undefined;
		this.#bodies.delete('timestamp.json');
	}

	/** The newest timestamp; null before signing is set up. */
	timestamp(): Promise<{ body: string; version: number } | null> {
		this.#timestamp ??= this.#newest(this.#db, 'timestamp').then((row) => row ?? null);
		this.#timestamp.catch(() => this.forget());
		return this.#timestamp;
	}

	async #newest(tx: Reading, role: string): Promise<{ body: string; version: number } | undefined> {
		const [row] = await tx
			.select({ body: metadata.body, version: metadata.version })
			.from(metadata)
			.where(eq(metadata.role, role))
			.orderBy(desc(metadata.version))
			.limit(1);
		return row;
	}

	/** Metadata by the name under which clients ask for it, as `3.root.json` or `timestamp.json`. Throws `Problem` 404. */
	async metadata(name: string): Promise<string> {
		const gone = new Problem(404, 'not-found', `There is no metadata ${name}.`);
		if (name === 'timestamp.json') {
			const newest = await this.timestamp();
			if (!newest) throw gone;
			this.#bodies.keep(name, newest.body);
			return newest.body;
		}
		const known = this.#bodies.get(name);
		if (known !== undefined) return known.toString('utf8');
		const [, version, role] = /^(\d{1,9})\.([a-z0-9.-]+)\.json$/.exec(name) ?? [];
		if (version === undefined || role === undefined) throw gone;
		const [row] = await this.#db
			.select({ body: metadata.body })
			.from(metadata)
			.where(and(eq(metadata.role, role), eq(metadata.version, Number(version))));
		if (!row) {
			if (role === 'root') this.#rootVersion = (await this.#newest(this.#db, 'root'))?.version;
			throw gone;
		}
		this.#bodies.keep(name, row.body);
		return row.body;
	}

	/** A signed file, by its path with the digest in front of its name (consistent snapshots, 6.2). Throws `Problem` 404. */
	async file(application: string, name: string): Promise<string> {
		const [, digest, base] = /^([0-9a-f]{64})\.(.+)$/.exec(name) ?? [];
		const gone = new Problem(404, 'not-found', `There is no signed file ${application}/${name}.`);
		if (digest === undefined || base === undefined) throw gone;
		const known = this.#bodies.get(`${application}/${name}`);
		if (known !== undefined) return known.toString('utf8');
		const [row] =
			base === FOLLOWING
				? await this.#db.select({ body: signedFiles.body }).from(signedFiles).where(eq(signedFiles.sha256, digest))
				: await this.#db
						.select({ body: releases.file })
						.from(releases)
						.where(and(eq(releases.application, application), eq(releases.sha256, digest)));
		if (!row) throw gone;
		this.#bodies.keep(`${application}/${name}`, row.body);
		return row.body;
	}

	/**
	 * What is known without asking the database of `metadata/NAME` or `files/APPLICATION/NAME`: the bytes, null for a root that is not
	 * there yet, undefined for what has to be asked for.
	 */
	known(path: string): Buffer | null | undefined {
		const [, kind, name] = /^(metadata|files)\/(.+)$/.exec(path) ?? [];
		if (name === undefined) return undefined;
		const next = kind === 'metadata' && this.#rootVersion !== undefined && name === `${this.#rootVersion + 1}.root.json`;
		return next ? null : this.#bodies.get(name);
	}

	/** The newest root metadata, by which a workstation begins. Throws `Problem` 409 before signing is set up. */
	async root(version?: number): Promise<{ body: string; version: number }> {
		if (version !== undefined) return { body: await this.metadata(`${version}.root.json`), version };
		const newest = await this.#newest(this.#db, 'root');
		if (!newest) throw notSetUp();
		return newest;
	}

	/** What a steward looks at; null before signing is set up. */
	async state(): Promise<SigningState | null> {
		const newest = await this.#newest(this.#db, 'root');
		if (!newest) return null;
		const root = (JSON.parse(newest.body) as Envelope).signed as unknown as RootSigned;
		const roles: RoleState[] = [];
		for (const [role, { keyids, threshold }] of Object.entries(root.roles)) {
			const body = (await this.#newest(this.#db, role))?.body;
			const { version, expires } = body ? (JSON.parse(body) as Envelope).signed : { version: 0, expires: root.expires };
			roles.push({ role, version, expires, keys: keyids, threshold });
		}
		for (const { role, id } of await this.#delegated(this.#db)) {
			const body = (await this.#newest(this.#db, role))?.body;
			const { version, expires } = body ? (JSON.parse(body) as Envelope).signed : { version: 0, expires: root.expires };
			roles.push({ role, version, expires, keys: [id], threshold: 1 });
		}
		const mine = root.roles['root']!.keyids;
		return { roles, rootKeys: { folder: this.rootKeys.folder, there: this.rootKeys.ids().filter((id) => mine.includes(id)) } };
	}

	async #delegated(tx: Reading): Promise<{ role: string; id: string }[]> {
		return tx
			.select({ role: signingKeys.role, id: signingKeys.id })
			.from(signingKeys)
			.where(notInArray(signingKeys.role, [...ONLINE]))
			.orderBy(asc(signingKeys.role));
	}

	/**
	 * Makes all keys: of root one for each passphrase, of which so many must sign together; the others are the server's. Everything
	 * that has been released is signed at once. `isAnew` begins from nothing when root is lost: every seat has to enrol again. Throws
	 * `Problem` 409 if it was done before, 422 for weak passphrases.
	 */
	setUp(
		passphrases: readonly string[],
		threshold: number,
		{ now = new Date(), isAnew = false }: { now?: Date; isAnew?: boolean } = {}
	): Promise<void> {
		refuseWeak(passphrases, threshold);
		return this.#write(async (tx) => {
			const before = await this.#newest(tx, 'root');
			if (before && !isAnew) throw new Problem(409, 'nothing-to-do', 'Releases are already signed.');
			if (before) {
				// nobody can say any more that the new root is the office's: every seat is told by a code
				for (const table of [metadata, signingKeys, ownFiles, signedFiles, enrolments]) await tx.delete(table);
				await tx.update(seats).set({ key: null });
				this.#bodies.clear();
			}
			const roots = passphrases.map(() => newKey());
			await Promise.all(roots.map((key, i) => this.rootKeys.keep(key, passphrases[i]!)));
			const online: Partial<Record<Online, SigningKey>> = {};
			for (const role of ONLINE) {
				online[role] = newKey();
				await keepKey(tx, role, online[role]);
			}
			const keys = [...roots, ...Object.values(online)];
			await this.#keep(
				tx,
				'root',
				{
					_type: 'root',
					spec_version: SPECIFICATION,
					version: 1,
					expires: inTime(now, this.#lifetimes.root),
					consistent_snapshot: true,
					keys: Object.fromEntries(keys.map((key) => [key.id, key.public])),
					roles: {
						root: { keyids: roots.map(({ id }) => id), threshold },
						...Object.fromEntries(ONLINE.map((role) => [role, { keyids: [online[role]!.id], threshold: 1 }]))
					}
				},
				roots
			);
			await this.#signAll(tx, now);
		});
	}

	/** Signs what has been released and who follows what, where it differs from what is signed. Nothing before `setUp`. */
	async sign(now = new Date()): Promise<void> {
		if (await this.timestamp()) await this.signing(async () => {}, now);
	}

	/** Writes something that seats follow and signs it, both in one transaction: what cannot be signed is not written. */
	async signing<T>(work: (tx: RowTransaction) => Promise<T>, now = new Date()): Promise<T> {
		let result: T;
		await this.#write(async (tx) => {
			result = await work(tx);
			if (await this.#newest(tx, 'timestamp')) await this.#signAll(tx, now);
		});
		return result!;
	}

	/** Signs anew what holds for less than half of its time; the server does it without being asked. Gives whether it had to. */
	async renew(now = new Date()): Promise<boolean> {
		const newest = await this.timestamp();
		if (!newest) return false;
		const { expires } = (JSON.parse(newest.body) as Envelope).signed;
		if (!isOld(expires, this.#lifetimes.timestamp, now)) return false;
		await this.#write((tx) => this.#signAll(tx, now));
		return true;
	}

	/**
	 * Another key for a role that the server signs with, as after its key was lost or seen: root says so (5.3), and what the role has signed is
	 * signed anew. Of an application's role the delegation changes. Throws `Problem` 401, 404 or 409.
	 */
	rotate(role: string, passphrases: readonly string[], now = new Date()): Promise<void> {
		return this.#write(async (tx) => {
			const [known] = await tx.select().from(signingKeys).where(eq(signingKeys.role, role));
			if (!known) throw new Problem(404, 'not-found', `There is no role "${role}" with a key on the server.`);
			const key = newKey();
			if (ONLINE.includes(role as Online)) {
				const { root, keys } = await this.#openRoot(tx, passphrases);
				await tx.delete(signingKeys).where(eq(signingKeys.role, role));
				await keepKey(tx, role, key);
				const roles = { ...root.roles, [role]: { keyids: [key.id], threshold: 1 } };
				await this.#keepRoot(tx, root, { roles, keys: { ...root.keys, [key.id]: key.public } }, keys, now);
			} else {
				// the delegation is signed by targets; that it was root who wanted it is asked for
				await this.#openRoot(tx, passphrases);
				await tx.delete(signingKeys).where(eq(signingKeys.role, role));
				await keepKey(tx, role, key);
			}
			await this.#signAll(tx, now);
		});
	}

	/**
	 * Other root keys: those that are lost go, and for each new passphrase one comes. Signed by enough of the old keys and of the new
	 * ones (5.3.4, 5.3.5). With no new passphrase root is only signed for another term. Throws `Problem` 401, 409 or 422.
	 */
	rotateRoot(
		passphrases: readonly string[],
		{ remove = [], add = [], threshold }: { remove?: readonly string[]; add?: readonly string[]; threshold?: number },
		now = new Date()
	): Promise<void> {
		return this.#write(async (tx) => {
			const { root, keys: old } = await this.#openRoot(tx, passphrases);
			const before = root.roles['root']!;
			const kept = before.keyids.filter((id) => !remove.includes(id));
			const keyCount = kept.length + add.length;
			const needed = threshold ?? Math.min(before.threshold, keyCount);
			if (keyCount === 0 || needed > keyCount || needed < 1)
				throw new Problem(
					422,
					'not-sound',
					`There would be ${keyCount} main signing keys, but ${needed} signatures are required.`
				);
			if (add.length > 0) refuseWeak(add, 1);
			const added = add.map(() => newKey());
			const signing = [...old, ...added];
			const newKeys = signing.filter(({ id }) => kept.includes(id) || added.some((key) => key.id === id));
			if (newKeys.length < needed)
				throw new Problem(
					401,
					'sign-in',
					`${needed} of the new main signing keys are needed; the passphrases open ${newKeys.length}.`
				);
			await Promise.all(added.map((key, i) => this.rootKeys.keep(key, add[i]!)));
			const keyids = [...kept, ...added.map(({ id }) => id)];
			await this.#keepRoot(
				tx,
				root,
				{
					roles: { ...root.roles, root: { keyids, threshold: needed } },
					keys: { ...root.keys, ...Object.fromEntries(added.map((key) => [key.id, key.public])) }
				},
				signing,
				now
			);
			await this.#signAll(tx, now);
			for (const id of remove) this.rootKeys.retire(id);
		});
	}

	/** The file of a seat at which somebody sits, made and signed anew where it is not `of` the same as before. Gives its version. */
	async signOwn(
		seat: string,
		application: string,
		release: number | null,
		of: string,
		fileText: () => string,
		now = new Date()
	): Promise<number | null> {
		if (!(await this.timestamp())) return null;
		return this.#turns.take(`own ${seat}`, () =>
			this.#db.transaction(async (tx) => {
				const [before] = await tx.select().from(ownFiles).where(eq(ownFiles.seat, seat));
				const [row] = await tx.select().from(signingKeys).where(eq(signingKeys.role, OWN_ROLE));
				const key = keyOfPem(row!.pem);
				const said = before && (JSON.parse(before.metadata) as Envelope);
				const isGood = said && isBy(said, key) && !isOld(said.signed.expires, this.#lifetimes.own, now);
				if (isGood && before.of === of) return before.version;
				const version = (before?.version ?? 0) + 1;
				const file = fileText();
				const body = envelope(
					MetadataKind.Targets,
					{
						_type: 'targets',
						spec_version: SPECIFICATION,
						version,
						expires: inTime(now, this.#lifetimes.own),
						targets: { [ownPath(seat)]: { ...fileOf(file), custom: { application, release } } }
					},
					[key]
				);
				const kept = { version, of, metadata: body, file };
				await tx
					.insert(ownFiles)
					.values({ seat, ...kept })
					.onConflictDoUpdate({ target: ownFiles.seat, set: kept });
				return version;
			})
		);
	}

	/** What is signed for the seat; null where nobody sits there. */
	async own(seat: string): Promise<{ version: number; metadata: string; file: string } | null> {
		const [row] = await this.#db.select().from(ownFiles).where(eq(ownFiles.seat, seat));
		return row ?? null;
	}

	async #write(work: (tx: RowTransaction) => Promise<void>): Promise<void> {
		await this.#turns.take('signing', () => this.#db.transaction(work));
		this.forget();
		this.#changed();
	}

	async #openRoot(tx: RowTransaction, passphrases: readonly string[]): Promise<{ root: RootSigned; keys: SigningKey[] }> {
		const newest = await this.#newest(tx, 'root');
		if (!newest) throw notSetUp();
		const root = (JSON.parse(newest.body) as Envelope).signed as unknown as RootSigned;
		const { keyids, threshold } = root.roles['root']!;
		const keys = await this.rootKeys.open(keyids, passphrases);
		if (keys.length >= threshold) return { root, keys };
		const there = this.rootKeys.ids().filter((id) => keyids.includes(id));
		throw there.length < threshold
			? new Problem(
					409,
					'needs-word',
					`${threshold} of ${keyids.length} main signing keys are needed; ${there.length} are in ${this.rootKeys.folder}. Copy their files there first.`
				)
			: new Problem(401, 'sign-in', `${threshold} main signing keys are needed; the passphrases open ${keys.length}.`);
	}

	#keepRoot(
		tx: RowTransaction,
		before: RootSigned,
		{ roles, keys }: Pick<RootSigned, 'roles' | 'keys'>,
		signing: readonly SigningKey[],
		now: Date
	): Promise<void> {
		const used = new Set(Object.values(roles).flatMap(({ keyids }) => keyids));
		const said = {
			...before,
			version: before.version + 1,
			expires: inTime(now, this.#lifetimes.root),
			keys: Object.fromEntries(Object.entries(keys).filter(([id]) => used.has(id))),
			roles
		};
		return this.#keep(tx, 'root', said, signing);
	}

	async #keep(tx: RowTransaction, role: string, signed: Json & { version: number }, keys: readonly SigningKey[]): Promise<void> {
		const kind = role === 'root' || role === 'snapshot' || role === 'timestamp' ? role : 'targets';
		await tx.insert(metadata).values({ role, version: signed.version, body: envelope(kind as MetadataKind, signed, keys) });
	}

	/** Signs every role whose content has changed, or that holds for less than half of its time, or whose key has: from below to the top (7.1). */
	async #signAll(tx: RowTransaction, now: Date): Promise<void> {
		const programs = await tx.select({ id: applications.id, body: applications.body }).from(applications);
		const has = new Set((await this.#delegated(tx)).map(({ role }) => role));
		for (const role of [OWN_ROLE, ...programs.map(({ id }) => roleOf(id))]) if (!has.has(role)) await keepKey(tx, role, newKey());
		const keys = new Map((await tx.select().from(signingKeys)).map(({ role, pem }) => [role, keyOfPem(pem)]));
		const meta: Record<string, { version: number }> = {};
		const term = this.#lifetimes.targets;
		const sign = async (role: string, content: Json, lifetime: number): Promise<number> => {
			const key = keys.get(role)!;
			const newest = await this.#newest(tx, role);
			const before = newest && (JSON.parse(newest.body) as Envelope);
			if (before && !isOld(before.signed.expires, lifetime, now)) {
				const { version: _, expires: __, ...said } = before.signed;
				if (isBy(before, key) && canonicalText(said) === canonicalText(content)) return newest.version;
			}
			const version = (newest?.version ?? 0) + 1;
			await this.#keep(tx, role, { ...content, version, expires: inTime(now, lifetime) }, [key]);
			return version;
		};
		const roles = [...keys.keys()].filter((role) => !ONLINE.includes(role as Online)).sort();
		for (const role of roles.filter((role) => role !== OWN_ROLE)) {
			// one that is gone signs nothing any more; its metadata stays, since a snapshot never loses a name (5.5.5)
			const program = programs.find(({ id }) => roleOf(id) === role);
			const targets = program ? await this.#targetsOf(tx, program.id, program.body) : {};
			meta[`${role}.json`] = {
				version: await sign(role, { _type: 'targets', spec_version: SPECIFICATION, targets }, term)
			};
		}
		const delegations = {
			keys: Object.fromEntries(roles.map((role) => [keys.get(role)!.id, keys.get(role)!.public])),
			roles: roles.map((role) => ({
				name: role,
				keyids: [keys.get(role)!.id],
				threshold: 1,
				terminating: true,
				paths: [role === OWN_ROLE ? ownPath('*') : `${applicationOf(role)}/*`]
			}))
		};
		const targets = { _type: 'targets', spec_version: SPECIFICATION, targets: {}, delegations };
		meta['targets.json'] = { version: await sign('targets', targets, term) };
		const snapshot = await sign('snapshot', { _type: 'snapshot', spec_version: SPECIFICATION, meta }, this.#lifetimes.snapshot);
		const body = (
			await tx
				.select()
				.from(metadata)
				.where(and(eq(metadata.role, 'snapshot'), eq(metadata.version, snapshot)))
		)[0]!.body;
		await sign(
			'timestamp',
			{ _type: 'timestamp', spec_version: SPECIFICATION, meta: { 'snapshot.json': { version: snapshot, ...fileOf(body) } } },
			this.#lifetimes.timestamp
		);
	}

	/** The signed files of an application: its releases, and which of them its rings follow. */
	async #targetsOf(tx: RowTransaction, application: string, { rules }: { readonly rules?: InputRules }): Promise<Json> {
		const made = await tx
			.select({ number: releases.number, sha256: releases.sha256, bytes: releases.bytes })
			.from(releases)
			.where(eq(releases.application, application))
			.orderBy(asc(releases.number));
		const [row] = await tx.select().from(rollouts).where(eq(rollouts.application, application));
		const inRings = await tx
			.select({ id: seats.id, ring: seats.ring })
			.from(seats)
			.where(and(eq(seats.application, application), isNotNull(seats.ring)))
			.orderBy(asc(seats.id));
		const following: Following = {
			application: application as ApplicationId,
			rings: (row?.rings ?? ONE_RING).map(({ id, name }) => ({ id, name, release: row?.course?.follows[id] ?? null })),
			seats: Object.fromEntries(inRings.map(({ id, ring }) => [id, ring!])),
			// one that cannot be read holds nobody else back
			restart: (rules?.options ?? []).filter(({ restart }) => restart).map(({ path }) => path)
		};
		const body = `${canonicalText(following)}\n`;
		await this.#keepFile(tx, followingPath(application), body);
		return Object.fromEntries([
			...made.map(({ number, sha256: digest, bytes }) => [
				releasePath(application, number),
				{ length: bytes, hashes: { sha256: digest }, custom: { release: number } }
			]),
			[followingPath(application), fileOf(body)]
		]) as Json;
	}

	async #keepFile(tx: RowTransaction, path: string, body: string): Promise<void> {
		await tx
			.insert(signedFiles)
			.values({ sha256: sha256(body), path, body })
			.onConflictDoNothing();
		const kept = await tx
			.select({ id: signedFiles.id, sha256: signedFiles.sha256 })
			.from(signedFiles)
			.where(eq(signedFiles.path, path))
			.orderBy(desc(signedFiles.id));
		const old = kept.slice(KEPT_FILES).filter((one) => one.sha256 !== sha256(body));
		for (const { id } of old) await tx.delete(signedFiles).where(eq(signedFiles.id, id));
	}
}

const notSetUp = () =>
	new Problem(409, 'needs-word', 'Releases are not signed yet. Set signing up in Rollout first: it makes the root key.');

async function keepKey(tx: RowTransaction, role: string, key: SigningKey): Promise<void> {
	await tx.insert(signingKeys).values({ role, id: key.id, pem: pemOf(key) });
}

/** Throws `Problem` 422. */
function refuseWeak(passphrases: readonly string[], threshold: number): void {
	const refuse = (detail: string) => new Problem(422, 'not-sound', detail, { errors: [{ pointer: '/passphrases', detail }] });
	if (passphrases.length === 0 || threshold > passphrases.length || threshold < 1)
		throw refuse(`Of ${passphrases.length} root keys ${threshold} cannot be needed.`);
	for (const passphrase of passphrases) {
		const said = [...passphrase].length;
		if (said < PASSPHRASE.least) throw refuse(`A passphrase has at least ${PASSPHRASE.least} characters; this one has ${said}.`);
		if (said > PASSPHRASE.most) throw refuse(`A passphrase has at most ${PASSPHRASE.most} characters; this one has ${said}.`);
		if (new Set(passphrase).size < 5) throw refuse('This passphrase is easy to guess. Use several words.');
	}
	if (new Set(passphrases).size !== passphrases.length) throw refuse('Each main signing key needs a different passphrase.');
}
