import { json } from '@sveltejs/kit';
import { z } from 'zod';
import { ProposedEdit, Revision } from '$core/profile/edit.ts';
import { checked, readBody } from '$lib/server/problem';
import { route } from '$lib/server/route';

/** Edits since a revision: `?since=12`. */
export const GET = route(async ({ params, url }, { profiles }) => {
	await profiles.load(params.app!);
	const since = checked(z.coerce.number().pipe(Revision), url.searchParams.get('since') ?? '0');
	return { edits: await profiles.editsSince(params.app!, since) };
});

export const POST = route(async ({ params, request }, { profiles, checking }) => {
	const proposed = await readBody(request, ProposedEdit, 50_000_000);
	await checking.refuseGoneFindings(params.app!, proposed.changes);
	return json(await profiles.edit(params.app!, proposed), { status: 201 });
});
