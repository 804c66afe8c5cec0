import { ask } from '$lib/state/api';
import type { PageLoad } from './$types';

/** The programs of the office. */
export const load: PageLoad = ({ fetch }) =>
	ask<{ applications: { id: string; name: string; version: string }[] }>('/api/applications', 'GET', undefined, fetch);
