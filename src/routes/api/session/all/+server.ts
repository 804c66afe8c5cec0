import { z } from 'zod';
import { checked } from '$lib/server/problem';
import { route } from '$lib/server/route';

/** Where one is signed in. */
export const GET = route('read', async ({ request }, { signIns }, person) => ({
	sessions: await signIns.sessions(person, request.headers)
}));

/** Ends one session: `?id=…`, or with `others` all but this one. */
export const DELETE = route('read', async ({ request, url }, { signIns }, person) => {
	const { id } = checked(z.object({ id: z.string().max(100) }), Object.fromEntries(url.searchParams));
	await signIns.endSession(person, id, request.headers);
	return { sessions: await signIns.sessions(person, request.headers) };
});
