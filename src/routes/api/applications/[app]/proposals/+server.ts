import { z } from 'zod';
import { AnyChangeForm, Revision } from '$core/profile/edit.ts';
import { StratumId } from '$core/strata/stratum.ts';
import { checked, readBody } from '$lib/server/problem';
import { Created, route } from '$lib/server/route';

const Reason = z.string().trim().min(3, 'give a reason').max(2_000);

const NewProposal = z.strictObject({
	stratum: StratumId,
	label: z.string().trim().min(1).max(180),
	reason: Reason,
	base: Revision,
	changes: z.array(AnyChangeForm).min(1, 'a proposal changes something').max(2_000)
});

const Asked = z.strictObject({
	before: z.coerce.number().int().min(1).optional(),
	most: z.coerce.number().int().min(1).max(200).optional()
});

/** All that are open, and those that are decided in parts: `?before=…` asks for older ones. */
export const GET = route('read', async ({ params, url }, { proposals }) => {
	const { before, most } = checked(Asked, Object.fromEntries(url.searchParams));
	return proposals.list(params.app!, most, before);
});

export const POST = route(
	'propose',
	async ({ params, request }, { proposals }, person) =>
		new Created(await proposals.propose(params.app!, person, await readBody(request, NewProposal, 5_000_000)))
);
