import { createHash } from 'node:crypto';
import type { ApplicationId } from '../../../core/application/application.ts';
import { and, asc, eq, max } from 'drizzle-orm';
import { profileFile, strataInFile, writeProfileFile } from '../../../core/hand-over/profile-file.ts';
import { FIRST, type Person } from '../../../core/people/person.ts';
import { inUsualOrder } from '../../../core/people/setup.ts';
import { officeOf, type Profile, type Stratum, type StratumId } from '../../../core/strata/stratum.ts';
import { saidIn } from '../../../core/hand-over/selection.ts';
import type { Release } from '../../../core/release/release.ts';
import type { Database } from './db/open.ts';
import { applications, releases } from './db/schema.ts';
import { Problem } from './problem.ts';
import type { Turns } from './db/turns.ts';
import type { Profiles } from './profiles.ts';
import type { Rollouts } from './rollouts.ts';

const sha256 = (text: string) => createHash('sha256').update(text, 'utf8').digest('hex');

/** Frozen, numbered states of an application's office stratum, and the one that seats follow. */
export class Releases {
	readonly #db: Database;
	readonly #profiles: Profiles;
	readonly #read = new Map<string, Profile>();
	readonly #rollouts: Rollouts;
	readonly #turns: Turns;

	constructor(db: Database, profiles: Profiles, rollouts: Rollouts, turns: Turns) {
		this.#db = db;
		this.#profiles = profiles;
		this.#rollouts = rollouts;
		this.#turns = turns;
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
			releases: rows.map(({ file: _, at, ...release }) => ({
				...release,
				application: release.application as ApplicationId,
				at: new Date(at).toISOString()
			}))
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

	/** The strata as a release has them. What is frozen is read once. Throws `Problem` 404. */
	async strata(application: string, number: number): Promise<Profile> {
		const place = `${application}/${number}`;
		let known = this.#read.get(place);
		if (known === undefined) {
			const { file } = await this.file(application, number);
			known = strataInFile(`release ${number}`, file);
			if (this.#read.size >= MOST_READ) this.#read.clear();
			this.#read.set(place, known);
		}
		return known;
	}

	/** The strata as the release has them that seats follow; none before the first. */
	async followedStrata(application: string): Promise<Profile> {
		const { channel } = await this.list(application);
		return channel === null ? [] : this.strata(application, channel);
	}

	/** The office stratum among them; null before the first. */
	async followed(application: string): Promise<Stratum | null> {
		return officeOf(await this.followedStrata(application)) ?? null;
	}

	/**
	 * Freezes strata of the office as the next release, the office stratum always among them, and lets the first ring follow it. Two
	 * that publish at once do it one after the other. Throws `Problem` 409 if the latest release says the same, 422 for strata that
	 * cannot be released.
	 */
	publish(
		application: string,
		notes: string,
		base: number,
		person: Person = FIRST,
		{ now = new Date(), strata = [] }: { now?: Date; strata?: readonly StratumId[] } = {}
	): Promise<Release> {
		return this.#turns.take(`publish ${application}`, () => this.#publish(application, notes, base, person, now, strata));
	}

	async #publish(
		application: string,
		notes: string,
		base: number,
		{ id: by }: Person,
		now: Date,
		wanted: readonly StratumId[]
	): Promise<Release> {
		const workspace = await this.#profiles.load(application);
		const office = officeOf(workspace.profile);
		if (!office) throw new Problem(422, 'not-sound', 'This profile has no office level to publish.');
		const frozen = releasable(workspace.profile, wanted);
		if (base > workspace.revision || frozen.some(({ id }) => (workspace.revisions.get(id) ?? 0) > base))
			throw new Problem(
				409,
				'stale-revision',
				`The profile has changed (revision ${workspace.revision}, you saw ${base}). Reload and review it before you publish.`
			);
		const textOf = (strata: Profile) => writeProfileFile(profileFile(workspace.application, strata));
		const file = textOf(frozen);
		const { channel } = await this.list(application);
		const followed = channel === null ? [] : await this.strata(application, channel);
		// by what it says: a release of an earlier Skarn is written in another way, and strata may be called otherwise since
		const named = followed.map((one) => ({ ...one, name: frozen.find(({ id }) => id === one.id)?.name ?? one.name }));
		if (textOf(named) === file)
			throw new Problem(
				409,
				'nothing-to-do',
				`${frozen.length === 1 ? 'The office level is' : 'These levels are'} the same as in release ${channel}, which the seats already have. There is nothing to publish.`
			);
		const [last] = await this.#db
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
			entries: [...saidIn(frozen)].length,
			strata: frozen.map(({ id }) => id)
		};
		// the release, the course of its rings and the signature are one transaction (docs/decisions/0027)
		await this.#rollouts.begin(
			application,
			release.number,
			async (tx) => void (await tx.insert(releases).values({ ...release, file })),
			now
		);
		return release;
	}

	/** Lets all seats follow another release at once, as when going back to a former one. Throws `Problem` 404. */
	async setChannel(application: string, number: number): Promise<void> {
		await this.file(application, number);
		await this.#rollouts.backTo(application, number);
	}
}

/** So many releases are kept read. */
const MOST_READ = 20;

/** The office stratum and those that are wanted besides, as they lie on each other. Throws `Problem` 422. */
function releasable(profile: Profile, wanted: readonly StratumId[]): Profile {
	for (const id of wanted) {
		const found = profile.find((stratum) => stratum.id === id);
		if (!found || found.kind === 'factory' || found.kind === 'personal')
			throw new Problem(
				422,
				'not-sound',
				found ? `${found.name} is never released; expected the office, a discipline or a project.` : `There is no level "${id}".`,
				{ errors: [{ pointer: '/strata', detail: 'expected levels of the office' }] }
			);
	}
	return inUsualOrder(profile.filter(({ id, kind }) => kind === 'office' || wanted.includes(id)));
}
