import { z } from 'zod';
import { PersonId, PersonName, Site } from '$core/people/person.ts';
import { Role } from '$core/strata/role.ts';
import { StratumId } from '$core/strata/stratum.ts';
import { checked, readBody } from '$lib/server/problem';
import { Created, route } from '$lib/server/route';

const Strata = z.array(StratumId).max(200);

/** Everybody, those who have left among them. */
export const GET = route('read', async (_, { people }) => ({ isOpen: people.isOpen, people: await people.list() }));

/** Invites somebody: gives the secret of the link, which is shown this once. */
export const POST = route('people', async ({ request }, { links }, person) => {
	const Invitation = z.strictObject({
		name: PersonName,
		role: Role,
		leads: Strata.default([]),
		member: Strata.default([]),
		site: Site.default(''),
		days: z.number().int().min(1).max(60).default(7)
	});
	const { days, ...invited } = await readBody(request, Invitation, 20_000);
	const [made] = await links.invite(person, [invited], days);
	return new Created(made);
});

const Changed = z.strictObject({
	id: PersonId,
	name: PersonName.optional(),
	role: Role.optional(),
	leads: Strata.optional(),
	member: Strata.optional(),
	site: Site.optional()
});

/** Changes what somebody is called, may and works in, or of several people at once; gives what was before. */
export const PUT = route('people', async ({ request }, { people }) => {
	const body = await readBody(request, z.union([Changed, z.strictObject({ people: z.array(Changed).min(1).max(500) })]), 500_000);
	const was = await people.change('people' in body ? body.people : [body]);
	return { people: await people.list(), was };
});

/** Somebody leaves: `?id=…`, several with commas. Their sessions end, their strata stay. */
export const DELETE = route('people', async ({ url }, { people, seats }) => {
	const Ids = z.object({
		id: z
			.string()
			.transform((text) => text.split(','))
			.pipe(z.array(PersonId).max(500))
	});
	const { id } = checked(Ids, Object.fromEntries(url.searchParams));
	await people.leave(id);
	seats.forget();
	return { people: await people.list() };
});
