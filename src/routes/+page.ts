import { redirect } from '@sveltejs/kit';
import { toLastProgram } from '$lib/state/last-program';
import type { PageLoad } from './$types';

/** The program that was looked at last, or the first start. */
export const load: PageLoad = async ({ fetch, url }) => {
	await toLastProgram('start', url, fetch);
	redirect(307, '/welcome');
};
