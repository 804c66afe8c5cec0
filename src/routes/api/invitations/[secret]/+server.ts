import { z } from 'zod';
import { signedIn } from '$lib/server/people/session';
import { readBody } from '$lib/server/problem';
import { route } from '$lib/server/route';

/** What a link is for. */
export const GET = route('anybody', async ({ params }, { links }) => links.look(params.secret!));

/** Joins the office, or takes another password, and signs in. */
export const POST = route('anybody', async (event, office) => {
	const { password } = await readBody(event.request, z.strictObject({ password: z.string().max(1_000) }), 10_000);
	const { name } = await office.links.use(event.params.secret!, password);
	return signedIn(event, office, { name, password });
});
