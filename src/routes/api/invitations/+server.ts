import { z } from 'zod';
import { PersonName, Site } from '$core/people/person.ts';
import { SetupName } from '$core/people/setup.ts';
import { Role } from '$core/strata/role.ts';
import { StratumId } from '$core/strata/stratum.ts';
import { checked, readBody } from '$lib/server/problem';
import { Created, route } from '$lib/server/route';

const Strata = z.array(StratumId).max(200).default([]);
const Invited = z.strictObject({
	name: PersonName,
	role: Role,
	leads: Strata,
	member: Strata,
	site: Site.default(''),
	/** The name of a recommended setup that they begin with. */
	setup: z.union([z.literal(''), SetupName]).default('')
});
const Invitations = z.strictObject({
	people: z.array(Invited).min(1).max(500),
	days: z.number().int().min(1).max(60).default(7)
});

/** The links that are good: who is invited or takes another password, by whom, until when. */
export const GET = route('people', async (_, { links }) => ({ links: await links.list() }));

/** Invites people, all or nobody: gives the secret of each link, which is shown this once. */
export const POST = route('people', async ({ request }, { links }, person) => {
	const { people, days } = await readBody(request, Invitations, 500_000);
	return new Created({ links: await links.invite(person, people, days) });
});

/** Withdraws a link: `?id=…`. */
export const DELETE = route('people', async ({ url }, { links }) => {
	const { id } = checked(z.object({ id: z.string().max(100) }), Object.fromEntries(url.searchParams));
	await links.withdraw(id);
	return { links: await links.list() };
});
