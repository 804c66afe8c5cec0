import { SeatReport } from '$core/release/release.ts';
import { readBody } from '$lib/server/problem';
import { route } from '$lib/server/route';

export const POST = route('seat', async ({ params, request }, { seats }) => {
	await seats.report(params.seat!, await readBody(request, SeatReport, 10_000));
	return new Response(null, { status: 204 });
});
