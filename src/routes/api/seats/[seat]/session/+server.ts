import { z } from 'zod';
import { SeatId } from '$core/release/release.ts';
import { checked, readBody } from '$lib/server/problem';
import { route } from '$lib/server/route';

const Answered = z.strictObject({ challenge: z.string().max(200), signature: z.string().max(200) });

/** What the seat has to sign with its own key. */
export const GET = route('anybody', async ({ params }, { enrolments }) => ({
	challenge: enrolments.challenge(checked(SeatId, params.seat!))
}));

/** Signs the seat in; gives its token. */
export const POST = route('anybody', async ({ params, request }, { enrolments }) => {
	const { challenge, signature } = await readBody(request, Answered, 2_000);
	return enrolments.signIn(params.seat!, challenge, signature);
});
