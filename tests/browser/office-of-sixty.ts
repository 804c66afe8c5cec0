import { expect } from 'chai';
import { openDemo } from '../../demo/people.ts';

/** The password of everybody in the large office. */
export const PASSWORD = 'rope and pulley';

/** What the steward of the demo has signed in with. */
export async function signedIn(server: string, name: string, password = PASSWORD): Promise<string> {
	const answer = await fetch(`${server}/api/session`, {
		method: 'POST',
		headers: { 'content-type': 'application/json' },
		body: JSON.stringify({ name, password })
	});
	expect(answer.status, await answer.clone().text()).to.equal(200);
	return answer.headers
		.getSetCookie()
		.map((cookie) => cookie.split(';')[0])
		.join('; ');
}

/** Brings the demo's office to sixty people in two disciplines, with twenty seats; gives what its steward has signed in with. */
export async function officeOfSixty(server: string): Promise<string> {
	await openDemo(server, PASSWORD);
	const cookie = await signedIn(server, 'Standards desk');
	const ask = async (path: string, body: unknown, as = cookie) => {
		const answer = await fetch(new URL(path, server), {
			method: 'POST',
			headers: { 'content-type': 'application/json', ...(as && { cookie: as }) },
			body: JSON.stringify(body)
		});
		expect(answer.status, await answer.clone().text()).to.be.oneOf([200, 201]);
		return (await answer.json()) as { links?: { secret: string }[] };
	};
	const { people } = (await (await fetch(`${server}/api/people`, { headers: { cookie } })).json()) as { people: unknown[] };
	const wanted = Array.from({ length: 60 - people.length }, (_, i) => ({
		name: `${['Door', 'Floor', 'Hanger', 'Grip'][i % 4]} desk ${i + 1}`,
		role: 'designer',
		member: [i % 4 < 2 ? 'cladding' : 'hangers'],
		site: `Hall ${(i % 3) + 1}`
	}));
	const { links } = await ask('/api/invitations', { people: wanted });
	// as many at once as the server hashes passwords
	for (let i = 0; i < links!.length; i += 6)
		await Promise.all(links!.slice(i, i + 6).map(({ secret }) => ask(`/api/invitations/${secret}`, { password: PASSWORD }, '')));
	const seats = Array.from({ length: 17 }, (_, i) => ({
		id: `D-${String(i + 1).padStart(2, '0')}`,
		site: `Hall ${(i % 3) + 1}`
	}));
	await ask('/api/applications/gneiss-solid-5/seats', { seats });
	return cookie;
}
