import { redirect } from '@sveltejs/kit';
import { ApiError } from './api';

/** Where nobody has signed in, or an office without accounts is asked from elsewhere, the way to do so, and back to where one wanted to go; gives back whatever else went wrong. */
export function orSignIn(cause: unknown, url: URL): unknown {
	if (cause instanceof ApiError && (cause.status === 401 || cause.problem['type'] === '/problems/wants-code'))
		redirect(307, `/sign-in?to=${encodeURIComponent(url.pathname + url.search)}`);
	return cause;
}
