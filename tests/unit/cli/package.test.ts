import { expect } from 'chai';
import { OfficeStandIn } from '../seat/office-stand-in.ts';
import { execFileSync, spawn, spawnSync, type ExecFileSyncOptionsWithStringEncoding } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { applicationJson } from '../../../cli/server.ts';
import { profileFile, writeProfileFile } from '../../../core/hand-over/profile-file.ts';
import { putEmptyDatabase } from '../server/made-folder.ts';
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

	it('backs up, verifies and restores a data folder from anywhere', async () => {
		const none = skarn('backup', 'none.tar.gz', '--data', 'nowhere');
		expect([none.status, existsSync(join(folder, 'nowhere'))]).to.deep.equal([2, false]);
		await putEmptyDatabase(join(folder, 'data'));
		const backup = skarn('backup', 'office.tar.gz', '--data', 'data');
		expect(backup.status, backup.stderr).to.equal(0);
		expect(skarn('verify', '--data', 'data').stdout).to.include('Everything is as the edits say.');
		const restored = skarn('restore', 'office.tar.gz', '--data', 'data');
		expect(restored.status, restored.stderr).to.equal(0);
		expect(restored.stdout).to.include('The former data was moved to');
	});

	/** What a seat of the package says until it has said this, or ended. */
	async function saidBy(args: readonly string[], until: string): Promise<string> {
		const seat = spawn(join(folder, 'node_modules', '.bin', 'skarn'), ['seat', ...args], {
			cwd: folder,
			env,
			stdio: ['ignore', 'pipe', 'pipe']
		});
		let said = '';
		await new Promise<void>((done) => {
			const take = (part: Buffer) => {
				said += part.toString();
				if (said.includes(until)) done();
			};
			seat.stdout.on('data', take);
			seat.stderr.on('data', take);
			seat.on('exit', () => done());
		});
		seat.kill();
		return said;
	}

	it('has a seat that wants a code at first, and says what is wrong with one', async () => {
		const at = ['--folder', 'seat', '--server', 'http://127.0.0.1:1'];
		expect(await saidBy(['--id', 'C-01', ...at], 'to say')).to.include('A steward creates a code for C-01 in Rollout');
		expect(await saidBy(['--code', 'hello', ...at], 'to say')).to.include('This is not a code');
		expect(await saidBy(['--many', '0', ...at], 'to say')).to.include('a number of seats, from 1 to 5000');
	});

	it('has a seat that enrols, lays a release down, and says that no server answers when it is away', async () => {
		const release = readFileSync(join(root, 'tests/golden/version-1/release.json'), 'utf8');
		const { application } = JSON.parse(release) as { application: { id: string } };
		const stand = new OfficeStandIn(application.id);
		stand.writeRoot();
		stand.write({ releases: { 1: release }, follows: 1 });
		const server = await stand.listen();
		const at = ['--folder', 'laid', '--server', server, '--every', '200'];
		try {
			expect(await saidBy([...at, '--code', stand.code], 'installed')).to.include('C-01: installed, release 1');
			expect(readFileSync(join(folder, 'laid', 'interface.json'), 'utf8')).to.equal(release);
		} finally {
			stand.close();
		}
		expect(await saidBy([...at, '--id', 'C-01'], 'keeps the current release')).to.include(
			'C-01: keeps the current release, the server cannot be reached'
		);
	});
});
