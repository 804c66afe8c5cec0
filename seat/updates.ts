import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Metadata, MetadataKind, TargetFile } from '@tufjs/models';
import { Readable } from 'node:stream';
import { BaseFetcher, Updater } from 'tuf-js';
import { DownloadHTTPError, DownloadLengthMismatchError } from 'tuf-js/dist/error.js';
import { z } from 'zod';
import { LARGEST_FILE } from '../core/format/problem.ts';
import { Following, followingPath, OWN_ROLE, ownPath, releaseFor, releasePath } from '../core/release/updates.ts';
import { AnswerError, jsonOf } from './ask.ts';
import { saidIn, trustIn, type SeatSession } from './identity.ts';
import { isLink, readPlain, removeLinks, writePlain } from './plain-files.ts';

/** What the office offers cannot be trusted; the seat keeps what it has. The message says why, and what helps. */
export class RefusedError extends Error {
	override name = 'RefusedError';
}

/** What the seat is to have: the file with the release that it is of. */
export interface Wanted {
	readonly release: number | null;
	readonly file: Uint8Array | null;
	/** The version of the file of whoever sits there; null where it is the release itself. */
	readonly own: number | null;
	/** Options that the program takes up only when it is started anew. */
	readonly restart: readonly string[];
}

/** Most of metadata is small; no part of it may be longer, in bytes. */
const MOST = { rootMaxLength: 512_000, timestampMaxLength: 16_384, snapshotMaxLength: 2_000_000, targetsMaxLength: 5_000_000 };

/** The version of the seat's own file that was taken last, and the ids of the keys of its role, in order. */
const OwnVersion = z.object({ version: z.number(), keys: z.array(z.string()).optional() });
type OwnVersion = z.infer<typeof OwnVersion>;

const METADATA = '/api/updates/metadata';
const FILES = '/api/updates/files';

/** Gets what tuf-js asks for through the seat's own session: with its limits of time and length. */
class SessionFetcher extends BaseFetcher {
	readonly #session: SeatSession;

	constructor(session: SeatSession) {
		super();
		this.#session = session;
	}

	override fetch(): Promise<NodeJS.ReadableStream> {
		throw new Error('everything goes through downloadBytes');
	}

	override async downloadBytes(url: string, maxLength: number): Promise<Buffer> {
		const { pathname } = new URL(url);
		try {
			const answer = await this.#session.ask(pathname, { most: maxLength });
			if (answer.status === 404) throw new DownloadHTTPError(saidIn(answer), 404);
			if (!answer.ok) throw new Error(saidIn(answer));
			return Buffer.from(answer.bytes);
		} catch (error) {
			if (error instanceof AnswerError && /longer than/.test(error.message)) throw new DownloadLengthMismatchError(error.message);
			throw error;
		}
	}

	override async downloadFile<T>(url: string, maxLength: number, handler: (file: string) => Promise<T>): Promise<T> {
		const bytes = await this.downloadBytes(url, maxLength);
		return inOwnFolder(async (folder) => {
			const file = join(folder, 'file');
			writeFileSync(file, bytes);
			return handler(file);
		});
	}
}

/** Lends a folder that nobody else can write in, and that is gone afterwards. */
async function inOwnFolder<T>(work: (folder: string) => Promise<T>): Promise<T> {
	const folder = mkdtempSync(join(tmpdir(), 'skarn-'));
	try {
		return await work(folder);
	} finally {
		rmSync(folder, { recursive: true, force: true });
	}
}

/**
 * What the seat trusts of its office, kept in a folder of its own. The client workflow of The Update Framework (specification 1.0.34,
 * section 5) is that of tuf-js; here is what a seat does with it.
 */
export class Updates {
	readonly #folder: string;
	readonly #session: SeatSession;
	readonly #server: string;
	readonly #application: string;

	constructor(server: string, folder: string, application: string, session: SeatSession) {
		this.#server = server;
		this.#folder = trustIn(folder);
		this.#application = application;
		this.#session = session;
	}

	#path = (name: string): string => join(this.#folder, name);

