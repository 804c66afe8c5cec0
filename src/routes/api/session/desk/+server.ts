import { z } from 'zod';
import { PersonId } from '$core/people/person.ts';
import { isDemo } from '$lib/server/demo';
import { withCookies } from '$lib/server/people/session';
import { Problem, readBody } from '$lib/server/problem';
import { route } from '$lib/server/route';

/** Signs in as one of the desks of the demo, without a password; from another machine with the code of the console. Elsewhere there is no such thing. */
export const POST = route('anybody', async (event, { doors, signIns }) => {
	if (!isDemo()) throw new Problem(404, 'not-found', 'Only the demo signs in without a password.');
	doors.refuseStranger(event);
	const { id } = await readBody(event.request, z.strictObject({ id: PersonId }), 1_000);
	const cookies = await signIns.enter(id, doors.addressOf(event), event.request.headers);
	return withCookies({ id }, cookies, doors.isSecure(event));
});
