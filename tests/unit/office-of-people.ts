import { expect } from 'chai';
import { fill } from '../../demo/fill.ts';
import { gneiss } from '../../demo/gneiss/gneiss.ts';
import { serverInside, type Inside } from './page/inside.ts';

/** The password of everybody in these tests. */
export const PASSWORD = 'rope and pulley';

/** The cookies that an answer sets, as a browser sends them back. */
export const cookieOf = (answer: Response): string =>
	answer.headers
		.getSetCookie()
		.map((cookie) => cookie.split(';')[0])
		.join('; ');

export const signIn = (server: Inside, name: string, password = PASSWORD): Promise<Response> =>
	server.ask('/api/session', 'POST', { name, password });

/**
 * Opens an office that was alone: a steward, the lead of the discipline *Cladding*, a designer and a trainer, with the project
 * *Ropes* besides. Gives the cookie of each by role.
 */
export async function openOffice(server: Inside): Promise<Record<string, string>> {
	const opened = await server.ask('/api/office', 'POST', { name: 'Steward desk', password: PASSWORD });
	expect(opened.status, await opened.clone().text()).to.equal(200);
	const steward = cookieOf(opened);
	const cookies: Record<string, string> = { steward };
	const asSteward = async (path: string, body: unknown) => {
		const answer = await server.ask(path, 'POST', body, { cookie: steward });
		expect(answer.status, await answer.clone().text()).to.equal(201);
		return answer.json() as Promise<Record<string, string>>;
	};
	await asSteward('/api/strata', { id: 'cladding', kind: 'discipline', name: 'Cladding' });
	await asSteward('/api/strata', { id: 'ropes', kind: 'project', name: 'Ropes' });
	for (const [role, name] of [
		['lead', 'Lead desk'],
		['designer', 'Designer desk'],
		['trainer', 'Trainer desk']
	] as const) {
		const { secret } = await asSteward('/api/people', { name, role, leads: role === 'lead' ? ['cladding'] : [] });
		cookies[role] = cookieOf(await server.ask(`/api/invitations/${secret}`, 'POST', { password: PASSWORD }));
	}
	return cookies;
}

/** For a suite: an office of these people with the first program of the demo, in this process. */
export function officeOfPeople() {
	let server: Inside;
	let cookies: Record<string, string>;
	before(async () => {
		server = serverInside();
		await fill(server.address, gneiss);
		cookies = await openOffice(server);
	});
	after(() => server.close());
	return {
		get server() {
			return server;
		},
		/** The cookie of each by role. */
		get cookies() {
			return cookies;
		},
		/** Asks as somebody in that role. */
		as: (who: string, to: string, method = 'GET', body?: unknown): Promise<Response> =>
			server.ask(to, method, body, { cookie: cookies[who]! })
	};
}
