import { toLastProgram } from '$lib/state/last-program';
import type { PageLoad } from './$types';

/** In the frame of a program, where there is one. */
export const load: PageLoad = ({ fetch, url }) => toLastProgram('programs/new', url, fetch);
