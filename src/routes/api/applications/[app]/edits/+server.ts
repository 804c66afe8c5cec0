import { z } from 'zod';
import { AnyChangeForm, ProposedHead, Revision } from '$core/profile/edit.ts';
import { checked, checkedEach, readJson } from '$lib/server/problem';
import { Created, route } from '$lib/server/route';

const Since = z.strictObject({
	since: z.coerce.number().pipe(Revision).default(0),
	most: z.coerce.number().int().min(1).max(500).default(200)
});

/** Edits since a revision, in parts: `?since=12`; `next` asks for those after them. */
export const GET = route('read', async ({ params, url }, { profiles }) => {
	await profiles.load(params.app!);
	const { since, most } = checked(Since, Object.fromEntries(url.searchParams));
	return profiles.editsAfter(params.app!, since, most);
});

export const POST = route('write', async ({ params, request }, { profiles, setups, checking }, person) => {
	// of many changes each is looked at by itself, so that nobody waits for all of them
	const { changes, ...head } = checked(ProposedHead, await readJson(request, 50_000_000), 400);
	const proposed = { ...head, changes: await checkedEach(AnyChangeForm, changes, 'changes') };
	const { strata: seen } = await setups.look(params.app!, person, proposed.setup);
	await checking.refuseGoneFindings(params.app!, proposed.changes, seen);
	const taken = await profiles.edit(params.app!, proposed, { person, seen });
	return new Created(taken);
});
