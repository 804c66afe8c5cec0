import { SearchPaths } from '$core/folders/search.ts';
import { readBody } from '$lib/server/problem';
import { route } from '$lib/server/route';

export const GET = route(async ({ params }, { folders }) => folders.of(params.app!));

export const PUT = route(async ({ params, request }, { folders }) =>
	folders.keep(params.app!, await readBody(request, SearchPaths, 5_000_000))
);
