import { randomUUID } from 'node:crypto';
import { chmodSync, linkSync, mkdirSync, readFileSync, renameSync, rmSync, statSync, unlinkSync, writeFileSync } from 'node:fs';
import { hostname } from 'node:os';
import { join } from 'node:path';
import { z } from 'zod';

const Holder = z.object({
	pid: z.number().int().positive(),
	host: z.string(),
	since: z.string(),
	address: z.string().optional(),
	/** When the process began, as its system counts; tells it from another that has its number by now. */
	began: z.string().optional(),
	/** Different for each lock that was ever taken. */
	token: z.string().optional()
});
export type Holder = z.infer<typeof Holder>;

/** Another process has the data folder open. Opening it twice would corrupt it. */
export class FolderHeldError extends Error {
	override name = 'FolderHeldError';
	readonly holder: Holder | undefined;
	constructor(message: string, holder: Holder | undefined) {
		super(message);
		this.holder = holder;
	}
}

/** The data folder is none that Skarn can write. The message says what to do. */
export class FolderUnusableError extends Error {
	override name = 'FolderUnusableError';
}

export interface FolderLock {
	/** Throws `FolderHeldError` if the folder is not this process's any more. */
	assertHeld(): void;
	release(): void;
}

const holderPath = (folder: string) => join(folder, 'holder.json');

/** What the holder's file says: a holder, nothing, or something that no Skarn has written. */
function readHolder(folder: string): Holder | 'none' | 'unreadable' {
	let text: string;
	try {
		text = readFileSync(holderPath(folder), 'utf8');
	} catch (error) {
		if ((error as NodeJS.ErrnoException).code === 'ENOENT') return 'none';
		throw error;
	}
	try {
		return Holder.parse(JSON.parse(text));
	} catch {
		return 'unreadable';
	}
}

/**
 * When the process of that number began; undefined where the system does not tell. Linux counts in clock ticks since the start
 * of the machine (proc(5), /proc/pid/stat, field 22).
 */
function beganAt(pid: number): string | undefined {
	try {
		const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
		// the name of the program may hold blanks and brackets
		return stat.slice(stat.lastIndexOf(')') + 2).split(' ')[19];
	} catch {
		return undefined;
	}
}

function isAlive({ pid, began }: Holder): boolean {
	try {
		process.kill(pid, 0);
	} catch (error) {
		if ((error as NodeJS.ErrnoException).code !== 'EPERM') return false;
	}
	const now = beganAt(pid);
	return began === undefined || now === undefined || began === now;
}

function held(folder: string, holder: Holder | undefined): FolderHeldError {
	const path = holderPath(folder);
	if (!holder)
		return new FolderHeldError(
			`${path} does not say which process has the data folder open. If no Skarn runs on it, delete that file and start again.`,
			undefined
		);
	const who = `process ${holder.pid}${holder.host === hostname() ? '' : ` on ${holder.host}`}, running since ${holder.since}${holder.address ? `, at ${holder.address}` : ''}`;
	const elsewhere =
		holder.host === hostname()
			? ''
			: ` Whether it still runs cannot be seen from here: if it does not, delete ${path} and start again.`;
	return new FolderHeldError(
		`The data folder ${folder} is in use by ${who}. Stop it first, or start with another folder: SKARN_DATA=…${elsewhere}`,
		holder
	);
}

/** Makes the folder, for its owner alone. Throws `FolderUnusableError`. */
function makeFolder(folder: string): void {
	try {
		mkdirSync(folder, { recursive: true, mode: 0o700 });
	} catch (error) {
		const { code, message } = error as NodeJS.ErrnoException;
		throw new FolderUnusableError(
			code === 'EEXIST' || code === 'ENOTDIR'
				? `${folder} cannot be the data folder: there is a file with this name. Name another one: SKARN_DATA=…`
				: `The data folder ${folder} cannot be created (${message}). Name another one: SKARN_DATA=…`
		);
	}
	if (!statSync(folder).isDirectory())
		throw new FolderUnusableError(
			`${folder} cannot be the data folder: there is a file with this name. Name another one: SKARN_DATA=…`
		);
	try {
		chmodSync(folder, 0o700);
	} catch {
		// somebody else's folder that one may write: its rights are its owner's affair
	}
}

/** Puts a whole file in place unless there is one; false if there is. A file that is made so is never seen half-written. */
function putExclusively(path: string, text: string): boolean {
	const draft = `${path}.${process.pid}.${randomUUID()}`;
	writeFileSync(draft, text, { flag: 'wx', mode: 0o600 });
	try {
		linkSync(draft, path);
		return true;
	} catch (error) {
		if ((error as NodeJS.ErrnoException).code === 'EEXIST') return false;
		throw error;
	} finally {
		unlinkSync(draft);
	}
}

/** Takes the file of a holder that is gone out of the way; false if another process was quicker. */
function clearLeftOver(folder: string, gone: Holder): boolean {
	const path = holderPath(folder);
	const aside = `${path}.${process.pid}.${randomUUID()}`;
	try {
		renameSync(path, aside);
	} catch (error) {
		if ((error as NodeJS.ErrnoException).code === 'ENOENT') return true;
		throw error;
	}
	const moved = readFileSync(aside, 'utf8');
	const isIt = Holder.safeParse(JSON.parse(moved)).data?.token === gone.token;
	if (!isIt) putExclusively(path, moved);
	rmSync(aside);
	return isIt;
}

/**
 * Takes the folder for this process alone; creates it if needed. A lock is taken over only from a process of this machine that
 * is gone: that no process has its number, or that the one which has it began at another time, shows that. Throws
 * `FolderHeldError` or `FolderUnusableError`.
 */
export async function lockFolder(folder: string, address?: string): Promise<FolderLock> {
	makeFolder(folder);
	const token = randomUUID();
	const own: Holder = {
		pid: process.pid,
		host: hostname(),
		since: new Date().toISOString(),
		address,
		began: beganAt(process.pid),
		token
	};
	try {
		for (let tries = 0; !putExclusively(holderPath(folder), JSON.stringify(own)); tries++) {
			const holder = readHolder(folder);
			if (holder === 'none') continue;
			if (holder === 'unreadable') throw held(folder, undefined);
			if (holder.host !== hostname() || isAlive(holder) || tries > 3) throw held(folder, holder);
			clearLeftOver(folder, holder);
		}
	} catch (error) {
		const { code, message } = error as NodeJS.ErrnoException;
		if (code === 'EACCES' || code === 'EROFS' || code === 'EPERM')
			throw new FolderUnusableError(`The data folder ${folder} cannot be written (${message}). Name another one: SKARN_DATA=…`);
		throw error;
	}
	// of a Skarn that locked otherwise
	rmSync(join(folder, 'lock'), { recursive: true, force: true });
	const isOurs = (): boolean => {
		const holder = readHolder(folder);
		return typeof holder === 'object' && holder.token === token;
	};
	return {
		assertHeld() {
			if (isOurs()) return;
			const holder = readHolder(folder);
			throw held(folder, typeof holder === 'object' ? holder : undefined);
		},
		release() {
			if (isOurs()) rmSync(holderPath(folder), { force: true });
		}
	};
}
