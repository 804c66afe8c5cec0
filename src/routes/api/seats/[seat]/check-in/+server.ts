import { route } from '$lib/server/route';

/** Whether there is anything new for the seat; what was answered before is answered by scripts/serve.mjs alone. */
export const GET = route('seat', async ({ params }, { seats }) => {
	const answer = await seats.checkIn(params.seat!);
	return new Response(answer, { headers: { 'content-type': 'application/json', 'cache-control': 'no-store' } });
});
