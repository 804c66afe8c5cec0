import { route } from '$lib/server/route';

export const PUT = route('seats', async ({ params }, { seats }) => {
	await seats.askRestore(params.seat!);
	return new Response(null, { status: 204 });
});
