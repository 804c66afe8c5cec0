import { z } from 'zod';
import { RingId } from '$core/release/rings.ts';
import { readBody } from '$lib/server/problem';
import { route } from '$lib/server/route';

/** Puts the seat into a ring; null is everyone's. */
export const PUT = route('seats', async ({ params, request }, { rollouts }) => {
	const { ring } = await readBody(request, z.strictObject({ ring: RingId.nullable() }), 2_000);
	return rollouts.state(await rollouts.place(params.seat!, ring));
});
