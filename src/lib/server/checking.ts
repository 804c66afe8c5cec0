import type { Circumstances } from '../../../core/check/circumstances.ts';
import { asReleased, circumstancesOf } from '../../../core/profile/circumstances.ts';
import { findingsIn } from '../../../core/profile/checkers.ts';
import { goingOut, heldBy, listName } from '../../../core/release/held.ts';
import { chapterOf } from '../../../core/profile/chapters.ts';
import { desksOf } from '../../../core/keyboard/desk.ts';
import { ACCEPTANCES, type AcceptanceEntry } from '../../../core/chapters/acceptances/acceptance.ts';
import type { KeyedChange } from '../../../core/strata/change.ts';
import type { AnyChange } from '../../../core/chapter/chapter.ts';
import { profileOf } from '../../../core/people/setup.ts';
import { published, type Profile, type StratumId } from '../../../core/strata/stratum.ts';
import { Problem } from './problem.ts';
import type { Profiles } from './profiles.ts';
import type { Releases } from './releases.ts';
import type { Seats } from './seats.ts';
import type { Setups } from './setups.ts';

/** The check engine over what the data folder holds: it guards what may be accepted and what may be published. */
export class Checking {
	readonly #profiles: Profiles;
	readonly #releases: Releases;
	readonly #seats: Seats;
	readonly #setups: Setups;

	constructor(profiles: Profiles, releases: Releases, seats: Seats, setups: Setups) {
		this.#profiles = profiles;
		this.#releases = releases;
		this.#seats = seats;
		this.#setups = setups;
	}

	/** What a check looks at, read once: `over` takes the strata that it is to be of. */
	async #held(application: string, seen?: readonly StratumId[]) {
		const [workspace, released, desks] = await Promise.all([
			this.#profiles.load(application),
			this.#releases.followed(application),
			this.#seats.desks(application)
		]);
		return {
			profile: seen ? profileOf(workspace.profile, seen) : workspace.profile,
			released,
			over: (profile: Profile): Circumstances => circumstancesOf(workspace, profile, desksOf(desks), released)
		};
	}

	/**
	 * Throws `Problem` 422 if an acceptance is of a finding that neither the whole profile nor what goes out has. What comes with
	 * other changes, as from a file or from a point of the history, may be out of date: then it says nothing.
	 */
	async refuseGoneFindings(application: string, changes: readonly AnyChange[], seen?: readonly StratumId[]): Promise<void> {
		const wanted = changes.flatMap((change, i) => {
			const acceptance = change.chapter === ACCEPTANCES ? (change as unknown as KeyedChange<AcceptanceEntry>).after : null;
			return acceptance ? [{ i, acceptance }] : [];
		});
		if (wanted.length === 0 || changes.some((change) => change.chapter !== ACCEPTANCES)) return;
		let gone = wanted;
		const { profile, over, released } = await this.#held(application, seen);
		for (const strata of [profile, published(profile)]) {
			const found = findingsIn({
				circumstances: over(strata),
				profile: strata,
				released: released ? asReleased(published(strata), released) : undefined
			});
			const there = new Set(found.map((finding) => finding.id));
			gone = gone.filter(({ acceptance }) => !there.has(acceptance.finding));
			if (gone.length === 0) return;
		}
		throw new Problem(422, 'not-sound', 'The finding no longer exists. Check Findings again; nothing was saved.', {
			errors: gone.map(({ i }) => ({ pointer: `/changes/${i}/after/finding`, detail: 'no such finding now' }))
		});
	}

	/**
	 * Throws `Problem` 422 if what would be published has errors that nobody has accepted, or faults in its files: the office
	 * stratum alone, and each list of strata in which setups have those that are frozen besides.
	 */
	async refuseErrors(application: string, besides: readonly StratumId[] = []): Promise<void> {
		const { profile, released, over } = await this.#held(application);
		for (const strata of goingOut(profile, await this.#setups.all(application), besides)) {
			const held = heldBy(strata, over(strata), released);
			if (held.length === 0) continue;
			const { words } = chapterOf(held[0]!.chapter);
			const of = held.filter(({ chapter }) => chapter === held[0]!.chapter).length;
			throw new Problem(
				422,
				'errors-left',
				`${strata.length > 2 ? listName(strata) : 'The office level'} has ${of === 1 ? 'an error' : `${of} errors`} in its ${words.many} that is not accepted. First error: ${held[0]!.sentence} Fix it, or accept it with a reason, in Findings.`,
				{ errors: held.slice(0, 50).map(({ sentence, finding }) => ({ detail: sentence, finding })) }
			);
		}
	}
}
