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
		.description(
			'the whole office as one archive of a data folder, also while the server runs; DATABASE_URL counts as for the server'
		)
		.argument('[file]', 'the archive')
		.option(...DATA)
		.action(async (file: string | undefined, { data }: { data: string }) => {
			const { backUp } = await import('../data.ts');
			console.log(await asBadInput(() => backUp(data, file, migrations())));
		});
	program
		.command('restore')
		.description('a back-up into the data folder; what was there is moved aside')
		.argument('[file]', 'the archive')
		.option(...DATA)
		.option('--latest', 'the newest of those that lie in the data folder')
		.action(async (file: string | undefined, { data, latest }: { data: string; latest?: boolean }) => {
			const { restore } = await import('../data.ts');
			console.log(await asBadInput(() => restore(data, file, latest ?? false, migrations())));
		});
	program
		.command('verify')
		.description(
			'compares what stands in the office with what the edits say; ends with 1 if anything differs; DATABASE_URL counts as for the server'
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
		.description('looks whether a back-up can be read')
		.argument('<file>', 'the archive')
		.action(async (file: string) => {
			const { verifyBackup } = await import('../../src/lib/server/db/archive.ts');
			await asBadInput(() => verifyBackup(file, migrations()));
			console.log(`${file} can be read.`);
		});
	const people = program.command('people').description('who works in the office');
	people
		.command('reset')
		.description('a link by which somebody who has forgotten it takes another password, also while the server runs')
		.argument('<name>', 'what they are called')
		.option('--days <number>', 'how long the link is good, from 1 to 7 days', days, 1)
		.option(...DATA)
		.action(async (name: string, options: { data: string; days: number }) => {
			const { forgottenPassword } = await import('../data.ts');
			console.log(await asBadInput(() => forgottenPassword(options.data, name, options.days, migrations())));
		});
	program
		.command('move')
		.description('an office from a data folder to a PostgreSQL server, or back: copied, counted and compared')
		.argument('<from>', 'a data folder, or the address of a database (postgres://…)')
		.argument('<to>', 'an empty one of either kind')
		.action(async (from: string, to: string) => {
			const { move } = await import('../data.ts');
			console.log(await asBadInput(() => move(from, to, migrations())));
		});
	program
		.command('serve')
		.description('the server')
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
		.description('a workstation that follows the releases of a server')
		.requiredOption('--folder <folder>', 'where its application keeps its files')
		.option('--code <code>', 'the code by which it becomes a seat, at the first time')
		.option('--id <seat>', 'the seat that it should be, such as C-01')
		.option('--many <number>', 'so many seats in this process, with a code for each from the server', count)
		.option('--trouble <words>', 'only report what does not work here with the release that it has')
		.option('--settled', 'only say that what was reported works again')
		.option('-s, --server <url>', 'the server', 'http://127.0.0.1:5180')
		.option('--every <ms>', 'how often it asks', milliseconds, 2000)
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
