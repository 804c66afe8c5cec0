import { z } from 'zod';
import { readBody } from '$lib/server/problem';
import { addressOf, route } from '$lib/server/route';
import { signedIn } from '$lib/server/session';

export const GET = route('anybody', async ({ params }, { people }) => people.invitation(params.secret!));

/** Joins the office with a password of one's own, and signs in. */
export const POST = route('anybody', async (event, { people }) => {
	const { password } = await readBody(event.request, z.strictObject({ password: z.string().max(1_000) }), 10_000);
	const { name } = await people.join(event.params.secret!, password);
	return signedIn(await people.signIn(name, password, addressOf(event), event.request.headers));
});
