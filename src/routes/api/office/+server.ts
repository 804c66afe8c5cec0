import { z } from 'zod';
import { PersonName } from '$core/people/person.ts';
import { signedIn } from '$lib/server/people/session';
import { readBody } from '$lib/server/problem';
import { route } from '$lib/server/route';

/** Opens Skarn to the office: accounts from now on, and who was alone is the first steward. */
export const POST = route('people', async (event, office) => {
	const First = z.strictObject({ name: PersonName, password: z.string().max(1_000) });
	const { name, password } = await readBody(event.request, First, 10_000);
	await office.people.open(name, password);
	return signedIn(event, office, { name, password });
});
