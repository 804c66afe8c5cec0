import { redirect } from '@sveltejs/kit';
import { ask } from '$lib/state/api';
import type { PageLoad } from './$types';

/** The first application of the office, or the way to bring one. */
export const load: PageLoad = async ({ fetch }) => {
	const { applications } = await ask<{ applications: { id: string }[] }>('/api/applications', 'GET', undefined, fetch);
	const [first] = applications;
	redirect(307, first ? `/${first.id}/start` : '/programs');
};
