import { z } from 'zod';
import { PersonName } from '$core/people/person.ts';
import { readBody } from '$lib/server/problem';
import { addressOf, route } from '$lib/server/route';
import { signedIn } from '$lib/server/session';

/** Opens Skarn to the office: accounts from now on, and who was alone is the first steward. */
export const POST = route('people', async (event, { people }) => {
	const { name, password } = await readBody(
		event.request,
		z.strictObject({ name: PersonName, password: z.string().max(1_000) }),
		10_000
	);
	await people.open(name, password);
	return signedIn(await people.signIn(name, password, addressOf(event), event.request.headers));
});
