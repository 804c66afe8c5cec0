import { existsSync } from 'node:fs';
import { spawn } from 'node:child_process';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { InvalidArgumentError, type Command } from 'commander';
import type { SeatOptions } from '../../seat/run.ts';
import { BadInputError } from '../problem.ts';
import type { Ends } from './subject.ts';

/** The package's own folder, whether this runs as it is written or compiled into one file. */
function packageFolder(): string {
	let folder = dirname(fileURLToPath(import.meta.url));
	while (!existsSync(join(folder, 'package.json'))) folder = dirname(folder);
	return folder;
}

const port = (text: string): string => {
	const number = Number(text);
	if (!/^\d+$/.test(text) || number > 65_535) throw new InvalidArgumentError('Expected a number from 0 to 65535.');
	return text;
};
const milliseconds = (text: string): number => {
	if (!/^\d+$/.test(text) || Number(text) < 100)
		throw new InvalidArgumentError('Expected a number of milliseconds, 100 or more.');
	return Number(text);
};

const count = (text: string): number => {
	if (!/^\d+$/.test(text) || Number(text) < 1 || Number(text) > 5000)
		throw new InvalidArgumentError('Expected a number of seats, from 1 to 5000.');
	return Number(text);
};

const days = (text: string): number => {
	if (!/^[1-7]$/.test(text)) throw new InvalidArgumentError('Expected a number of days, from 1 to 7.');
	return Number(text);
};

const DATA = ['-d, --data <folder>', 'the data folder', process.env.SKARN_DATA ?? 'data'] as const;

/** What is thrown about data folders and archives says in its message what to do. */
async function asBadInput<T>(work: () => Promise<T>): Promise<T> {
	try {
		return await work();
	} catch (error) {
		if (['FolderHeldError', 'FolderUnusableError', 'DataFolderError', 'ArchiveError'].includes((error as Error).name))
			throw new BadInputError((error as Error).message);
		throw error;
	}
}

/** The commands about the data folder, the server and the seats. What they need is loaded when one of them is called. */
export function runCommand(program: Command, end: Ends): void {
	const migrations = () => join(packageFolder(), 'migrations');
	program
		.command('backup')
		.description('back up the whole office to one archive, also while the server runs; uses DATABASE_URL like the server')
		.argument('[file]', 'the archive')
		.option(...DATA)
		.action(async (file: string | undefined, { data }: { data: string }) => {
			const { backUp } = await import('../data.ts');
			console.log(await asBadInput(() => backUp(data, file, migrations())));
		});
	program
		.command('restore')
		.description('restore a back-up to the data folder; the current data is moved aside')
		.argument('[file]', 'the archive')
		.option(...DATA)
		.option('--latest', 'the newest back-up in the data folder')
		.action(async (file: string | undefined, { data, latest }: { data: string; latest?: boolean }) => {
			const { restore } = await import('../data.ts');
			console.log(await asBadInput(() => restore(data, file, latest ?? false, migrations())));
		});
	program
		.command('verify')
		.description(
			'compare the stored data with its edit history; exit code 1 if anything differs; uses DATABASE_URL like the server'
		)
		.option(...DATA)
		.action(async ({ data }: { data: string }) => {
			const { verify } = await import('../data.ts');
			const { isTTY } = process.stderr;
			const differing = await asBadInput(() =>
				verify(data, migrations(), ({ application, revision, of }) => {
					if (isTTY) process.stderr.write(`\r${application}: edit ${revision} of ${of}\u001b[K`);
				})
			);
			if (isTTY) process.stderr.write('\r\u001b[K');
			console.log(differing.join('\n') || 'Everything is as the edits say.');
			if (differing.length > 0) end(1);
		});
	program
		.command('verify-backup')
		.description('check whether a back-up is readable')
		.argument('<file>', 'the archive')
		.action(async (file: string) => {
			const { verifyBackup } = await import('../../src/lib/server/db/archive.ts');
			await asBadInput(() => verifyBackup(file, migrations()));
			console.log(`${file} is readable.`);
		});
	const people = program.command('people').description('list the members of the office');
	people
		.command('reset')
		.description('create a link to set a new password, also while the server runs')
		.argument('<name>', 'name of the member')
		.option('--days <number>', 'how long the link is valid, from 1 to 7 days', days, 1)
		.option(...DATA)
		.action(async (name: string, options: { data: string; days: number }) => {
			const { forgottenPassword } = await import('../data.ts');
			console.log(await asBadInput(() => forgottenPassword(options.data, name, options.days, migrations())));
		});
	program
		.command('move')
		.description('move an office from a data folder to a PostgreSQL server, or back: copied, counted and compared')
		.argument('<from>', 'a data folder, or the address of a database (postgres://…)')
		.argument('<to>', 'an empty folder or database')
		.action(async (from: string, to: string) => {
			const { move } = await import('../data.ts');
			console.log(await asBadInput(() => move(from, to, migrations())));
		});
	program
		.command('serve')
		.description('run the server')
		.option('-p, --port <number>', 'the port', port, '5180')
		.option(...DATA)
		.action(async (options: { port: string; data: string }) => {
			const folder = packageFolder();
			if (!existsSync(join(folder, 'build', 'handler.js')))
				throw new BadInputError('The server has not been built: run npm run build in the folder of the package first.');
			const env = { PORT: options.port, SKARN_DATA: options.data, SKARN_MIGRATIONS: migrations() };
			const child = spawn(process.execPath, [join(folder, 'scripts', 'serve.mjs')], {
				stdio: 'inherit',
				env: { ...process.env, ...env }
			});
			for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => child.kill(signal));
			await new Promise<void>((resolve) =>
				child.on('close', (code) => {
					if (code) end(2);
					resolve();
				})
			);
		});
	program
		.command('seat')
		.description('run a seat: a workstation that installs the releases of a server')
		.requiredOption('--folder <folder>', 'folder for the files of the program')
		.option('--code <code>', 'enrolment code, needed once')
		.option('--id <seat>', 'seat id, such as C-01')
		.option('--many <number>', 'simulate this many seats in one process', count)
		.option('--trouble <words>', 'only report a problem with the current release')
		.option('--settled', 'only report that the problem is solved')
		.option('-s, --server <url>', 'run the server', 'http://127.0.0.1:5180')
		.option('--every <ms>', 'polling interval', milliseconds, 2000)
		.action(async ({ many, trouble, settled, ...options }: SeatOptions & { many?: number; trouble?: string; settled?: true }) => {
			const { runSeat, tellTrouble } = await import('../../seat/run.ts');
			try {
				if (trouble !== undefined || settled) console.log(await tellTrouble(options, trouble ?? null));
				else if (many === undefined) await runSeat(options);
				else await (await import('../many.ts')).runMany(many, options);
			} catch (error) {
				throw ['NotEnrolledError', 'AnswerError'].includes((error as Error).name) || (error as Error).message === 'fetch failed'
					? new BadInputError((error as Error).message)
					: error;
			}
		});
}
