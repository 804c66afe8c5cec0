import { SearchPaths } from '$core/folders/search.ts';
import { readBody } from '$lib/server/problem';
import { route } from '$lib/server/route';

export const GET = route('read', async ({ params }, { folders }) => folders.of(params.app!));

export const PUT = route('programs', async ({ params, request }, { folders }) =>
	folders.keep(params.app!, await readBody(request, SearchPaths, 5_000_000))
);
