import { z } from 'zod';
import { readBody } from '$lib/server/problem';
import { route } from '$lib/server/route';
import { withCookies } from '$lib/server/session';

const Password = z.string().max(1_000);

/** Another password of one's own; all other sessions end. */
export const PUT = route('read', async ({ request }, { people }, person) => {
	const { current, password } = await readBody(request, z.strictObject({ current: Password, password: Password }), 10_000);
	return withCookies({ person }, await people.changePassword(person, current, password, request.headers));
});
