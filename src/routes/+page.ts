import { redirect } from '@sveltejs/kit';
import { ask } from '$lib/state/api';
import { orSignIn } from '$lib/state/signed-out';
import type { PageLoad } from './$types';

/** The first application of the office, or the way to bring one. */
export const load: PageLoad = async ({ fetch, url }) => {
	const { applications } = await ask<{ applications: { id: string }[] }>('/api/applications', 'GET', undefined, fetch).catch(
		(cause: unknown) => {
			throw orSignIn(cause, url);
		}
	);
	const [first] = applications;
	redirect(307, first ? `/${first.id}/start` : '/programs');
};
