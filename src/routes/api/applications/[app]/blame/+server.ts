import { z } from 'zod';
import { Revision } from '$core/profile/edit.ts';
import { StratumId } from '$core/strata/stratum.ts';
import { checked } from '$lib/server/problem';
import { route } from '$lib/server/route';

/** Who said what last of a chapter of a stratum: `?stratum=office&chapter=options`; `after=12` leaves out what was known then. */
export const GET = route('read', async ({ params, url: { searchParams } }, { blames }) => {
	const stratum = checked(StratumId, searchParams.get('stratum')) as StratumId;
	const after = checked(z.coerce.number().pipe(Revision), searchParams.get('after') ?? '0');
	return blames.of(params.app!, stratum, searchParams.get('chapter') ?? '', after);
});
