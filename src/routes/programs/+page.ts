import { ask } from '$lib/state/api';
import { orSignIn } from '$lib/state/signed-out';
import type { PageLoad } from './$types';

/** The programs of the office. */
export const load: PageLoad = ({ fetch, url }) =>
	ask<{ applications: { id: string; name: string; version: string }[] }>('/api/applications', 'GET', undefined, fetch).catch(
		(cause: unknown) => {
			throw orSignIn(cause, url);
		}
	);
