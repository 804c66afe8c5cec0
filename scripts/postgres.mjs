// A PostgreSQL server of its own for the tests: on loopback, in a folder that goes with it. Use: scripts/postgres.mjs COMMAND …
import { execFileSync, spawnSync } from 'node:child_process';
import { chmodSync, chownSync, existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const INSTALLED = '/usr/lib/postgresql';

/** The folder of the newest version's programs; undefined where the Debian package is not installed. */
function programs() {
	if (!existsSync(INSTALLED)) return undefined;
	const versions = readdirSync(INSTALLED).filter((name) => existsSync(join(INSTALLED, name, 'bin', 'initdb')));
	const newest = versions.sort((a, b) => Number(a) - Number(b)).at(-1);
	return newest && join(INSTALLED, newest, 'bin');
}

const isRoot = process.getuid?.() === 0;
/** PostgreSQL does not run as root: then it is the user that the Debian package has made. */
const run = (bin, program, args) =>
	isRoot
		? execFileSync('runuser', ['-u', 'postgres', '--', join(bin, program), ...args], { stdio: 'pipe', cwd: '/' })
		: execFileSync(join(bin, program), args, { stdio: 'pipe' });

const freePort = () =>
	new Promise((resolve) => {
		const server = createServer().listen(0, '127.0.0.1', () => {
			const { port } = server.address();
			server.close(() => resolve(port));
		});
	});

/** Starts one; gives its address and what ends it. */
export async function startPostgres() {
	const bin = programs();
	if (!bin) throw new Error('PostgreSQL is not there: install the Debian package postgresql.');
	const folder = mkdtempSync(join(tmpdir(), 'skarn-postgres-'));
	chmodSync(folder, 0o700);
	if (isRoot) {
		const id = (flag) => Number(execFileSync('id', [flag, 'postgres'], { encoding: 'utf8' }));
		chownSync(folder, id('-u'), id('-g'));
	}
	const data = join(folder, 'data');
	const port = await freePort();
	run(bin, 'initdb', ['-D', data, '-U', 'skarn', '-A', 'trust', '-E', 'UTF8', '--locale=C.UTF-8', '--no-sync']);
	const options = `-c listen_addresses=127.0.0.1 -p ${port} -c unix_socket_directories= -c fsync=off -c max_connections=200`;
	run(bin, 'pg_ctl', ['-D', data, '-w', '-l', join(folder, 'log'), '-o', options, 'start']);
	return {
		url: `postgres://skarn@127.0.0.1:${port}/postgres`,
		/** Ends it as a machine does that loses its power, and starts it again after so many milliseconds. */
		async restart(after = 0) {
			run(bin, 'pg_ctl', ['-D', data, '-m', 'immediate', 'stop']);
			await new Promise((resolve) => setTimeout(resolve, after));
			run(bin, 'pg_ctl', ['-D', data, '-w', '-l', join(folder, 'log'), '-o', options, 'start']);
		},
		stop() {
			try {
				run(bin, 'pg_ctl', ['-D', data, '-m', 'immediate', 'stop']);
			} finally {
				rmSync(folder, { recursive: true, force: true });
			}
		}
	};
}

if (process.argv[1] === new URL(import.meta.url).pathname && process.argv.length > 2) {
	const server = await startPostgres();
	const [command, ...args] = process.argv.slice(2);
	const { status } = spawnSync(command, args, { stdio: 'inherit', env: { ...process.env, SKARN_TEST_POSTGRES: server.url } });
	server.stop();
	process.exitCode = status ?? 1;
}
