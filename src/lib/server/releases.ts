import { createHash } from 'node:crypto';
import { and, asc, eq, max } from 'drizzle-orm';
import type { Role } from '../../../core/profile/role.ts';
import { canonicalText } from '../../../core/format/canonical.ts';
import { profileFile, writeProfileFile } from '../../../core/hand-over/profile-json.ts';
import type { Release } from '../../../core/release/release.ts';
import type { Database } from './db/open.ts';
import { applications, releases } from './db/schema.ts';
import { Problem } from './problem.ts';
import type { Profiles } from './profiles.ts';

const sha256 = (text: string) => createHash('sha256').update(text, 'utf8').digest('hex');

/** Frozen, numbered states of an application's office stratum, and the one that seats follow. */
export class Releases {
	readonly #db: Database;
	readonly #profiles: Profiles;

	constructor(db: Database, profiles: Profiles) {
		this.#db = db;
		this.#profiles = profiles;
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

	/** Freezes the office stratum as the next release and lets the seats follow it. Throws `Problem` 409 if nothing changed. */
	async publish(application: string, role: Role, notes: string, base: number, now = new Date()): Promise<Release> {
		const workspace = await this.#profiles.load(application);
		if (workspace.revision !== base)
			throw new Problem(
				409,
				'stale-revision',
				`The profile stands at revision ${workspace.revision}, you looked at ${base}. Reload and look again before you publish.`
			);
		const office = workspace.profile.find((s) => s.kind === 'office');
		if (!office) throw new Problem(422, 'not-sound', 'This profile has no office stratum to publish.');
		const file = writeProfileFile(profileFile(workspace.application, [office]));
		const digest = sha256(file);
		return this.#db.transaction(async (tx) => {
			const [last] = await tx
				.select({ number: max(releases.number) })
				.from(releases)
				.where(eq(releases.application, application));
			const number = (last?.number ?? 0) + 1;
			const [before] = await tx
				.select({ number: releases.number, file: releases.file })
				.from(releases)
				.where(and(eq(releases.application, application), eq(releases.number, number - 1)));
			// by what it says: a release of an earlier Skarn may have the members of its parts in another order
			if (before && canonicalText(JSON.parse(before.file)) === canonicalText(JSON.parse(file)))
				throw new Problem(
					409,
					'nothing-to-do',
					`The office stratum is the same as in release ${before.number}. Change something before you publish.`
				);
			const release = {
				application: workspace.application.id,
				number,
				at: now.toISOString(),
				role,
				notes,
				sha256: digest,
				bytes: Buffer.byteLength(file, 'utf8'),
				entries: office.entries.size
			};
			await tx.insert(releases).values({ ...release, file });
			await tx.update(applications).set({ channel: number }).where(eq(applications.id, application));
			return release;
		});
	}

	/** Lets the seats follow another release, as when going back to the former one. Throws `Problem` 404. */
	async setChannel(application: string, number: number): Promise<void> {
		await this.file(application, number);
		await this.#db.update(applications).set({ channel: number }).where(eq(applications.id, application));
	}
}
