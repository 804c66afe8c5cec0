import { json } from '@sveltejs/kit';
import { z } from 'zod';
import { DeskSetup } from '$core/keyboard/desk.ts';
import { SeatId } from '$core/release/release.ts';
import { checked, readBody } from '$lib/server/problem';
import { route } from '$lib/server/route';

const NewSeat = z.strictObject({ id: SeatId, note: z.string().trim().max(200).default(''), desk: DeskSetup.optional() });

export const GET = route('read', async ({ params }, { seats, profiles }) => {
	await profiles.load(params.app!);
	return { seats: await seats.list(params.app!) };
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
