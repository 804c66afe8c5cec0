import { expect } from 'chai';
import { execFileSync, spawn, spawnSync, type ExecFileSyncOptionsWithStringEncoding } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { applicationJson } from '../../../cli/server.ts';
import { profileFile, writeProfileFile } from '../../../core/hand-over/profile-file.ts';
import { varve } from '../../../demo/varve/varve.ts';

const root = fileURLToPath(new URL('../../..', import.meta.url));

/** What somebody elsewhere would have: nothing of how the tests are run. */
const { NODE_OPTIONS: _, ...env } = process.env;

/** Packed and installed as somebody would elsewhere: no sources, no tools for developing. */
describe('the package', function () {
	this.timeout(300_000);
	let folder: string;
	const skarn = (...args: string[]) =>
		spawnSync(join(folder, 'node_modules', '.bin', 'skarn'), args, { cwd: folder, env, encoding: 'utf8', timeout: 60_000 });

	before(() => {
		folder = mkdtempSync(join(tmpdir(), 'skarn-package-'));
		execFileSync(process.execPath, ['scripts/build-cli.mjs'], { cwd: root });
		const options: ExecFileSyncOptionsWithStringEncoding = { encoding: 'utf8', env, stdio: ['ignore', 'pipe', 'pipe'] };
		const [packed] = JSON.parse(
			execFileSync('npm', ['pack', '--ignore-scripts', '--json', '--pack-destination', folder], { cwd: root, ...options })
		) as { filename: string }[];
		writeFileSync(join(folder, 'package.json'), '{"name":"elsewhere","private":true}');
		execFileSync('npm', ['install', '--no-audit', '--no-fund', '--omit=dev', join(folder, packed!.filename)], {
			cwd: folder,
			...options
		});
		const { application, commands } = varve;
		writeFileSync(join(folder, 'app.json'), applicationJson({ application, commands, seats: [] }));
		writeFileSync(join(folder, 'profile.json'), writeProfileFile(profileFile(application, varve.history().at(-1)!.profile)));
	});
	after(() => rmSync(folder, { recursive: true, force: true }));

	it('runs without its sources', () => {
		expect(existsSync(join(folder, 'node_modules', 'skarn', 'cli'))).to.equal(false);
		expect(existsSync(join(folder, 'node_modules', 'tsx'))).to.equal(false);
		expect(skarn('--version').stdout.trim()).to.equal('0.1.0');
		const checked = skarn('check', 'profile.json', '-a', 'app.json');
		expect(checked.status, checked.stderr).to.equal(1);
		expect(checked.stdout).to.match(/\d+ errors, /);
	});

	it('backs up, verifies and restores a data folder from anywhere', () => {
		const backup = skarn('backup', 'office.tar.gz', '--data', 'data');
		expect(backup.status, backup.stderr).to.equal(0);
		expect(skarn('verify', '--data', 'data').stdout).to.include('Everything is as the edits say.');
		const restored = skarn('restore', 'office.tar.gz', '--data', 'data');
		expect(restored.status, restored.stderr).to.equal(0);
		expect(restored.stdout).to.include('The former data was moved to');
	});

	it('has a seat that starts, and says that no server answers', async () => {
		const seat = spawn(
			join(folder, 'node_modules', '.bin', 'skarn'),
			['seat', '--id', 'C-01', '--folder', 'seat', '--server', 'http://127.0.0.1:1'],
			{ cwd: folder, env, stdio: ['ignore', 'pipe', 'pipe'] }
		);
		let said = '';
		await new Promise<void>((done) => {
			const take = (part: Buffer) => {
				said += part.toString();
				if (said.includes('C-01: keeps what it has')) done();
			};
			seat.stdout.on('data', take);
			seat.stderr.on('data', take);
			seat.on('exit', () => done());
		});
		seat.kill();
		expect(said).to.include('C-01: keeps what it has');
	});

	it('has a seat that lays a release down, and reports it', async () => {
		const golden = (name: string) => readFileSync(join(root, 'tests/golden/version-1', name));
		let server: Server | undefined;
		let href = '';
		const reported = new Promise<{ state: string; message: string }>((resolve) => {
			server = createServer((request, response) => {
				if (request.method === 'POST') {
					let body = '';
					request.on('data', (part: Buffer) => (body += part.toString()));
					request.on('end', () => resolve(JSON.parse(body) as never));
					response.writeHead(204).end();
				} else response.end(request.url === href ? golden('release.json') : golden('manifest.json'));
			});
		});
		({ href } = JSON.parse(golden('manifest.json').toString()) as { href: string });
		await new Promise<void>((ready) => server!.listen(0, '127.0.0.1', ready));
		const address = `http://127.0.0.1:${(server!.address() as AddressInfo).port}`;
		const args = ['seat', '--id', 'C-01', '--folder', 'laid', '--server', address, '--every', '200'];
		const seat = spawn(join(folder, 'node_modules', '.bin', 'skarn'), args, { cwd: folder, env, stdio: 'ignore' });
		try {
			expect(await reported).to.include({ state: 'installed', message: '' });
			expect(readFileSync(join(folder, 'laid', 'interface.json'), 'utf8')).to.equal(golden('release.json').toString());
		} finally {
			seat.kill();
			server!.close();
		}
	});
});
