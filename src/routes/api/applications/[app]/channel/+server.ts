import { z } from 'zod';
import { StratumId } from '$core/strata/stratum.ts';
import { ReleaseNumber } from '$core/release/release.ts';
import { readBody } from '$lib/server/problem';
import { route } from '$lib/server/route';

/** Earlier scripts name the stratum that they write to; who may release is said by the table of rights alone. */
const Channel = z.strictObject({ release: ReleaseNumber, stratum: StratumId.optional() });

/** Lets the seats follow a release. */
export const PUT = route('release', async ({ params, request }, { releases }) => {
	const { release } = await readBody(request, Channel);
	await releases.setChannel(params.app!, release);
	return releases.list(params.app!);
});
