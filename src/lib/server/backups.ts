import { spawn } from 'node:child_process';
import { keepBackup } from './db/archive.ts';
import type { OpenDatabase } from './db/open.ts';

const HOUR = 3_600_000;

/** Keeps back-ups of the data folder by the hour while something changes, and before anything is deleted. */
export class Backups {
	readonly #store: OpenDatabase;
	readonly #stateOf: () => Promise<string>;
	#last: string | undefined;
	#timer: ReturnType<typeof setInterval> | undefined;

	/** `stateOf` is a text that differs when anything in the folder has changed. */
	constructor(store: OpenDatabase, stateOf: () => Promise<string>) {
		this.#store = store;
		this.#stateOf = stateOf;
	}

	/** From now on every hour. */
	async start(every = HOUR): Promise<void> {
		this.#last = await this.#stateOf();
		this.#timer = setInterval(
			() => void this.keepIfChanged().catch((error: Error) => console.error(`No back-up was created: ${error.message}`)),
			every
		);
		this.#timer.unref();
	}

	stop(): void {
		clearInterval(this.#timer);
	}

	/** A back-up, if anything has changed since the last one; gives its file. */
	async keepIfChanged(now = new Date()): Promise<string | undefined> {
		const state = await this.#stateOf();
		if (state === this.#last) return undefined;
		const file = await keepBackup(this.#store.folder, await this.#store.dump(), 'hourly', now);
		this.#last = state;
		verifyBeside(file, this.#store.folder);
		return file;
	}

	/** A back-up of everything as it stands before something is deleted, or a program gets another catalogue. */
	async before(what: 'delete' | 'catalogue', now = new Date()): Promise<string> {
		return keepBackup(this.#store.folder, await this.#store.dump(), `before-${what}`, now);
	}
}

/** Looks in a process of its own whether the back-up can be read, and says so if it cannot. */
function verifyBeside(file: string, folder: string): void {
	// named by whatever starts the server (scripts/serve.mjs); a development server has none
	const program = process.env.SKARN_PROGRAM;
	if (!program) return;
	const child = spawn(process.execPath, [program, 'verify-backup', file, '--data', folder], {
		stdio: ['ignore', 'ignore', 'inherit']
	});
	child.on('error', (error) => console.error(`The back-up ${file} could not be checked: ${error.message}`));
	child.unref();
}
