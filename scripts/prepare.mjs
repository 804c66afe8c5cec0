// Brings a fresh clone to the point where the application can run: packages and build. Node's own modules only.
import { execFileSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

export const root = new URL('..', import.meta.url).pathname;

export function run(command, args, options = {}) {
	execFileSync(command, args, { cwd: root, stdio: 'inherit', ...options });
}

const digestOf = (paths) => {
	const hash = createHash('sha256');
	const add = (path) => {
		const full = join(root, path);
		if (!existsSync(full)) return;
		if (statSync(full).isDirectory()) for (const name of readdirSync(full).sort()) add(join(path, name));
		else hash.update(path).update(readFileSync(full));
	};
	paths.forEach(add);
	return hash.digest('hex');
};

function onceFor(stampPath, digest, work) {
	const stamp = join(root, stampPath);
	if (existsSync(stamp) && readFileSync(stamp, 'utf8') === digest) return;
	work();
	mkdirSync(join(stamp, '..'), { recursive: true });
	writeFileSync(stamp, digest);
}

export function ensurePackages() {
	onceFor('node_modules/.skarn-packages', digestOf(['package-lock.json']), () => {
		console.log('Installing packages …');
		// not `npm ci`: it refuses a lock file without the optional packages of other platforms, which npm 11 writes
		run('npm', ['install', '--no-save', '--no-audit', '--no-fund', '--loglevel=error']);
	});
}

export function ensureBuild() {
	const sources = [
		'src',
		'core',
		'cli',
		'seat',
		'static',
		'svelte.config.js',
		'vite.config.ts',
		'package-lock.json',
		'scripts/build-cli.mjs'
	];
	onceFor('build/.skarn-sources', digestOf(sources), () => {
		console.log('Building …');
		run('npx', ['vite', 'build', '--logLevel', 'warn']);
		run('node', ['scripts/build-cli.mjs']);
	});
}

const asRoot = (command, args) => (process.getuid?.() === 0 ? run(command, args) : run('sudo', [command, ...args]));

/** Debian's packages that the tests and the pictures use: the program that shows a package is there, and the package's name. */
const PROGRAMS = {
	chromium: '/usr/bin/chromium',
	'libxkbcommon-tools': '/usr/bin/xkbcli',
	strace: '/usr/bin/strace',
	'poppler-utils': '/usr/bin/pdftotext',
	postgresql: '/usr/lib/postgresql'
};

export function ensurePrograms() {
	const missing = Object.entries(PROGRAMS)
		.filter(([, path]) => !existsSync(path))
		.map(([name]) => name);
	if (missing.length === 0) return;
	console.log(`Installing ${missing.join(' and ')} …`);
	try {
		asRoot('apt-get', ['update', '-qq']);
		asRoot('apt-get', ['install', '-y', '-qq', '--no-install-recommends', ...missing]);
	} catch {
		console.error(
			`Missing and could not be installed: the Debian packages ${missing.join(', ')}. Install them and run this again.`
		);
		process.exit(1);
	}
}
