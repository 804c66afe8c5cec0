import { z } from 'zod';
import { PersonName } from '$core/people/person.ts';
import { checked, readBody } from '$lib/server/problem';
import { addressOf, route } from '$lib/server/route';
import { isDemo, signedIn, withCookies } from '$lib/server/session';

const SignIn = z.strictObject({ name: PersonName, password: z.string().max(1_000) });

/** Whether people sign in here, and who has. In the demo also whom one can sign in as. */
export const GET = route('anybody', async ({ request }, { people }) => {
	const person = await people.who(request.headers);
	return {
		isOpen: people.isOpen,
		person,
		...(isDemo() && people.isOpen && { desks: (await people.list()).filter((p) => !p.leftAt) })
	};
});

/** Signs in with name and password. */
export const POST = route('anybody', async (event, { people }) => {
	const { name, password } = await readBody(event.request, SignIn, 10_000);
	return signedIn(await people.signIn(name, password, addressOf(event), event.request.headers));
});

/** Signs out; `?everywhere=yes` ends all sessions of the person. */
export const DELETE = route('anybody', async ({ request, url }, { people, live }) => {
	const { everywhere } = checked(z.object({ everywhere: z.literal('yes').optional() }), Object.fromEntries(url.searchParams));
	const person = everywhere === 'yes' ? await people.who(request.headers) : null;
	const cookies = await people.signOut(request.headers, everywhere === 'yes');
	if (person) live.dismiss(person.id);
	return withCookies({ person: null }, cookies);
});
