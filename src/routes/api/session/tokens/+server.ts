import { z } from 'zod';
import { readBody } from '$lib/server/problem';
import { Created, route } from '$lib/server/route';

/** A secret that a terminal signs in with as oneself; it is shown this once. */
export const POST = route('read', async ({ request }, { people }, person) => {
	const { name } = await readBody(request, z.strictObject({ name: z.string().trim().min(1).max(60) }), 1_000);
	return new Created({ token: await people.token(person, name) });
});
