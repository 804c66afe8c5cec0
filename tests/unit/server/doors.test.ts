import { expect } from 'chai';
import { Doors } from '../../../src/lib/server/doors.ts';
import { LINE, serverInside, type Inside } from '../page/inside.ts';

const said: string[] = [];
const codeIn = (lines: readonly string[]): string => /[0-9A-Z]{4}-[0-9A-Z]{4}-[0-9A-Z]{4}/.exec(lines.join('\n'))![0];
const event = (line: string | undefined, headers: Record<string, string> = {}, url = 'http://cad.office/') => ({
	url: new URL(url),
	request: new Request(url, { headers }),
	getClientAddress: () => {
		if (line === undefined) throw new Error('not known');
		return line;
	}
});
const doors = (more: ConstructorParameters<typeof Doors>[0] = {}) => new Doors({ say: (text) => said.push(text), ...more });

describe('the doors of an office without accounts', () => {
	beforeEach(() => said.splice(0));

	it('are open to its own machine, where nobody else reaches the server', () => {
		for (const line of ['127.0.0.1', '127.9.9.9', '::1', '::ffff:127.0.0.1'])
			expect(doors().mayEnter(event(line)), line).to.equal(true);
	});

	it('take a loopback address for no proof: behind a proxy, and where others reach the server, all come from there', () => {
		for (const name of ['x-forwarded-for', 'forwarded', 'x-real-ip', 'via', 'x-forwarded-host', 'x-forwarded-proto'])
			expect(doors().mayEnter(event('127.0.0.1', { [name]: '127.0.0.1' })), name).to.equal(false);
		expect(doors({ host: '0.0.0.0' }).mayEnter(event('127.0.0.1'))).to.equal(false);
		expect(doors({ host: '10.0.0.4' }).mayEnter(event('127.0.0.1'))).to.equal(false);
		expect(doors().mayEnter(event('10.0.0.9'))).to.equal(false);
		expect(doors().mayEnter(event(undefined)), 'an address that is not known').to.equal(false);
	});

	it('are opened from elsewhere by the code that the console prints, typed as one likes', () => {
		const door = doors({ host: '0.0.0.0', address: 'https://cad.office' });
		expect(door.mayEnter(event('10.0.0.9', { 'skarn-code': '0000-0000-0000' }))).to.equal(false);
		expect(said).to.have.length(1);
		expect(said[0]).to.include('https://cad.office/sign-in');
		const code = codeIn(said);
		expect(door.mayEnter(event('10.0.0.9', { 'skarn-code': code.toLowerCase().replaceAll('-', ' ') }))).to.equal(true);
		expect(codeIn(said), 'another server has another one').not.to.equal(
			(said.splice(0), doors().mayEnter(event('10.0.0.9')), codeIn(said))
		);
	});
});

describe('the address of who asks', () => {
	const of = (line: string | undefined, forwarded?: string, proxies = '10.0.0.0/24, 127.0.0.1, fd00::/8') =>
		doors({ proxies }).addressOf(event(line, forwarded === undefined ? {} : { 'x-forwarded-for': forwarded }));

	it('is what named proxies say, from right to left, and nothing that others say', () => {
		expect(of('203.0.113.7', '198.51.100.1'), 'no proxy').to.equal('203.0.113.7');
		expect(of('127.0.0.1', '198.51.100.1')).to.equal('198.51.100.1');
		expect(of('::ffff:10.0.0.8', '198.51.100.1, 10.0.0.5')).to.equal('198.51.100.1');
		expect(of('10.0.0.8', '192.0.2.66, 198.51.100.1'), 'what the asker has made up stands left').to.equal('198.51.100.1');
		expect(of('fd00::1', '2001:db8::7')).to.equal('2001:db8::7');
		expect(of('10.0.0.8', 'nonsense')).to.equal('10.0.0.8');
		expect(of('10.0.0.8')).to.equal('10.0.0.8');
		expect(of(undefined, '198.51.100.1')).to.equal('unknown');
		expect(of('127.0.0.1', '198.51.100.1', ''), 'without named proxies').to.equal('127.0.0.1');
	});

	it('says by a named proxy that a request came by TLS', () => {
		const proto = { 'x-forwarded-proto': 'https' };
		expect(doors({ proxies: '127.0.0.1' }).isSecure(event('127.0.0.1', proto))).to.equal(true);
		expect(doors().isSecure(event('127.0.0.1', proto))).to.equal(false);
		expect(doors().isSecure(event('10.0.0.9', {}, 'https://cad.office/'))).to.equal(true);
	});

	it('refuses proxies that cannot be read when the server starts', () => {
		for (const proxies of ['proxy.office', '10.0.0.0/33', '10.0.0.0/x', '1.2.3'])
			expect(() => doors({ proxies }), proxies).to.throw(RangeError, proxies);
	});
});

describe('an office without accounts that is reached from elsewhere', () => {
	let server: Inside;
	const lines: string[] = [];
	const { warn } = console;
	before(() => {
		console.warn = (text: string) => lines.push(text);
		server = serverInside();
	});
	after(async () => {
		console.warn = warn;
		await server.close();
	});

	it('tells nobody anything, and makes a steward of who has the code alone', async () => {
		const elsewhere = { [LINE]: '127.0.0.1', 'x-forwarded-for': '127.0.0.1' };
		const ask = (path: string, method = 'GET', body?: unknown, more: Record<string, string> = {}) =>
			server.ask(path, method, body, { ...elsewhere, ...more });
		for (const [path, method] of [
			['/api/applications', 'GET'],
			['/api/backup', 'GET'],
			['/api/people', 'GET'],
			['/api/invitations/none', 'GET']
		] as const)
			expect((await ask(path, method)).status, path).to.equal(403);
		expect(await (await ask('/api/session')).json()).to.deep.equal({ isOpen: false, person: null, wantsCode: true });
		const first = { name: 'Standards desk', password: 'rope and pulley' };
		expect((await ask('/api/office', 'POST', first)).status).to.equal(403);
		expect((await ask('/api/office', 'POST', first, { 'skarn-code': 'AAAA-AAAA-AAAA' })).status).to.equal(403);
		const opened = await ask('/api/office', 'POST', first, { 'skarn-code': codeIn(lines) });
		expect(opened.status).to.equal(200);
		expect((await ask('/api/backup', 'GET', undefined, { 'skarn-code': codeIn(lines) })).status, 'used up').to.equal(401);
	});

	it('sends cookies by TLS alone where a named proxy says that they came by it', async () => {
		const answer = await server.ask('/api/session', 'POST', { name: 'Standards desk', password: 'rope and pulley' });
		expect(answer.headers.getSetCookie()[0]).not.to.match(/secure/i);
	});
});
