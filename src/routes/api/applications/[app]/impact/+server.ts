import { may } from '$core/people/may.ts';
import { wireOf } from '$core/profile/wire.ts';
import { route } from '$lib/server/route';

/**
 * What it takes to work out what a release would do to whom: all strata, everybody's setups, and what the release has that seats follow.
 * Who may not survey the office gets what concerns themselves: the common strata and their own, and their own setups.
 */
export const GET = route('read', async ({ params }, { profiles, people, setups, releases }, person) => {
	const { profile, owners } = await profiles.load(params.app!);
	const isWide = may(person, 'survey');
	const here = isWide ? await people.here() : [person];
	const isSeen = (stratum: (typeof profile)[number]) =>
		isWide || stratum.kind !== 'personal' || owners.get(stratum.id) === person.id;
	return {
		strata: profile.filter(isSeen).map(wireOf),
		released: (await releases.followedStrata(params.app!)).map(wireOf),
		setups: await setups.ofAll(params.app!, here)
	};
});
