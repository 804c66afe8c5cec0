import { json } from '@sveltejs/kit';
import { z } from 'zod';
import { DeskSetup } from '$core/keyboard/desk.ts';
import { may } from '$core/people/may.ts';
import { hiddenSeat, SeatId } from '$core/release/release.ts';
import { Site } from '$core/people/person.ts';
import { RingId } from '$core/release/rings.ts';
import { checked, readBody } from '$lib/server/problem';
import { Created, route } from '$lib/server/route';

const NewSeat = z.strictObject({
	id: SeatId,
	note: z.string().trim().max(200).default(''),
	site: Site.default(''),
	ring: RingId.nullable().default(null),
	desk: DeskSetup.optional()
});

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

const NewSeats = z.strictObject({ seats: z.array(NewSeat).min(1).max(500), codes: z.boolean().default(false) });

/** Adds a seat, or several: all or none. With `codes` gives the code of each, which is shown this once. */
export const POST = route('seats', async ({ params, request }, { enrolments, rollouts, profiles }) => {
	const app = params.app!;
	await profiles.load(app);
	const said = await readBody(request, z.union([NewSeats, NewSeat]), 500_000);
	if (!('seats' in said)) {
		await rollouts.addSeats(app, [said]);
		return json({ id: said.id }, { status: 201 });
	}
	await rollouts.addSeats(app, said.seats);
	const ids = said.seats.map(({ id }) => id);
	return new Created({ ids, codes: said.codes ? await enrolments.codes(ids) : [] });
});
