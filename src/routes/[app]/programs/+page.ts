import { programsFor } from '$lib/state/programs';
import type { PageLoad } from './$types';

export const load: PageLoad = ({ fetch, url }) => programsFor(url, fetch);
