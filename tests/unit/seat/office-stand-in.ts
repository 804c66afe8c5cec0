import { createHash, generateKeyPairSync, sign, verify, createPublicKey, type KeyObject } from 'node:crypto';
import { once } from 'node:events';
import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http';

/*
 * An office that can be made to lie. It signs by itself after the text of The Update Framework's specification (1.0.34, sections 4 and 6.2), with
 * nothing of the server that it stands for, so that what a seat takes and refuses is held against the specification.
 */

export const sha256 = (text: string): string => createHash('sha256').update(text, 'utf8').digest('hex');

/** Canonical JSON after the specification's reference (sorted members, no blanks, only quotes and backslashes escaped). */
function canonical(value: unknown): string {
	if (typeof value === 'string') return `"${value.replaceAll('\\', '\\\\').replaceAll('"', '\\"')}"`;
	if (Array.isArray(value)) return `[${value.map(canonical).join(',')}]`;
	if (value !== null && typeof value === 'object')
		return `{${Object.entries(value)
			.sort(([a], [b]) => (a < b ? -1 : 1))
			.map(([name, member]) => `${canonical(name)}:${canonical(member)}`)
			.join(',')}}`;
	return JSON.stringify(value);
}

export interface Key {
	readonly id: string;
	readonly public: object;
	readonly private: KeyObject;
}

export function makeKey(): Key {
	const { privateKey, publicKey } = generateKeyPairSync('ed25519');
	const hex = publicKey.export({ format: 'der', type: 'spki' }).subarray(-32).toString('hex');
	const said = { keytype: 'ed25519', scheme: 'ed25519', keyval: { public: hex } };
	return { id: sha256(canonical(said)), public: said, private: privateKey };
}

export type Signed = Record<string, unknown> & { version: number; expires: string };

export function signed(said: Signed, keys: readonly Key[]): string {
	const signatures = keys.map((key) => ({
		keyid: key.id,
		sig: sign(null, Buffer.from(canonical(said)), key.private).toString('hex')
	}));
	return JSON.stringify({ signatures, signed: said });
}

const later = (seconds: number): string => new Date(Date.now() + seconds * 1000).toISOString().replace(/\.\d+Z$/, 'Z');
const fileOf = (text: string) => ({ length: Buffer.byteLength(text), hashes: { sha256: sha256(text) } });

export interface Report {
	readonly state: string;
	readonly release: number | null;
	readonly message: string;
	readonly differences: readonly string[];
	readonly restart: readonly string[];
}

type Answerer = (request: IncomingMessage, response: ServerResponse) => boolean;

/** What the office would like its seats to have; the next `write` signs it. */
export interface Wish {
	/** The texts of releases by number. */
	releases: Record<number, string>;
	follows: number | null;
	restart?: string[];
}

export class OfficeStandIn {
	readonly seat = 'C-01';
	readonly application: string;
	readonly keys: Record<'root' | 'targets' | 'snapshot' | 'timestamp' | 'app' | 'own', Key[]> = {
		root: [makeKey(), makeKey()],
		targets: [makeKey()],
		snapshot: [makeKey()],
		timestamp: [makeKey()],
		app: [makeKey()],
		own: [makeKey()]
	};
	readonly versions = { root: 0, targets: 0, snapshot: 0, timestamp: 0, app: 0 };
	readonly metadata = new Map<string, string>();
	readonly files = new Map<string, string>();
	readonly reports: Report[] = [];
	readonly drifts: string[] = [];
	/** Answers before the office does, where it gives true. */
	lie: Answerer = () => false;
	restore = false;
	/** Which timestamp the check-in speaks of; the newest if not said. */
	says: number | null | undefined;
	/** The signed file of who sits at the seat, while somebody does. */
	own: { version: number; metadata: string; file: string } | undefined;
	/** Another key that a seat has given with the code. */
	seatKey: string | undefined;
	threshold = 2;
	#server: Server | undefined;
	#token = 'none';
	#lastReport: string | null = null;

	constructor(application: string) {
		this.application = application;
	}

