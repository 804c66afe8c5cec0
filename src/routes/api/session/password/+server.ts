import { z } from 'zod';
import { withCookies } from '$lib/server/people/session';
import { readBody } from '$lib/server/problem';
import { route } from '$lib/server/route';

const Password = z.string().max(1_000);
const Changed = z.strictObject({
	current: Password,
	password: Password,
	/** Whether terminals have to be signed in anew as well. */
	endTokens: z.boolean().default(false),
	work: z.string().max(400).optional()
});

/** Another password of one's own; all other sessions end. */
export const PUT = route('read', async (event, { doors, signIns }, person) => {
	const { current, password: next, endTokens, work } = await readBody(event.request, Changed, 10_000);
	const from = { address: doors.addressOf(event), headers: event.request.headers, work };
	const cookies = await signIns.changePassword(person, { ...from, current, next, endTokens });
	return withCookies({ person }, cookies, doors.isSecure(event));
});
