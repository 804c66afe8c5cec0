import { z } from 'zod';
import { PersonId } from '$core/people/person.ts';
import { may, STRATUM_STATES } from '$core/people/may.ts';
import { StratumHead, StratumId } from '$core/strata/stratum.ts';
import { plainName } from '$core/text/plain-name.ts';
import { Problem, readBody } from '$lib/server/problem';
import { Created, route } from '$lib/server/route';

const StratumName = plainName('a level');
const NewStratum = z.strictObject({
	...StratumHead.shape,
	name: StratumName,
	kind: z.enum(['discipline', 'project', 'personal'])
});

/** All strata, those that are archived or deleted among them, with whose setups have them. */
export const GET = route('read', async (_, { strata }) => ({ strata: await strata.list() }));

/** Makes a stratum: of a discipline or project by a steward, another one of their own by anybody. */
export const POST = route('arrange', async ({ request }, { strata }, person) => {
	const head = await readBody(request, NewStratum, 10_000);
	if (head.kind !== 'personal' && !may(person, 'people'))
		throw new Problem(403, 'not-yours', `Only stewards can create a ${head.kind}; ${person.name} has the role ${person.role}.`);
	await strata.add(head, person);
	return new Created(head);
});

/** Hands what somebody who has left kept for themselves over to another person, who puts it into a setup or not. */
export const PUT = route('people', async ({ request }, { strata }) => {
	const { id, to } = await readBody(request, z.strictObject({ id: StratumId, to: PersonId }), 10_000);
	await strata.handOver(id, to);
	return { id, to };
});

/** Changes the name of a stratum, whether it is required, or whether it is in use; gives what was before. */
export const PATCH = route('arrange', async ({ request }, { strata }, person) => {
	const Changed = z.strictObject({
		id: StratumId,
		name: StratumName.optional(),
		isRequired: z.boolean().optional(),
		state: z.enum(STRATUM_STATES).optional()
	});
	const { id, ...change } = await readBody(request, Changed, 10_000);
	return { id, was: await strata.change(id, change, person) };
});
