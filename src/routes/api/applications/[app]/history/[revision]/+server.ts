import { z } from 'zod';
import { Revision } from '$core/profile/edit.ts';
import { checked } from '$lib/server/problem';
import { route } from '$lib/server/route';

const Asked = z.strictObject({
	words: z.string().max(200).optional(),
	from: z.coerce.number().int().min(0).max(100_000).default(0),
	most: z.coerce.number().int().min(1).max(500).default(100)
});

/** The changes of one edit in words, in parts: `?from=100`; those that are looked for come first. */
export const GET = route('read', async ({ params, url }, { history }) => {
	const { words, from, most } = checked(Asked, Object.fromEntries(url.searchParams));
	const revision = checked(z.coerce.number().pipe(Revision), params.revision);
	return { lines: await history.lines(params.app!, revision, { words }, from, most) };
});
