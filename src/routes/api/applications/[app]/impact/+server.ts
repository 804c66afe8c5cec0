import { wireOf } from '$core/profile/wire.ts';
import { route } from '$lib/server/route';

/** What it takes to work out what a release would do to whom: all strata, everybody's setups, and the office as it was released. */
export const GET = route('survey', async ({ params }, { profiles, people, setups, releases }) => {
	const { profile } = await profiles.load(params.app!);
	const here = await people.here();
	const released = await releases.followed(params.app!);
	return {
		strata: profile.map(wireOf),
		released: released && wireOf(released),
		setups: await setups.ofAll(params.app!, here)
	};
});
