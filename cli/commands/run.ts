import { spawn } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import type { Command } from 'commander';
import type { Ends } from './subject.ts';

const root = fileURLToPath(new URL('../../', import.meta.url));

/** Runs one of the project's own programs in place of this one, from where it was called. */
function hand(end: Ends, args: readonly string[], env: Readonly<Record<string, string>> = {}): Promise<void> {
	return new Promise((resolve) => {
		const child = spawn(process.execPath, args, { stdio: 'inherit', env: { ...process.env, ...env } });
		for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => child.kill(signal));
		child.on('close', (code) => {
			end(code === 0 ? 0 : 2);
			resolve();
		});
	});
}

const typed = (file: string): string[] => ['--import', 'tsx', `${root}${file}`];

/** The commands that are programs of their own: back-up, restore, server and seat. */
export function runCommand(program: Command, end: Ends): void {
	program
		.command('backup')
		.description('the whole data folder as one archive, also while the server runs')
		.argument('[file]', 'the archive')
		.option('-d, --data <folder>', 'the data folder', process.env.SKARN_DATA ?? 'data')
		.action((file: string | undefined, { data }: { data: string }) =>
			hand(end, [...typed('scripts/backup.ts'), ...(file ? [file] : [])], { SKARN_DATA: data })
		);
	program
		.command('restore')
		.description('a back-up into the data folder; what was there is moved aside')
		.argument('<file>', 'the archive')
		.option('-d, --data <folder>', 'the data folder', process.env.SKARN_DATA ?? 'data')
		.action((file: string, { data }: { data: string }) =>
			hand(end, [...typed('scripts/restore.ts'), file], { SKARN_DATA: data })
		);
	program
		.command('serve')
		.description('the server, which must have been built')
		.option('-p, --port <number>', 'the port', '5180')
		.option('-d, --data <folder>', 'the data folder', process.env.SKARN_DATA ?? 'data')
		.action(({ port, data }: { port: string; data: string }) =>
			hand(end, [`${root}scripts/serve.mjs`], { PORT: port, SKARN_DATA: data, SKARN_MIGRATIONS: `${root}migrations` })
		);
	program
		.command('seat')
		.description('a workstation that follows the releases of a server')
		.requiredOption('--id <seat>', 'the seat, such as C-01')
		.requiredOption('--folder <folder>', 'where its application keeps its files')
		.option('-s, --server <url>', 'the server', 'http://127.0.0.1:5180')
		.action(({ id, folder, server }: { id: string; folder: string; server: string }) =>
			hand(end, [...typed('seat/main.ts'), '--id', id, '--folder', folder, '--server', server])
		);
}
