import { Role } from '$core/strata/role.ts';
import { PersonId, PersonName } from '$core/people/person.ts';
import { StratumId } from '$core/strata/stratum.ts';
import { z } from 'zod';
import { checked, readBody } from '$lib/server/problem';
import { Created, route } from '$lib/server/route';

const Leads = z.array(StratumId).max(200);

export const GET = route('read', async (_, { people }) => ({ isOpen: people.isOpen, people: await people.list() }));

/** Invites somebody: gives the secret of the link, which is shown this once. */
export const POST = route('people', async ({ request }, { people }, person) => {
	const Invitation = z.strictObject({
		name: PersonName,
		role: Role,
		leads: Leads.default([]),
		days: z.number().int().min(1).max(60).default(7)
	});
	const { days, ...invited } = await readBody(request, Invitation, 20_000);
	return new Created(await people.invite(person, invited, days));
});

/** Changes what somebody may. */
export const PUT = route('people', async ({ request }, { people }) => {
	const Changed = z.strictObject({ id: PersonId, role: Role.optional(), leads: Leads.optional() });
	const { id, ...change } = await readBody(request, Changed, 20_000);
	await people.change(id, change);
	return { people: await people.list() };
});

/** Somebody leaves: `?id=…`. Their sessions end, their strata stay. */
export const DELETE = route('people', async ({ url }, { people, live, seats, store }) => {
	const { id } = checked(z.object({ id: PersonId }), Object.fromEntries(url.searchParams));
	await people.leave(id);
	live.dismiss(id);
	seats.forget();
	store.relay.tell({ dismiss: id });
	return { people: await people.list() };
});
