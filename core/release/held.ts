import { errorsLeft } from '../chapters/shortcuts/check/acceptable.ts';
import type { Circumstances } from '../check/circumstances.ts';
import { inUsualOrder, profileOf, type Setup } from '../people/setup.ts';
import { asReleased } from '../profile/circumstances.ts';
import { SHORTCUTS } from '../shortcut/entry.ts';
import { isPublished, published, type Profile, type Stratum, type StratumId } from '../strata/stratum.ts';
import { releaseFaults } from './faults.ts';

/** An error that nobody has accepted, which would go out. */
export interface HeldError {
	readonly chapter: string;
	readonly finding: string;
	readonly sentence: string;
}

/** The errors that hold a release back, in strata that reach people by it: those in keys first. */
export function heldBy(strata: Profile, circumstances: Circumstances, released: Stratum | null): HeldError[] {
	const faults = releaseFaults({
		circumstances,
		profile: strata,
		released: released ? asReleased(strata, released) : undefined
	});
	return [
		...errorsLeft(circumstances).map(({ id, sentence }) => ({ chapter: SHORTCUTS, finding: id, sentence })),
		...faults.map((fault) => ({ chapter: fault.chapter, finding: fault.id, sentence: fault.sentence() }))
	];
}

/** The lists of strata that reach people by a release of the office stratum and these besides; the office's alone first. */
export function goingOut(profile: Profile, setups: readonly Pick<Setup, 'strata'>[], besides: readonly StratumId[]): Profile[] {
	if (besides.length === 0) return [published(profile)];
	const goesOut = (one: Stratum) => isPublished(one) || besides.includes(one.id);
	const had = [...setups.map((setup) => profileOf(profile, setup.strata)), inUsualOrder(profile)];
	const lists = [published(profile), ...had.map((strata) => strata.filter(goesOut))];
	return [...new Map(lists.map((strata) => [strata.map(({ id }) => id).join(' '), strata])).values()];
}

/** What a list of strata is called: those above the factory's. */
export const listName = (strata: Profile): string =>
	strata
		.filter(({ kind }) => kind !== 'factory')
		.map(({ name }) => name)
		.join(' with ');
