import { Problem } from '$lib/server/problem';
import { route } from '$lib/server/route';

/** The file of whoever sits at the seat, with its signed metadata. */
export const GET = route('seat', async ({ params }, { signing }) => {
	const own = await signing.own(params.seat!);
	if (!own) throw new Problem(404, 'not-found', `No one uses ${params.seat!}.`);
	return own;
});
