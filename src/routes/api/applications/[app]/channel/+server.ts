import { z } from 'zod';
import { StratumId } from '$core/strata/stratum.ts';
import { ReleaseNumber } from '$core/release/release.ts';
import { readBody } from '$lib/server/problem';
import { route } from '$lib/server/route';

/** Lets the seats follow a release; `stratum` is the one that is written to. */
export const PUT = route('release', async ({ params, request }, { releases }) => {
	const { release, stratum } = await readBody(request, z.strictObject({ release: ReleaseNumber, stratum: StratumId }));
	await releases.setChannel(params.app!, stratum, release);
	return releases.list(params.app!);
});