	/** The version of the timestamp that the seat goes by, and until when it holds; undefined for none. */
	trusted(): { version: number; expires: string } | undefined {
		try {
			const { signed } = JSON.parse(readPlain(this.#path('timestamp.json'))!.toString('utf8')) as {
				signed: { version: number; expires: string };
			};
			return { version: signed.version, expires: signed.expires };
		} catch {
			return undefined;
		}
	}

	/**
	 * Brings the trusted metadata up to date and gets what the seat is to have. `known` are the bytes that it has of a digest already.
	 * Throws `RefusedError` for what cannot be trusted; what cannot be reached throws as it is.
	 */
	async wanted(ownVersion: number | null, known: (sha256: string) => Uint8Array | undefined): Promise<Wanted> {
		this.#keepRoot();
		const updater = new Updater({
			metadataDir: this.#folder,
			metadataBaseUrl: new URL(METADATA, this.#server).href,
			targetDir: this.#folder,
			targetBaseUrl: new URL(FILES, this.#server).href,
			fetcher: new SessionFetcher(this.#session),
			config: MOST
		});
		try {
			await updater.refresh();
			this.#keepRoot();
			const following = Following.parse(
				JSON.parse(Buffer.from(await this.#target(updater, followingPath(this.#application))).toString('utf8'))
			);
			if (following.application !== this.#application)
				throw new RefusedError(`the signed files are for ${following.application}, not for ${this.#application}`);
			const release = releaseFor(following, this.#session.seat);
			const { restart } = following;
			if (ownVersion !== null) return { release, restart, ...(await this.#own(release)) };
			if (release === null) return { release, file: null, own: null, restart };
			const info = await updater.getTargetInfo(releasePath(this.#application, release));
			const have = info && known(info.hashes['sha256'] ?? '');
			const file = have ?? (await this.#target(updater, releasePath(this.#application, release)));
			return { release, file, own: null, restart };
		} catch (error) {
			throw told(error);
		}
	}

	/** A signed file, with its length and digests held against the metadata. */
	async #target(updater: Updater, path: string): Promise<Uint8Array> {
		const info = await updater.getTargetInfo(path);
		if (!info) throw new RefusedError(`${path} is not signed`);
		if (info.length > LARGEST_FILE) throw new RefusedError(`${path} would have ${info.length} bytes, more than any file`);
		return inOwnFolder(async (folder) => readFileSync(await updater.downloadTarget(info, join(folder, 'target'))));
	}

	/** The file of whoever sits there: signed in the role `own-files`, to which targets has delegated it; never an older one than before. */
	async #own(release: number | null): Promise<{ file: Uint8Array; own: number }> {
		const answer = await this.#session.ask(`/api/seats/${this.#session.seat}/own`, { most: LARGEST_FILE });
		if (!answer.ok) throw new Error(saidIn(answer));
		const said = z.object({ metadata: z.string(), file: z.string() }).parse(jsonOf(answer));
		const targets = Metadata.fromJSON(MetadataKind.Targets, JSON.parse(readPlain(this.#path('targets.json'))!.toString('utf8')));
		const own = Metadata.fromJSON(MetadataKind.Targets, JSON.parse(said.metadata));
		targets.verifyDelegate(OWN_ROLE, own);
		if (own.signed.isExpired(new Date()))
			throw new RefusedError(`the file for ${this.#session.seat} was signed until ${own.signed.expires}`);
		const keys = (targets.signed.delegations?.roles?.[OWN_ROLE]?.keyIDs ?? []).toSorted();
		const before = this.#ownVersion(keys);
		if (own.signed.version < before)
			throw new RefusedError(
				`version ${own.signed.version} of the file for ${this.#session.seat} is older than version ${before}, which this seat has had`
			);
		const target: TargetFile | undefined = own.signed.targets[ownPath(this.#session.seat)];
		if (!target) throw new RefusedError(`the signed file is not that of ${this.#session.seat}`);
		const { application, release: of } = target.custom as { application?: unknown; release?: unknown };
		if (application !== this.#application)
			throw new RefusedError(`the signed file is of ${String(application)}, not of ${this.#application}`);
		if ((of ?? null) !== release)
			throw new AnswerError(
				`the file for ${this.#session.seat} is of release ${String(of ?? 'none')}, its ring follows ${release ?? 'none'}; it will be asked for again`
			);
		const file = Buffer.from(said.file, 'utf8');
		await target.verify(Readable.from([file]));
		writePlain(this.#path('own-version.json'), JSON.stringify({ version: own.signed.version, keys } satisfies OwnVersion));
		return { file, own: own.signed.version };
	}

	/**
	 * The version that the seat has had, which none may be older than. Like those of timestamp and snapshot it is forgotten with the keys that
	 * have signed it (The Update Framework 1.0.34, 5.3.11): whoever had stolen one may have counted far ahead.
	 */
	#ownVersion(keys: readonly string[]): number {
		try {
			const kept = OwnVersion.parse(JSON.parse(readPlain(this.#path('own-version.json'))!.toString('utf8')));
			return kept.keys && kept.keys.join() !== keys.join() ? 0 : kept.version;
		} catch {
			return 0;
		}
	}

	/** A copy of the root that was read last, for when a process ends while it writes the next one. */
	#keepRoot(): void {
		if (isLink(this.#folder))
			throw new RefusedError(`${this.#folder} is a link, which is not followed; remove it, and start the seat once with --code`);
		mkdirSync(this.#folder, { recursive: true });
		// tuf-js writes where a link leads
		removeLinks(this.#folder);
		const copy = this.#path('root.kept.json');
		const kept = readPlain(copy);
		try {
			const root = readPlain(this.#path('root.json'))!;
			JSON.parse(root.toString('utf8'));
			if (!kept?.equals(root)) writePlain(copy, root);
		} catch {
			if (!kept)
				throw new RefusedError(
					'the main signing key that this seat trusts is missing; ask a steward for a code, and start the seat once with --code'
				);
			writePlain(this.#path('root.json'), kept);
		}
	}
}

/** By the name of an error of tuf-js what has happened, in words that help. */
const WORDS: readonly [RegExp, string][] = [
	[/was signed by|UnsignedMetadata/i, 'it is not signed with the signing keys of this office'],
	[
		/timestamp\.json is expired/i,
		'the signed information has expired without an update; someone may be holding back new releases'
	],
	[/expired/i, 'the signature has expired; a steward can renew it in Rollout'],
	[
		/less than current version|Expected version|older than/i,
		'it is older than the installed version; someone may be replaying an old release'
	],
	[/does not match (snapshot|timestamp)|doesn't match|Missing file/i, 'its parts do not belong together'],
	[/hash|length|longer than/i, 'it differs from the signed file'],
	[/JSON|is not defined|must be|expected|Unsupported/i, 'it cannot be read']
];

function told(error: unknown): Error {
	if (error instanceof RefusedError || error instanceof AnswerError) return error;
	const { message } = error as Error;
	const cause = message.replace(/^Unable to load snapshot metadata error (Error: )?/, '');
	if (/said nothing|too slowly|cannot be reached|fetch failed|ECONN|terminated|socket/i.test(cause))
		return new AnswerError(cause);
	const words = WORDS.find(([pattern]) => pattern.test(cause));
	return words ? new RefusedError(`${words[1]} (${cause})`) : (error as Error);
}
