import { json } from '@sveltejs/kit';
import { z } from 'zod';
import { Revision } from '$core/profile/edit.ts';
import { StratumId } from '$core/strata/stratum.ts';
import { readBody } from '$lib/server/problem';
import { route } from '$lib/server/route';

const Publication = z.strictObject({
	/** Earlier scripts name the stratum that they write to; who may release is said by the table of rights alone. */
	stratum: StratumId.optional(),
	notes: z.string().trim().min(1, 'write release notes: what changes for people').max(4000),
	base: Revision,
	/** What is frozen besides the office stratum. */
	strata: z.array(StratumId).max(100).default([])
});

export const GET = route('read', async ({ params }, { releases }) => releases.list(params.app!));

export const POST = route('release', async ({ params, request }, { releases, checking }, person) => {
	const { notes, base, strata } = await readBody(request, Publication);
	await checking.refuseErrors(params.app!, strata);
	return json(await releases.publish(params.app!, notes, base, person, { strata }), { status: 201 });
});
