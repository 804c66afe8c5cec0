import { wireOf } from '$core/profile/wire.ts';
import { route } from '$lib/server/route';

/** What it takes to work out what a release would do to whom: all strata, everybody's setups, and what the release has that seats follow. */
export const GET = route('survey', async ({ params }, { profiles, people, setups, releases }) => {
	const { profile } = await profiles.load(params.app!);
	const here = await people.here();
	return {
		strata: profile.map(wireOf),
		released: (await releases.followedStrata(params.app!)).map(wireOf),
		setups: await setups.ofAll(params.app!, here)
	};
});
