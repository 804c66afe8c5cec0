import { redirect } from '@sveltejs/kit';
import type { Person } from '$core/people/person';
import { ApiError, ask } from './api';

const toSignIn = (url: URL): never => redirect(307, `/sign-in?to=${encodeURIComponent(url.pathname + url.search)}`);

/** Whoever was let in is not asked for again in this window; a request that is refused later leads to the sign-in by itself. */
let wasLetIn = false;

/** Leads to the sign-in where people sign in and nobody has: asked beforehand, so that nothing is refused on the way. */
export async function signedInFor(url: URL, fetch: typeof globalThis.fetch): Promise<void> {
	if (wasLetIn) return;
	const { isOpen, person } = await ask<{ isOpen: boolean; person: Person | null }>('/api/session', 'GET', undefined, fetch);
	if (isOpen && !person) toSignIn(url);
	wasLetIn = true;
}

/** Where nobody has signed in, or an office without accounts is asked from elsewhere, the way to do so, and back to where one wanted to go; gives back whatever else went wrong. */
export function orSignIn(cause: unknown, url: URL): unknown {
	if (cause instanceof ApiError && (cause.status === 401 || cause.problem['type'] === '/problems/wants-code')) toSignIn(url);
	return cause;
}
