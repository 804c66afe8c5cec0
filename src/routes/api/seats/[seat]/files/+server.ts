import { z } from 'zod';
import { FoundFile } from '$core/folders/search.ts';
import { readBody } from '$lib/server/problem';
import { route } from '$lib/server/route';

const Looked = z.strictObject({ found: z.array(FoundFile).max(2_000) });

/** Where a seat is to look for the files of its programs. */
export const GET = route('seat', async ({ params }, { folders }) => ({ paths: await folders.pathsAt(params.seat!) }));

/** What the seat has found there; of paths that are not asked for nothing is kept. */
export const PUT = route('seat', async ({ params, request }, { folders, live }) => {
	const { found } = await readBody(request, Looked, 1_000_000);
	// a seat looks again and again: pages hear of it when it finds something else
	for (const { application, isNews } of await folders.look(params.seat!, found, { by: null }))
		if (isNews) live.tell({ application });
	return new Response(null, { status: 204 });
});
