import { z } from 'zod';
import { may } from '$core/people/may.ts';
import { FoundFile, SearchPaths } from '$core/folders/search.ts';
import { Problem, readBody } from '$lib/server/problem';
import { route } from '$lib/server/route';

const Looked = z.strictObject({ seat: z.string().min(1).max(20), found: z.array(FoundFile).max(2_000) });

/** Where programs look, and what seats have found there, as far as one may see it. */
export const GET = route('read', async ({ params }, { folders }, person) =>
	may(person, 'survey') ? folders.of(params.app!) : folders.ofOwn(params.app!, person.id)
);

export const PUT = route('programs', async ({ params, request }, { folders }) =>
	folders.keep(params.app!, await readBody(request, SearchPaths, 5_000_000))
);

/** What somebody has seen at a seat that does not report it by itself. */
export const POST = route('desk', async ({ params, request }, { folders }, person) => {
	const { seat, found } = await readBody(request, Looked, 1_000_000);
	const [looked] = await folders.look(seat, found, { by: person.id, application: params.app! });
	if (!looked) throw new Problem(404, 'not-found', `${seat} is in no group of seats whose search folders are known.`);
	return may(person, 'survey') ? folders.of(looked.application) : folders.ofOwn(looked.application, person.id);
});
