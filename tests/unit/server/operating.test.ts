import { expect } from 'chai';
import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, request, type Server } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { putEmptyDatabase } from './made-folder.ts';

/*
 * What docs/operating.md says, tried as it stands there: the service by systemd's own check, the configuration of the proxy by nginx's, both where they
 * are installed; the server with the service's environment behind a proxy that sends the headers of that configuration; back-up, restore, verify and
 * the link for a forgotten password by the very commands.
 */
const root = join(import.meta.dirname, '../../..');
const text = readFileSync(join(root, 'docs/operating.md'), 'utf8');
/** The code of a block that begins with a line. */
const block = (first: string): string => {
	const found = new RegExp(`\`\`\`\\w*\\n(${first}[^]*?)\\n\`\`\``).exec(text);
	if (!found) throw new Error(`docs/operating.md has no block that begins with ${first}`);
	return found[1]!;
};
/** The commands of the program in the document's blocks, by their first word. */
const commands = (word: string): string[] =>
	[...text.matchAll(/^(?:node bin\/skarn\.mjs|npx skarn) (.+)$/gm)]
		.map(([, args]) => args!)
		.filter((args) => args.startsWith(word));
const isThere = (program: string) => spawnSync('which', [program]).status === 0;

describe('docs/operating.md', function () {
	let folder: string;
	let server: ChildProcess;
	let proxy: Server;
	let address: string;
	const log: string[] = [];
	const service = block('# /etc/systemd/system/skarn.service');
	const nginx = block('# /etc/nginx/sites-enabled/skarn');
	const environment = Object.fromEntries(
		[...service.matchAll(/^Environment=(\w+)=(.*)$/gm)].map(([, name, value]) => [name!, value!])
	);
	const data = () => join(folder, 'data');
	const here = (args: string) =>
		args
			.replaceAll('/var/lib/skarn/data', data())
			.replaceAll('/var/lib/skarn', data())
			.replaceAll('/var/backups', folder)
			.replaceAll('$(date +%F)', '2026-11-30');
	const skarn = (args: string) => {
		const parts = here(args)
			.match(/"[^"]*"|\S+/g)!
			.map((part) => part.replaceAll('"', ''));
		return spawnSync(process.execPath, ['bin/skarn.mjs', ...parts], { cwd: root, encoding: 'utf8' });
	};
	const ask = (path: string, init: RequestInit = {}) => fetch(new URL(path, address), init);

	before(async () => {
		folder = mkdtempSync(join(tmpdir(), 'skarn-operated-'));
		await putEmptyDatabase(data());
		const free = createServer().listen(0, '127.0.0.1');
		await once(free, 'listening');
		const { port } = free.address() as { port: number };
		free.close();
		const env = { ...environment, PORT: String(port), SKARN_DATA: data(), SKARN_ROOT_KEYS: join(folder, 'root-keys') };
		server = spawn(process.execPath, ['--import', 'tsx', 'tests/unit/server/plain-server.ts'], {
			cwd: root,
			env: { ...process.env, ...env },
			stdio: ['ignore', 'pipe', 'pipe']
		});
		for (const stream of [server.stdout!, server.stderr!])
			stream.setEncoding('utf8').on('data', (said: string) => log.push(said));
		for (const end = Date.now() + 60_000; !log.join('').includes('listens'); await new Promise((ok) => setTimeout(ok, 50)))
			if (Date.now() > end || server.exitCode !== null) throw new Error(`the server did not start: ${log.join('')}`);
		// a proxy that sets the headers of the configuration
		const set = [...nginx.matchAll(/proxy_set_header (\S+) (\S+);/g)].map(([, name, value]) => [name!, value!] as const);
		proxy = createServer((asked, answer) => {
			const values: Record<string, string> = {
				$host: environment['SKARN_HOSTS']!,
				$scheme: 'https',
				$proxy_add_x_forwarded_for: [asked.headers['x-forwarded-for'], '198.51.100.20'].filter(Boolean).join(', ')
			};
			const headers = {
				...asked.headers,
				...Object.fromEntries(set.map(([name, value]) => [name.toLowerCase(), values[value]!]))
			};
			const on = request({ port, host: '127.0.0.1', method: asked.method, path: asked.url, headers }, (got) => {
				answer.writeHead(got.statusCode!, got.headers);
				got.pipe(answer);
			});
			asked.pipe(on);
		}).listen(0, '127.0.0.1');
		await once(proxy, 'listening');
		address = `http://127.0.0.1:${(proxy.address() as { port: number }).port}`;
	});
	after(async () => {
		proxy.close();
		proxy.closeAllConnections();
		if (server.exitCode === null) {
			server.kill('SIGTERM');
			await once(server, 'exit');
		}
		rmSync(folder, { recursive: true, force: true });
	});

	it('has a service that systemd takes', function () {
		if (!isThere('systemd-analyze')) this.skip();
		const file = join(folder, 'skarn.service');
		writeFileSync(file, service.replace(/^(ExecStart=)\S+/m, `$1${process.execPath}`).replace(/^User=.*$/m, 'User=root'));
		const { stderr } = spawnSync('systemd-analyze', ['verify', file], { encoding: 'utf8' });
		expect(stderr).not.to.match(/skarn\.service:\d+:|Unknown|Failed to parse/);
	});

	it('has a proxy whose configuration nginx reads', function () {
		if (!isThere('nginx')) this.skip();
		const plain = nginx.replaceAll(/^\s*ssl_\w+ .*$/gm, '').replace('443 ssl', '8443');
		writeFileSync(join(folder, 'nginx.conf'), `events {} pid ${folder}/pid; http { access_log off; ${plain} }`);
		const { status, stderr } = spawnSync('nginx', ['-t', '-c', join(folder, 'nginx.conf')], { encoding: 'utf8' });
		expect(status, stderr).to.equal(0);
	});

	it('opens the office behind that proxy with the code of the console, and for nobody else; cookies go by TLS', async () => {
		for (const path of ['/api/backup', '/api/applications', '/api/people'])
			expect((await ask(path, { headers: { 'x-forwarded-for': '127.0.0.1' } })).status, path).to.equal(403);
		const code = /[0-9A-Z]{4}-[0-9A-Z]{4}-[0-9A-Z]{4}/.exec(log.join(''))![0];
		expect(log.join('')).to.include('https://cad.office.example/sign-in');
		const opened = await ask('/api/office', {
			method: 'POST',
			headers: { 'content-type': 'application/json', 'skarn-code': code },
			body: JSON.stringify({ name: 'Standards desk', password: 'rope and pulley' })
		});
		expect(opened.status, await opened.clone().text()).to.equal(200);
		expect(opened.headers.getSetCookie()[0]).to.match(/; secure/i);
		const cookie = opened.headers
			.getSetCookie()
			.map((one) => one.split(';')[0])
			.join('; ');
		const { sessions } = (await (await ask('/api/session/all', { headers: { cookie } })).json()) as {
			sessions: { name: string }[];
		};
		expect(sessions[0]!.name, 'the address that the proxy says').to.include('198.51.100.20');
	});

	it('makes a back-up of the running server, looks at it, and restores it on another machine', async () => {
		const [backup] = commands('backup /var/backups/skarn-$(date');
		expect(skarn(backup!).stdout).to.match(/^Backed up /);
		expect(skarn(commands('verify-backup')[0]!).stdout).to.include('is readable');
		const elsewhere = join(folder, 'elsewhere');
		const restore = commands('restore')[0]!.replace('/var/lib/skarn/data', elsewhere);
		expect(skarn(restore).stdout).to.include('Restored');
		expect(existsSync(join(elsewhere, 'postgres'))).to.equal(true);
		const verified = skarn(commands('verify --data')[0]!.replace('/var/lib/skarn/data', elsewhere));
		expect(verified.stdout, verified.stderr).to.include('Everything is as the edits say');
	});

	it('gives the only steward a link when the password is forgotten', async () => {
		const { stdout, stderr } = skarn(commands('people reset')[0]!);
		const secret = /\/join\/(\S+)/.exec(stdout)?.[1];
		expect(secret, stdout + stderr).to.be.a('string');
		const changed = await ask(`/api/invitations/${secret}`, {
			method: 'POST',
			headers: { 'content-type': 'application/json' },
			body: JSON.stringify({ password: 'slate and chalk' })
		});
		expect(changed.status).to.equal(200);
		expect(skarn('people reset "Nobody" --data /var/lib/skarn').stderr).to.include('no member');
	});
});
