import { Drift, MOST_DRIFT } from '$core/release/release.ts';
import { readBody } from '$lib/server/problem';
import { route } from '$lib/server/route';

export const GET = route('survey', async ({ params }, { seats }) => seats.drift(params.seat!));

export const PUT = route('seat', async ({ params, request }, { seats }) => {
	await seats.keepDrift(params.seat!, await readBody(request, Drift, 2 * MOST_DRIFT));
	return new Response(null, { status: 204 });
});
