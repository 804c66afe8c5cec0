import type { Person } from '$core/people/person';
import { ask } from '$lib/state/api';
import { orSignIn } from '$lib/state/signed-out';
import type { PageLoad } from './$types';

/** The programs of the office, and who looks at them. */
export const load: PageLoad = async ({ fetch, url }) => {
	try {
		const [{ applications }, { person }] = await Promise.all([
			ask<{ applications: { id: string; name: string; version: string }[] }>('/api/applications', 'GET', undefined, fetch),
			ask<{ person: Person | null }>('/api/session', 'GET', undefined, fetch)
		]);
		return { applications, person };
	} catch (cause) {
		throw orSignIn(cause, url);
	}
};
