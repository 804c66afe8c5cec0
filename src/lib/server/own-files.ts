import { and, eq } from 'drizzle-orm';
import { profileFile, writeProfileFile } from '../../../core/hand-over/profile-file.ts';
import { canonicalText } from '../../../core/format/canonical.ts';
import { folded } from '../../../core/release/folded.ts';
import { followedBy, ONE_RING } from '../../../core/release/rings.ts';
import { officeOf, type Profile, type StratumId } from '../../../core/strata/stratum.ts';
import type { Database } from './db/open.ts';
import { rollouts, seats as table } from './db/schema.ts';
import type { People } from './people/people.ts';
import type { Workspace } from './profile/workspace.ts';
import type { Profiles } from './profiles.ts';
import type { Releases } from './releases.ts';
import type { Seats } from './seats.ts';
import type { Setups } from './setups.ts';
import type { Signing } from './signing/signing.ts';

interface Offices {
	readonly people: People;
	readonly profiles: Profiles;
	readonly releases: Releases;
	readonly seats: Seats;
	readonly setups: Setups;
	readonly signing: Signing;
}

/**
 * The files of seats at which somebody sits: the fold of what is released and of what is that person's own, in the order of their
 * setup. What they change of their own follows at once; strata of the office follow with their releases.
 */
export class OwnFiles {
	readonly #db: Database;
	readonly #of: Offices;

	constructor(db: Database, of: Offices) {
		this.#db = db;
		this.#of = of;
	}

	/** The version of the seat's file, made and signed anew where what it is made of has changed; null where nobody sits. */
	async version(seat: string): Promise<number | null> {
		const { people, profiles, releases, seats, setups, signing } = this.#of;
		const sitting = await seats.sitting(seat);
		if (!sitting) return null;
		const { application } = sitting;
		const person = (await people.list()).find(({ id, leftAt }) => id === sitting.person && leftAt === null);
		if (!person) return null;
		const workspace = await profiles.load(application);
		const setup = await setups.look(application, person, sitting.setup);
		const release = await this.#followed(application, seat);
		const released = release === null ? [] : await releases.strata(application, release);
		const own = new Set(workspace.profile.filter(({ id }) => workspace.owners.get(id) === person.id).map(({ id }) => id));
		const chosen = setup.strata.flatMap(
			(id) => (own.has(id) ? workspace.profile : released).find((stratum) => stratum.id === id) ?? []
		);
		const of = canonicalText({
			application,
			release,
			setup: [setup.name, setup.strata],
			own: setup.strata.filter((id) => own.has(id)).map((id) => [id, workspace.revisions.get(id) ?? 0])
		});
		const file = () => this.#fileOf(seat, setup.name, workspace, chosen);
		return signing.signOwn(seat, application, release, of, file);
	}

	#fileOf(seat: string, setup: string, { application, profile, space }: Workspace, chosen: Profile): string {
		const lies: Profile = [...profile.filter(({ kind }) => kind === 'factory'), ...chosen];
		const head = {
			...(officeOf(profile) ?? { id: 'office' as StratumId }),
			kind: 'office' as const,
			name: `${seat}, ${setup}`.slice(0, 60)
		};
		const fold = folded(lies, head, { space, rules: application.rules });
		return writeProfileFile(profileFile(application, [fold]));
	}

	async #followed(application: string, seat: string): Promise<number | null> {
		const [row] = await this.#db.select().from(rollouts).where(eq(rollouts.application, application));
		const [at] = await this.#db
			.select({ ring: table.ring })
			.from(table)
			.where(and(eq(table.id, seat), eq(table.application, application)));
		return followedBy(row?.rings ?? ONE_RING, row?.course ?? null, at?.ring ?? null);
	}
}
