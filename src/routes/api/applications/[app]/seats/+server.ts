import { json } from '@sveltejs/kit';
import { z } from 'zod';
import { DeskSetup } from '$core/keyboard/desk.ts';
import { SeatId } from '$core/release/release.ts';
import { readBody } from '$lib/server/problem';
import { route } from '$lib/server/route';

const NewSeat = z.strictObject({ id: SeatId, note: z.string().trim().max(200).default(''), desk: DeskSetup.optional() });

export const GET = route(async ({ params }, { seats, profiles }) => {
	await profiles.load(params.app!);
	return { seats: await seats.list(params.app!) };
});

export const POST = route(async ({ params, request }, { seats, profiles }) => {
	await profiles.load(params.app!);
	const { id, note, desk } = await readBody(request, NewSeat);
	await seats.add(params.app!, id, note, desk);
	return json({ id }, { status: 201 });
});
