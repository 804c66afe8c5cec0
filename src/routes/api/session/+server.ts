import { z } from 'zod';
import { PersonName } from '$core/people/person.ts';
import { isDemo } from '$lib/server/demo';
import { signedIn, withCookies } from '$lib/server/people/session';
import { checked, readBody } from '$lib/server/problem';
import { route } from '$lib/server/route';

const SignIn = z.strictObject({
	name: PersonName,
	password: z.string().max(1_000),
	/** A challenge of a former answer with the number that solves it. */
	work: z.string().max(400).optional()
});

/**
 * Whether people sign in here, and who has. `wantsCode` says that this office has no accounts, and that somebody elsewhere opens it with the
 * code of the console. In the demo also whom one can sign in as.
 */
export const GET = route('anywhere', async (event, { doors, people, signIns }) => {
	const isStranger = !doors.mayEnter(event);
	const { isOpen } = people;
	return {
		isOpen,
		person: isOpen || !isStranger ? await signIns.who(event.request.headers) : null,
		...(isStranger && (!isOpen || isDemo()) && { wantsCode: true }),
		...(isDemo() && isOpen && { desks: await people.here() })
	};
});

/** Signs in with name and password. */
export const POST = route('anybody', async (event, office) =>
	signedIn(event, office, await readBody(event.request, SignIn, 10_000))
);

/** Signs out; `?everywhere=yes` ends all sessions of the person. */
export const DELETE = route('anybody', async (event, { doors, signIns }) => {
	const { everywhere } = checked(
		z.object({ everywhere: z.literal('yes').optional() }),
		Object.fromEntries(event.url.searchParams)
	);
	const cookies = await signIns.signOut(event.request.headers, everywhere === 'yes');
	return withCookies({ person: null }, cookies, doors.isSecure(event));
});
