import { z } from 'zod';
import { wireOf } from '$core/profile/wire.ts';
import { StratumId } from '$core/strata/stratum.ts';
import { checked, Problem } from '$lib/server/problem';
import { route } from '$lib/server/route';

/** All strata as they stand, whether or not they are in a setup of one's own; `?id=cladding` for one alone. */
export const GET = route('read', async ({ params, url }, { profiles }) => {
	const { id } = checked(z.object({ id: StratumId.optional() }), Object.fromEntries(url.searchParams));
	const { profile, revision } = await profiles.load(params.app!);
	const strata = profile.filter((one) => id === undefined || one.id === id);
	if (strata.length === 0)
		throw new Problem(404, 'not-found', `There is no level "${id}"; there are ${profile.map((s) => s.id).join(', ')}.`);
	return { revision, strata: strata.map(wireOf) };
});
