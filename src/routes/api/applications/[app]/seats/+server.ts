import { json } from '@sveltejs/kit';
import { z } from 'zod';
import { DeskSetup } from '$core/keyboard/desk.ts';
import { may } from '$core/people/may.ts';
import { hiddenSeat, SeatId } from '$core/release/release.ts';
import { checked, readBody } from '$lib/server/problem';
import { route } from '$lib/server/route';

const NewSeat = z.strictObject({ id: SeatId, note: z.string().trim().max(200).default(''), desk: DeskSetup.optional() });

/** The seats of the program; what they report is seen by who may survey the office, and of one's own seat by everybody. */
export const GET = route('read', async ({ params }, { seats, profiles }, person) => {
	await profiles.load(params.app!);
	const list = await seats.list(params.app!);
	return { seats: may(person, 'survey') ? list : list.map((seat) => hiddenSeat(seat, person.id)) };
});

/** `?id=C-03` is forgotten. */
export const DELETE = route('seats', async ({ params, url }, { seats, profiles }) => {
	await profiles.load(params.app!);
	const { id } = checked(z.object({ id: SeatId }), Object.fromEntries(url.searchParams));
	await seats.remove(params.app!, id);
	return { id };
});

export const POST = route('seats', async ({ params, request }, { seats, profiles }) => {
	await profiles.load(params.app!);
	const { id, note, desk } = await readBody(request, NewSeat);
	await seats.add(params.app!, id, note, desk);
	return json({ id }, { status: 201 });
});
