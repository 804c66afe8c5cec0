import { expect } from 'chai';
import { pathToFileURL } from 'node:url';
import { officeOfPeople } from '../office-of-people.ts';
import { places } from '../page/inside.ts';

/*
 * Who may ask what, as the office has agreed on it: stewards keep the office's strata, releases and people; leads the strata of a
 * discipline or project; designers their own, and proposals; trainers read all, print, and make recommended setups.
 */
const ALL = 'steward lead designer trainer';
const EXPECTED: Readonly<Record<string, string>> = {
	'GET /api/applications': ALL,
	'POST /api/applications': 'steward',
	'GET /api/applications/[app]': ALL,
	'PUT /api/applications/[app]': 'steward',
	'DELETE /api/applications/[app]': 'steward',
	'GET /api/applications/[app]/blame': ALL,
	'PUT /api/applications/[app]/channel': 'steward',
	'PUT /api/applications/[app]/command-line': 'steward',
	'GET /api/applications/[app]/edits': ALL,
	'POST /api/applications/[app]/edits': ALL,
	'GET /api/applications/[app]/elsewhere': ALL,
	'GET /api/applications/[app]/export': ALL,
	'GET /api/applications/[app]/folders': ALL,
	'POST /api/applications/[app]/folders': ALL,
	'PUT /api/applications/[app]/folders': 'steward',
	'GET /api/applications/[app]/history': ALL,
	'GET /api/applications/[app]/history/[revision]': ALL,
	'GET /api/applications/[app]/impact': ALL,
	'GET /api/applications/[app]/restore': ALL,
	'POST /api/applications/[app]/seats/codes': 'steward',
	'GET /api/applications/[app]/proposals': ALL,
	'POST /api/applications/[app]/proposals': ALL,
	'PUT /api/applications/[app]/proposals/[number]': 'steward lead',
	'POST /api/applications/[app]/proposals/[number]': ALL,
	'DELETE /api/applications/[app]/proposals/[number]': ALL,
	'GET /api/applications/[app]/recipes': ALL,
	'PUT /api/applications/[app]/recipes': 'steward',
	'DELETE /api/applications/[app]/recipes': 'steward',
	'POST /api/applications/[app]/redo': ALL,
	'GET /api/applications/[app]/releases': ALL,
	'POST /api/applications/[app]/releases': 'steward',
	'GET /api/applications/[app]/releases/[number]': ALL,
	'GET /api/applications/[app]/rollout': ALL,
	'POST /api/applications/[app]/rollout': 'steward',
	'PUT /api/applications/[app]/rollout': 'steward',
	'GET /api/applications/[app]/seats': ALL,
	'POST /api/applications/[app]/seats': 'steward',
	'DELETE /api/applications/[app]/seats': 'steward',
	'GET /api/applications/[app]/setups': ALL,
	'POST /api/applications/[app]/setups': ALL,
	'PUT /api/applications/[app]/setups': ALL,
	'DELETE /api/applications/[app]/setups': ALL,
	'GET /api/applications/[app]/strata': ALL,
	'POST /api/applications/[app]/undo': ALL,
	'GET /api/backup': 'steward',
	'POST /api/enrolments': 'anybody',
	'GET /api/invitations': 'steward',
	'POST /api/invitations': 'steward',
	'DELETE /api/invitations': 'steward',
	'GET /api/invitations/[secret]': 'anybody',
	'POST /api/invitations/[secret]': 'anybody',
	'GET /api/live': ALL,
	'POST /api/office': 'steward',
	'GET /api/people': ALL,
	'POST /api/people': 'steward',
	'GET /api/people/leaving': 'steward',
	'POST /api/people/password': 'steward',
	'PUT /api/people': 'steward',
	'DELETE /api/people': 'steward',
	'PUT /api/seats/[seat]/desk': ALL,
	'GET /api/seats/[seat]/drift': 'steward lead trainer',
	'PUT /api/seats/[seat]/drift': 'seat',
	'GET /api/seats/[seat]/check-in': 'seat',
	'POST /api/seats/[seat]/code': 'steward',
	'GET /api/seats/[seat]/files': 'seat',
	'PUT /api/seats/[seat]/files': 'seat',
	'GET /api/seats/[seat]/own': 'seat',
	'PUT /api/seats/[seat]/ring': 'steward',
	'GET /api/seats/[seat]/session': 'anybody',
	'POST /api/seats/[seat]/session': 'anybody',
	'PUT /api/seats/[seat]/sitting': ALL,
	'POST /api/seats/[seat]/reports': 'seat',
	'POST /api/seats/[seat]/trouble': ALL,
	'DELETE /api/seats/[seat]/trouble': ALL,
	'PUT /api/seats/[seat]/trouble': 'seat',
	'PUT /api/seats/[seat]/restore': 'steward',
	'GET /api/signing': ALL,
	'POST /api/signing': 'steward',
	'PUT /api/signing': 'steward',
	'GET /api/session': 'anybody',
	'POST /api/session': 'anybody',
	'DELETE /api/session': 'anybody',
	'POST /api/session/desk': 'anybody',
	'GET /api/session/all': ALL,
	'DELETE /api/session/all': ALL,
	'DELETE /api/session/tokens': ALL,
	'PUT /api/session/password': ALL,
	'GET /api/session/tokens': ALL,
	'POST /api/session/tokens': ALL,
	'GET /api/strata': ALL,
	'POST /api/strata': ALL,
	'PATCH /api/strata': ALL,
	'PUT /api/strata': 'steward',
	'GET /api/updates/files/[app]/[name]': 'seat',
	'GET /api/updates/metadata/[name]': 'seat',
	'GET /api/verify': 'steward'
};

