import { z } from 'zod';
import { PersonId } from '$core/people/person.ts';
import { may } from '$core/people/may.ts';
import { StratumHead, StratumId } from '$core/strata/stratum.ts';
import { Problem, readBody } from '$lib/server/problem';
import { Created, route } from '$lib/server/route';

const NewStratum = z.strictObject({ ...StratumHead.shape, kind: z.enum(['discipline', 'project', 'personal']) });

export const GET = route('read', async (_, { people }) => ({ strata: await people.strata() }));

/** Makes a stratum: of a discipline or project by a steward, another one of their own by anybody. */
export const POST = route('arrange', async ({ request }, { people, setups }, person) => {
	const head = await readBody(request, NewStratum, 10_000);
	if (head.kind !== 'personal' && !may(person, 'people'))
		throw new Problem(403, 'not-yours', `A ${head.kind} is made by stewards; ${person.name} is here as ${person.role}.`);
	// a new one of one's own is in no setup until it is put there
	if (head.kind === 'personal') await setups.keepUsual(person);
	await people.addStratum(head, person);
	return new Created(head);
});

/** Hands what somebody who has left kept for themselves over to another person, who puts it into a setup or not. */
export const PUT = route('people', async ({ request }, { people, setups }) => {
	const { id, to } = await readBody(request, z.strictObject({ id: StratumId, to: PersonId }), 10_000);
	await setups.keepUsual(await people.known(to));
	await people.handOver(id, to);
	return { id, to };
});

/** Gives a stratum that one may write another name. */
export const PATCH = route('arrange', async ({ request }, { people }, person) => {
	const { id, name } = await readBody(request, z.strictObject({ id: StratumId, name: StratumHead.shape.name }), 10_000);
	await people.renameStratum(id, name, person);
	return { id, name };
});
