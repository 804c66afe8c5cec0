import { json, type RequestEvent } from '@sveltejs/kit';
import type { Office } from '../office.ts';
import type { SigningIn } from './sign-in.ts';

/** An answer that sets cookies; those of a request that came by TLS go nowhere without it. */
export function withCookies(value: unknown, cookies: readonly string[], isSecure: boolean): Response {
	const response = json(value, { headers: { 'cache-control': 'no-store' } });
	for (const cookie of cookies)
		response.headers.append('set-cookie', isSecure && !/;\s*secure\b/i.test(cookie) ? `${cookie}; Secure` : cookie);
	return response;
}

/** Signs somebody in with what the request says, and answers who it is. */
export async function signedIn(
	event: RequestEvent,
	{ doors, signIns }: Pick<Office, 'doors' | 'signIns'>,
	said: Pick<SigningIn, 'name' | 'password' | 'work'>
): Promise<Response> {
	const { person, cookies } = await signIns.signIn({ ...said, address: doors.addressOf(event), headers: event.request.headers });
	return withCookies({ person }, cookies, doors.isSecure(event));
}