	/** Signs another root: with the keys that it names, and those of before. */
	writeRoot(before: readonly Key[] = [], seconds = 3600): void {
		const version = ++this.versions.root;
		const { root, targets, snapshot, timestamp } = this.keys;
		const role = (keys: readonly Key[], threshold = 1) => ({ keyids: keys.map(({ id }) => id), threshold });
		const all = [...root, ...targets, ...snapshot, ...timestamp];
		const said: Signed = {
			_type: 'root',
			spec_version: '1.0.34',
			version,
			expires: later(seconds),
			consistent_snapshot: true,
			keys: Object.fromEntries(all.map((key) => [key.id, key.public])),
			roles: {
				root: role(root, this.threshold),
				targets: role(targets),
				snapshot: role(snapshot),
				timestamp: role(timestamp)
			}
		};
		const keys = [...new Map([...before, ...root].map((key) => [key.id, key])).values()];
		this.metadata.set(`${version}.root.json`, signed(said, keys));
	}

	/** Signs what is wished, with the next versions of all roles. */
	write(wish: Wish, { timestampFor = 3600, snapshotFor = 3600 } = {}): void {
		const { application: app } = this;
		const follows = canonical({
			application: app,
			rings: [{ id: 'everyone', name: 'Everyone', release: wish.follows }],
			seats: {},
			restart: wish.restart ?? []
		});
		const paths: Record<string, string> = { [`${app}/follows.json`]: follows };
		for (const [number, text] of Object.entries(wish.releases)) paths[`${app}/${number}.json`] = text;
		const targets = Object.fromEntries(Object.entries(paths).map(([path, text]) => [path, fileOf(text)]));
		for (const [path, text] of Object.entries(paths)) {
			const [folder, name] = path.split('/') as [string, string];
			this.files.set(`${folder}/${sha256(text)}.${name}`, text);
		}
		this.writeApp(targets);
		this.writeTargets();
		this.writeSnapshot(snapshotFor);
		this.writeTimestamp(timestampFor);
	}

	writeApp(targets: object, keys: readonly Key[] = this.keys.app): void {
		const version = ++this.versions.app;
		const said: Signed = { _type: 'targets', spec_version: '1.0.34', version, expires: later(3600), targets };
		this.metadata.set(`${version}.app.${this.application}.json`, signed(said, keys));
	}

	/** Signs a file for who sits at the seat. */
	writeOwn(version: number, file: string, release: number): void {
		const custom = { application: this.application, release };
		const targets = { [`own-files/${this.seat}.json`]: { ...fileOf(file), custom } };
		const said: Signed = { _type: 'targets', spec_version: '1.0.34', version, expires: later(3600), targets };
		this.own = { version, metadata: signed(said, this.keys.own), file };
	}

	writeTargets(): void {
		const version = ++this.versions.targets;
		const { app, own } = this.keys;
		const role = (name: string, keys: readonly Key[], path: string) => ({
			name,
			keyids: keys.map(({ id }) => id),
			threshold: 1,
			terminating: true,
			paths: [path]
		});
		const name = `app.${this.application}`;
		const said: Signed = {
			_type: 'targets',
			spec_version: '1.0.34',
			version,
			expires: later(3600),
			targets: {},
			delegations: {
				keys: Object.fromEntries([...app, ...own].map((key) => [key.id, key.public])),
				roles: [role('own-files', own, 'own-files/*'), role(name, app, `${this.application}/*`)]
			}
		};
		this.metadata.set(`${version}.targets.json`, signed(said, this.keys.targets));
	}

	writeSnapshot(seconds = 3600, over: Record<string, { version: number }> = {}): void {
		const version = ++this.versions.snapshot;
		const meta = {
			'targets.json': { version: this.versions.targets },
			[`app.${this.application}.json`]: { version: this.versions.app },
			...over
		};
		const said: Signed = { _type: 'snapshot', spec_version: '1.0.34', version, expires: later(seconds), meta };
		this.metadata.set(`${version}.snapshot.json`, signed(said, this.keys.snapshot));
	}

	writeTimestamp(seconds = 3600, over: { version?: number; snapshot?: number } = {}): void {
		const version = over.version ?? ++this.versions.timestamp;
		const snapshot = over.snapshot ?? this.versions.snapshot;
		const text = this.metadata.get(`${snapshot}.snapshot.json`)!;
		const said: Signed = {
			_type: 'timestamp',
			spec_version: '1.0.34',
			version,
			expires: later(seconds),
			meta: { 'snapshot.json': { version: snapshot, ...fileOf(text) } }
		};
		this.metadata.set('timestamp.json', signed(said, this.keys.timestamp));
	}

