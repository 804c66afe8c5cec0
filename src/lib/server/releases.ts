import { createHash } from 'node:crypto';
import { and, asc, eq, max } from 'drizzle-orm';
import { officeOfFile, profileFile, readProfileFile, writeProfileFile } from '../../../core/hand-over/profile-file.ts';
import { FIRST, type Person } from '../../../core/people/person.ts';
import { officeOf, type Profile, type Stratum, type StratumId } from '../../../core/strata/stratum.ts';
import { saidIn } from '../../../core/hand-over/selection.ts';
import type { Release } from '../../../core/release/release.ts';
import type { Database } from './db/open.ts';
import { applications, releases } from './db/schema.ts';
import { Problem } from './problem.ts';
import { writableStratum, type Profiles } from './profiles.ts';

const sha256 = (text: string) => createHash('sha256').update(text, 'utf8').digest('hex');

/** Frozen, numbered states of an application's office stratum, and the one that seats follow. */
export class Releases {
	readonly #db: Database;
	readonly #profiles: Profiles;
	readonly #read = new Map<string, Stratum | null>();

	readonly #moved: () => void;

	/** `moved` is called when seats are to follow another release. */
	constructor(db: Database, profiles: Profiles, moved: () => void = () => {}) {
		this.#db = db;
		this.#profiles = profiles;
		this.#moved = moved;
	}

	async list(application: string): Promise<{ channel: number | null; releases: Release[] }> {
		await this.#profiles.load(application);
		const [row] = await this.#db
			.select({ channel: applications.channel })
			.from(applications)
			.where(eq(applications.id, application));
		const rows = await this.#db
			.select()
			.from(releases)
			.where(eq(releases.application, application))
			.orderBy(asc(releases.number));
		return {
			channel: row?.channel ?? null,
			releases: rows.map(({ file: _, at, ...release }) => ({ ...release, at: new Date(at).toISOString() }) as Release)
		};
	}

	/** The file of a release, as it was frozen. Throws `Problem` 404. */
	async file(application: string, number: number): Promise<{ file: string; sha256: string }> {
		const [row] = await this.#db
			.select({ file: releases.file, sha256: releases.sha256 })
			.from(releases)
			.where(and(eq(releases.application, application), eq(releases.number, number)));
		if (!row) throw new Problem(404, 'not-found', `${application} has no release ${number}.`);
		return row;
	}

	/** The office stratum as a release has it. What is frozen is read once. Throws `Problem` 404. */
	async office(application: string, number: number): Promise<Stratum | null> {
		const place = `${application}/${number}`;
		let known = this.#read.get(place);
		if (known === undefined) {
			const { file } = await this.file(application, number);
			known = officeOfFile(readProfileFile(`release ${number}`, file)) ?? null;
			if (this.#read.size >= MOST_READ) this.#read.clear();
			this.#read.set(place, known);
		}
		return known;
	}

	/** The office stratum as the release has it that seats follow; null before the first. */
	async followed(application: string): Promise<Stratum | null> {
		const { channel } = await this.list(application);
		return channel === null ? null : this.office(application, channel);
	}

	/**
	 * Freezes the office stratum as the next release and lets the seats follow it; `stratum` is the one that is written to. Throws
	 * `Problem` 403 for somebody who writes to a stratum of their own, 409 if the release that seats follow says the same.
	 */
	async publish(
		application: string,
		stratum: StratumId,
		notes: string,
		base: number,
		{ id: by }: Person = FIRST,
		now = new Date()
	): Promise<Release> {
		const workspace = await this.#profiles.load(application);
		refuseOwn(workspace.profile, stratum);
		const office = officeOf(workspace.profile);
		if (!office) throw new Problem(422, 'not-sound', 'This profile has no office stratum to publish.');
		if (base > workspace.revision || (workspace.revisions.get(office.id) ?? 0) > base)
			throw new Problem(
				409,
				'stale-revision',
				`The profile stands at revision ${workspace.revision}, you looked at ${base}. Reload and look again before you publish.`
			);
		const textOf = (one: Stratum) => writeProfileFile(profileFile(workspace.application, [{ ...one, name: office.name }]));
		const file = textOf(office);
		const { channel } = await this.list(application);
		const followed = await this.followed(application);
		// by what it says: a release of an earlier Skarn is written in another way
		if (followed && textOf(followed) === file)
			throw new Problem(
				409,
				'nothing-to-do',
				`The office stratum is the same as in release ${channel}, which the seats follow. Change something before you publish.`
			);
		const made = await this.#db.transaction(async (tx) => {
			const [last] = await tx
				.select({ number: max(releases.number) })
				.from(releases)
				.where(eq(releases.application, application));
			const release = {
				application: workspace.application.id,
				number: (last?.number ?? 0) + 1,
				at: now.toISOString(),
				role: 'steward' as const,
				by,
				notes,
				sha256: sha256(file),
				bytes: Buffer.byteLength(file, 'utf8'),
				entries: [...saidIn([office])].length
			};
			await tx.insert(releases).values({ ...release, file });
			await tx.update(applications).set({ channel: release.number }).where(eq(applications.id, application));
			return release;
		});
		this.#moved();
		return made;
	}

	/** Lets the seats follow another release, as when going back to the former one. Throws `Problem` 403 as `publish`, or 404. */
	async setChannel(application: string, stratum: StratumId, number: number): Promise<void> {
		refuseOwn((await this.#profiles.load(application)).profile, stratum);
		await this.file(application, number);
		await this.#db.update(applications).set({ channel: number }).where(eq(applications.id, application));
		this.#moved();
	}
}

/** So many releases are kept read. */
const MOST_READ = 20;

/** Releases are the steward's. Throws `Problem` 403. */
function refuseOwn(profile: Profile, stratum: StratumId): void {
	const from = writableStratum(profile, stratum);
	if (from.kind === 'personal')
		throw new Problem(
			403,
			'not-yours',
			`Releases are the steward's; you write to ${from.name}. Write to a stratum of the office.`
		);
}
