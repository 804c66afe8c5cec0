import { z } from 'zod';
import { PersonId } from '$core/people/person.ts';
import { Problem, readBody } from '$lib/server/problem';
import { route } from '$lib/server/route';
import { isDemo, withCookies } from '$lib/server/session';

/** Signs in as one of the desks of the demo, without a password. Elsewhere there is no such thing. */
export const POST = route('anybody', async ({ request }, { people }) => {
	if (!isDemo()) throw new Problem(404, 'not-found', 'Only the demo signs in without a password.');
	const { id } = await readBody(request, z.strictObject({ id: PersonId }), 1_000);
	return withCookies({ id }, await people.enter(id, request.headers));
});
