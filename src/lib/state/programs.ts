import type { Person } from '$core/people/person';
import { ask } from './api';
import { orSignIn } from './signed-out';

/** The programs of the office, and who looks at them. */
export async function programsFor(url: URL, fetch: typeof globalThis.fetch) {
	try {
		const [{ applications }, { person }] = await Promise.all([
			ask<{ applications: { id: string; name: string; version: string }[] }>('/api/applications', 'GET', undefined, fetch),
			ask<{ person: Person | null }>('/api/session', 'GET', undefined, fetch)
		]);
		return { applications, person };
	} catch (cause) {
		throw orSignIn(cause, url);
	}
}
