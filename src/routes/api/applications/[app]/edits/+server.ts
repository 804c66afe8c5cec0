import { z } from 'zod';
import { ProposedEdit, Revision } from '$core/profile/edit.ts';
import { checked, readBody } from '$lib/server/problem';
import { Created, route } from '$lib/server/route';

/** Edits since a revision: `?since=12`. */
export const GET = route('read', async ({ params, url }, { profiles }) => {
	await profiles.load(params.app!);
	const since = checked(z.coerce.number().pipe(Revision), url.searchParams.get('since') ?? '0');
	return { edits: await profiles.editsSince(params.app!, since) };
});

export const POST = route('write', async ({ params, request }, { profiles, setups, checking }, person) => {
	const proposed = await readBody(request, ProposedEdit, 50_000_000);
	const { strata: seen } = await setups.look(params.app!, person, proposed.setup);
	await checking.refuseGoneFindings(params.app!, proposed.changes, seen);
	const taken = await profiles.edit(params.app!, proposed, { person, seen });
	return new Created(taken);
});
