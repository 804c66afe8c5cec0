import { z } from 'zod';
import { SetupId } from '$core/people/setup.ts';
import { may } from '$core/people/may.ts';
import { Problem, readBody } from '$lib/server/problem';
import { route } from '$lib/server/route';

/** Whoever asks sits down at the seat with one of their setups; null gets up. Only a steward makes somebody else get up. */
export const PUT = route('desk', async ({ params, request }, { seats, setups }, person) => {
	const { setup: id } = await readBody(request, z.strictObject({ setup: SetupId.nullable() }), 2_000);
	const seat = params.seat!;
	const application = await seats.applicationOf(seat);
	const sitting = await seats.sitting(seat);
	if (sitting && sitting.person !== person.id && !may(person, 'seats'))
		throw new Problem(
			403,
			'not-yours',
			`${seat} is in use by someone else. They have to leave it first, or a steward can release it.`
		);
	if (id === null) {
		await seats.sit(seat, null);
		return { seat, sitting: null };
	}
	const setup = (await setups.of(application, person)).find((one) => one.id === id);
	if (!setup) throw new Problem(404, 'not-found', 'You have no such setup of this program.');
	await seats.sit(seat, { person: person.id, setup: setup.id });
	return { seat, sitting: { person: person.id, setup: setup.id } };
});
