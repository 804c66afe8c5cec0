import { z } from 'zod';
import { Revision } from '$core/profile/edit.ts';
import { StratumId } from '$core/strata/stratum.ts';
import { checked } from '$lib/server/problem';
import { route } from '$lib/server/route';

const Asked = z.strictObject({ stratum: StratumId, after: z.coerce.number().pipe(Revision) });

/** The changes that make a stratum what it was after a revision: `?stratum=office&after=12`. Nothing is written by it. */
export const GET = route('read', async ({ params, url }, { history }) => {
	const { stratum, after } = checked(Asked, Object.fromEntries(url.searchParams));
	return { changes: await history.restoring(params.app!, stratum, after) };
});
