import { z } from 'zod';
import { ProposedEdit, Revision } from '$core/profile/edit.ts';
import { checked, readBody } from '$lib/server/problem';
import { route } from '$lib/server/route';

const Id = z.coerce.number().int().min(1).max(2_147_483_647);
const Reason = z.string().trim().min(3, 'give a reason').max(2_000);

/** Takes it in, whole or in parts, changes it, or declines it with a reason. */
const Decision = z.discriminatedUnion('does', [
	z.strictObject({
		does: z.literal('take'),
		base: Revision,
		parts: z.array(z.number().int().min(0)).max(2_000).optional(),
		reason: z.string().trim().max(2_000).default('')
	}),
	z.strictObject({ does: z.literal('change'), base: Revision, changes: ProposedEdit.shape.changes, reason: Reason }),
	z.strictObject({ does: z.literal('decline'), reason: Reason })
]);

export const PUT = route('review', async ({ params, request }, { proposals }, person) => {
	const id = checked(Id, params.number);
	const decision = await readBody(request, Decision, 5_000_000);
	if (decision.does === 'take') return proposals.take(params.app!, person, id, decision);
	if (decision.does === 'change') await proposals.change(params.app!, person, id, decision);
	else await proposals.decline(params.app!, person, id, decision.reason);
	return { id };
});

/** Says something of it. */
export const POST = route('propose', async ({ params, request }, { proposals }, person) => {
	const { text } = await readBody(request, z.strictObject({ text: Reason }), 20_000);
	await proposals.comment(params.app!, person, checked(Id, params.number), text);
	return proposals.list(params.app!);
});

/** Withdraws one of one's own. */
export const DELETE = route('propose', async ({ params }, { proposals }, person) => {
	await proposals.withdraw(params.app!, person, checked(Id, params.number));
	return proposals.list(params.app!);
});