const ROLES = ['steward', 'lead', 'designer', 'trainer'];
const METHODS = ['GET', 'POST', 'PUT', 'DELETE', 'PATCH'];

describe('the rights of an office', () => {
	const people = officeOfPeople();

	it('are said for every route that there is', async () => {
		const there: string[] = [];
		for (const { file } of places) {
			const module = (await import(pathToFileURL(file).href)) as Record<string, unknown>;
			const address = file.replace('src/routes', '').replace('/+server.ts', '');
			there.push(...METHODS.filter((method) => method in module).map((method) => `${method} ${address}`));
		}
		expect(there.sort()).to.deep.equal(Object.keys(EXPECTED).sort());
	});

	// what is asked is nothing that could be carried out: who may ask is told what is wrong with it, who may not, that it is not theirs
	for (const [asked, who] of Object.entries(EXPECTED)) {
		const [method, address] = asked.split(' ') as [string, string];
		const to = address
			.replace('[app]', 'no-such-program')
			.replace('[seat]', 'Z-99')
			.replace('[secret]', 'none')
			.replace('[name]', 'timestamp.json')
			.replace('[number]', '77')
			.replace('[revision]', '77');
		const body = method === 'GET' || method === 'DELETE' ? undefined : { nothing: 'of this' };
		it(`${asked}: ${who}`, async () => {
			const statusOf = async (cookie?: string) => {
				const answer = await people.server.ask(to, method, body, cookie ? { cookie } : {});
				await answer.body?.cancel();
				return answer.status;
			};
			const isOpen = who === 'anybody';
			// whatever somebody may in the office: they are no seat
			if (who === 'seat') {
				for (const cookie of [undefined, ...Object.values(people.cookies)]) expect(await statusOf(cookie)).to.equal(401);
				return;
			}
			if (!isOpen) expect(await statusOf(), 'nobody').to.equal(401);
			for (const role of ROLES) {
				const isSignOut = asked === 'DELETE /api/session';
				if (isSignOut) continue;
				const status = await statusOf(people.cookies[role]);
				const mayAsk = isOpen || who.split(' ').includes(role);
				if (mayAsk) expect(status, role).not.to.be.oneOf([401, 403]);
				else expect(status, role).to.equal(403);
			}
		});
	}
});
