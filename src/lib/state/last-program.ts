import { redirect } from '@sveltejs/kit';
import { ask } from './api';
import { remembered } from './remembered';
import { orSignIn, signedInFor } from './signed-out';

/** Where the program is kept that was looked at last. */
export const LAST_PROGRAM = 'program';

/**
 * Leads to a page within the frame of the program that was looked at last, or of the first; goes on where the office has none yet, or
 * to the sign-in where nobody has signed in.
 */
export async function toLastProgram(page: string, url: URL, fetch: typeof globalThis.fetch): Promise<void> {
	await signedInFor(url, fetch);
	const { applications } = await ask<{ applications: { id: string }[] }>('/api/applications', 'GET', undefined, fetch).catch(
		(cause: unknown) => {
			throw orSignIn(cause, url);
		}
	);
	const wanted = url.searchParams.get('program') ?? remembered(LAST_PROGRAM);
	const program = applications.find(({ id }) => id === wanted) ?? applications[0];
	if (program) redirect(307, `/${program.id}/${page}${url.search}`);
}
