import { ask } from '$lib/state/api';
import type { Person } from '$core/people/person';
import type { PageLoad } from './$types';

/** Whether people sign in here, and in the demo whom one can sign in as. */
export const load: PageLoad = ({ fetch }) =>
	ask<{ isOpen: boolean; person: Person | null; wantsCode?: true; desks?: Person[] }>('/api/session', 'GET', undefined, fetch);
