import { toLastProgram } from '$lib/state/last-program';
import { programsFor } from '$lib/state/programs';
import type { PageLoad } from './$types';

/** In the frame of a program, where there is one. */
export const load: PageLoad = async ({ fetch, url }) => {
	await toLastProgram('programs', url, fetch);
	return programsFor(url, fetch);
};
