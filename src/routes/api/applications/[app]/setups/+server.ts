import { z } from 'zod';
import { Audience, SetupId, SetupName, SetupStrata } from '$core/people/setup.ts';
import { may } from '$core/people/may.ts';
import { checked, Problem, readBody } from '$lib/server/problem';
import { Created, route } from '$lib/server/route';

/**
 * All setups of the application: one's own, and those of colleagues and of the office to begin from; and the one that each person
 * of the office starts with, also those who have made none.
 */
export const GET = route('read', async ({ params }, { people, setups }, person) => ({
	mine: await setups.of(params.app!, person),
	others: (await setups.all(params.app!)).filter((setup) => setup.person !== person.id),
	starts: (await setups.ofAll(params.app!, await people.here())).filter(({ isStart }) => isStart)
}));

const NewSetup = z.union([
	z.strictObject({ name: SetupName, strata: SetupStrata }),
	z.strictObject({ name: SetupName, from: SetupId, shares: z.boolean().default(false) })
]);

/** Makes one of these strata; or from another setup, with copies of what is somebody's own, or with one's own shared. */
export const POST = route('arrange', async ({ params, request }, { setups }, person) => {
	const made = await readBody(request, NewSetup, 20_000);
	if ('strata' in made) return new Created(await setups.make(params.app!, person, made.name, made.strata));
	return new Created(await setups.makeFrom(params.app!, person, made));
});

/** Changes one of one's own: its name, its strata, whether one starts with it; whether it is recommended says who may that. */
export const PUT = route('arrange', async ({ params, request }, { setups }, person) => {
	const Changed = z.strictObject({
		id: SetupId,
		name: SetupName.optional(),
		strata: SetupStrata.optional(),
		isStart: z.literal(true).optional(),
		isRecommended: z.boolean().optional(),
		isRequired: z.boolean().optional(),
		/** For whom it is recommended or required. */
		audience: Audience.optional()
	});
	const { id, ...change } = await readBody(request, Changed, 20_000);
	if ((change.isRecommended !== undefined || change.audience) && !may(person, 'recommend'))
		throw new Problem(
			403,
			'not-yours',
			`Only stewards and trainers can recommend setups; ${person.name} has the role ${person.role}.`
		);
	if (change.isRequired !== undefined && !may(person, 'people'))
		throw new Problem(403, 'not-yours', `Only stewards can require setups; ${person.name} has the role ${person.role}.`);
	return setups.change(params.app!, person, id, change);
});

/** Removes one of one's own: `?id=…`. What its strata hold stays. */
export const DELETE = route('arrange', async ({ params, url }, { setups }, person) => {
	const { id } = checked(z.object({ id: SetupId }), Object.fromEntries(url.searchParams));
	await setups.remove(params.app!, person, id);
	return { mine: await setups.of(params.app!, person) };
});
