import { z } from 'zod';
import { PersonId } from '$core/people/person.ts';
import { Problem, readBody } from '$lib/server/problem';
import { Created, route } from '$lib/server/route';

const Forgotten = z.strictObject({
	id: PersonId.optional(),
	/** Instead of the id, from the console. */
	name: z.string().max(200).optional(),
	days: z.number().int().min(1).max(7).default(1)
});

/** A link by which somebody who has forgotten it takes another password. */
export const POST = route('people', async ({ request }, { links, people }, person) => {
	const { id, name, days } = await readBody(request, Forgotten, 1_000);
	const found = (await people.here()).filter((one) => one.id === id || one.name.toLowerCase() === name?.trim().toLowerCase());
	if (found.length !== 1) throw new Problem(404, 'not-found', `There is no member “${name ?? id}” in the office.`);
	// where people reach the office, for who reads it on a console
	const address = process.env.SKARN_ADDRESS;
	return new Created({ ...(await links.forPassword(person, found[0]!.id, days)), ...(address && { address }) });
});
