import { z } from 'zod';
import { SeatId } from '$core/release/release.ts';
import { readBody } from '$lib/server/problem';
import { Created, route } from '$lib/server/route';

/** Codes for several seats, all or none; they are shown this once. */
export const POST = route('seats', async ({ params, request }, { enrolments, profiles }) => {
	await profiles.load(params.app!);
	const { seats } = await readBody(request, z.strictObject({ seats: z.array(SeatId).min(1).max(500) }), 20_000);
	return new Created({ codes: await enrolments.codes(seats) });
});
