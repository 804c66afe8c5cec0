import { json } from '@sveltejs/kit';
import type { Person } from '../../../core/people/person.ts';

/** Whether this server shows the made-up office, where one signs in as any desk. */
export const isDemo = (): boolean => process.env.SKARN_DEMO === 'yes';

/** An answer that sets cookies. */
export function withCookies(value: unknown, cookies: readonly string[]): Response {
	const response = json(value, { headers: { 'cache-control': 'no-store' } });
	for (const cookie of cookies) response.headers.append('set-cookie', cookie);
	return response;
}

export const signedIn = ({ person, cookies }: { person: Person; cookies: readonly string[] }): Response =>
	withCookies({ person }, cookies);
