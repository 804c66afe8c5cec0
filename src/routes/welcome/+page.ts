import type { Person } from '$core/people/person';
import { toLastProgram } from '$lib/state/last-program';
import { ask } from '$lib/state/api';
import type { PageLoad } from './$types';

/** Only where there is no program yet. */
export const load: PageLoad = async ({ fetch, url }) => {
	await toLastProgram('start', url, fetch);
	return ask<{ person: Person | null; isOpen: boolean }>('/api/session', 'GET', undefined, fetch);
};