	/** The code by which a workstation becomes its seat. */
	get code(): string {
		return `AAAA-BBBB-CCCC-${sha256(this.metadata.get('1.root.json')!).slice(0, 20)}`;
	}

	async listen(): Promise<string> {
		this.#server = createServer((request, response) => {
			if (!this.lie(request, response)) void this.#answer(request, response);
		}).listen(0, '127.0.0.1');
		await once(this.#server, 'listening');
		return `http://127.0.0.1:${(this.#server.address() as { port: number }).port}`;
	}

	close(): void {
		this.#server?.closeAllConnections();
		this.#server?.close();
	}

	async #answer(request: IncomingMessage, response: ServerResponse): Promise<void> {
		const json = (value: unknown, status = 200) => {
			response.writeHead(status, { 'content-type': 'application/json' });
			response.end(JSON.stringify(value));
		};
		const text = (found: string | undefined) =>
			found === undefined ? json({ detail: 'not there' }, 404) : void response.end(found);
		const parts: Buffer[] = [];
		for await (const part of request) parts.push(part as Buffer);
		const raw = Buffer.concat(parts).toString('utf8');
		const path = request.url!;
		if (path === '/api/enrolments') {
			const { code, key } = JSON.parse(raw) as { code: string; key: string };
			if (code !== this.code) return json({ detail: 'This code was used.' }, 404);
			this.seatKey = key;
			return json({ seat: this.seat, application: this.application, root: this.metadata.get('1.root.json') }, 201);
		}
		if (path === `/api/seats/${this.seat}/session`) {
			if (request.method === 'GET') return json({ challenge: 'this minute' });
			const { signature } = JSON.parse(raw) as { signature: string };
			const der = Buffer.concat([Buffer.from('302a300506032b6570032100', 'hex'), Buffer.from(this.seatKey ?? '', 'hex')]);
			const isIt = verify(
				null,
				Buffer.from(`skarn seat ${this.seat} signs in: this minute`),
				createPublicKey({ key: der, format: 'der', type: 'spki' }),
				Buffer.from(signature, 'hex')
			);
			if (!isIt) return json({ detail: 'This is not the key.' }, 401);
			this.#token = sha256(`${Date.now()}`);
			return json({ token: this.#token });
		}
		if (request.headers.authorization !== `Seat ${this.#token}`) return json({ detail: 'Sign in.' }, 401);
		if (path.endsWith('/check-in')) {
			const newest = this.versions.timestamp;
			return json({
				application: this.application,
				timestamp: this.says !== undefined ? this.says : newest === 0 ? null : newest,
				own: this.own?.version ?? null,
				restore: this.restore,
				report: this.#lastReport
			});
		}
		if (path.endsWith('/own') && this.own) return json({ metadata: this.own.metadata, file: this.own.file });
		if (path.endsWith('/reports')) {
			this.reports.push(JSON.parse(raw) as Report);
			// a report is known by the first 8 bytes of the digest of its canonical form (RFC 8785)
			this.#lastReport = sha256(sorted(JSON.parse(raw))).slice(0, 16);
			if (this.reports.at(-1)!.state === 'installed') this.restore = false;
			return void response.writeHead(204).end();
		}
		if (path.endsWith('/drift')) {
			this.drifts.push((JSON.parse(raw) as { text: string }).text);
			return void response.writeHead(204).end();
		}
		const [, kind, rest] = /^\/api\/updates\/(metadata|files)\/(.+)$/.exec(path) ?? [];
		return text((kind === 'files' ? this.files : this.metadata).get(decodeURIComponent(rest ?? '')));
	}
}

/** RFC 8785 for what reports are made of. */
function sorted(value: unknown): string {
	if (Array.isArray(value)) return `[${value.map(sorted).join(',')}]`;
	if (value === null || typeof value !== 'object') return JSON.stringify(value);
	return `{${Object.entries(value)
		.sort(([a], [b]) => (a < b ? -1 : 1))
		.map(([name, member]) => `${JSON.stringify(name)}:${sorted(member)}`)
		.join(',')}}`;
}
