import { json } from '@sveltejs/kit';
import { z } from 'zod';
import { SeatId } from '$core/release/release.ts';
import { readBody } from '$lib/server/problem';
import { route } from '$lib/server/route';

export const GET = route(async ({ params }, { seats, profiles }) => {
	await profiles.load(params.app!);
	return { seats: await seats.list(params.app!) };
});

export const POST = route(async ({ params, request }, { seats, profiles }) => {
	await profiles.load(params.app!);
	const { id, note } = await readBody(request, z.strictObject({ id: SeatId, note: z.string().trim().max(200).default('') }));
	await seats.add(params.app!, id, note);
	return json({ id }, { status: 201 });
});
