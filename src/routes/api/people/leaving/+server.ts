import { z } from 'zod';
import { PersonId } from '$core/people/person.ts';
import { leftBehind } from '$lib/server/people/leaving';
import { checked } from '$lib/server/problem';
import { route } from '$lib/server/route';

/** What somebody leaves behind: `?id=…`. */
export const GET = route('people', async ({ url }, { store, people }) => {
	const { id } = checked(z.object({ id: PersonId }), Object.fromEntries(url.searchParams));
	return leftBehind(store.db, people, id);
});
