import { z } from 'zod';
import { maySettle } from '$core/people/may.ts';
import { TroubleWords } from '$core/release/release.ts';
import { Problem, readBody } from '$lib/server/problem';
import { route } from '$lib/server/route';

/** Whoever asks says what does not work at the seat; the next ring waits for it. */
export const POST = route('desk', async ({ params, request }, { seats }, person) => {
	const { words } = await readBody(request, z.strictObject({ words: TroubleWords }), 4_000);
	return { seat: params.seat, trouble: await seats.reportTrouble(params.seat!, words, person.id) };
});

/** It works again: said by whoever has reported it, by whoever sits there, or by a steward. */
export const DELETE = route('desk', async ({ params }, { seats }, person) => {
	const seat = params.seat!;
	const [trouble, sitting] = [await seats.trouble(seat), await seats.sitting(seat)];
	if (!trouble) throw new Problem(409, 'nothing-to-do', `No problem is reported for ${seat}.`);
	if (!maySettle(person, { trouble, sitting }))
		throw new Problem(403, 'not-yours', `Someone else reported the problem of ${seat}. They or a steward can mark it as solved.`);
	await seats.settle(seat);
	return { seat, trouble: null };
});

/** The same said at the workstation itself; null is that it works again. */
export const PUT = route('seat', async ({ params, request }, { seats }) => {
	const { words } = await readBody(request, z.strictObject({ words: TroubleWords.nullable() }), 4_000);
	const seat = params.seat!;
	if (words === null) await seats.settle(seat);
	return { seat, trouble: words === null ? null : await seats.reportTrouble(seat, words, null) };
});
