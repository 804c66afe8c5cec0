import { mkdirSync, readFileSync, writeFileSync, rmSync } from 'node:fs';
import { hostname } from 'node:os';
import { join } from 'node:path';
import { z } from 'zod';
import lockfile from 'proper-lockfile';

const Holder = z.object({ pid: z.number(), host: z.string(), since: z.string(), address: z.string().optional() });
export type Holder = z.infer<typeof Holder>;

/** Another process has the data folder open. Opening it twice would corrupt it. */
export class FolderHeldError extends Error {
	override name = 'FolderHeldError';
	readonly holder: Holder | undefined;
	constructor(folder: string, holder: Holder | undefined) {
		const who = holder
			? `process ${holder.pid}, running since ${holder.since}${holder.address ? `, at ${holder.address}` : ''}`
			: 'another process';
		super(`The data folder ${folder} is in use by ${who}. Stop it first, or start with another folder: SKARN_DATA=…`);
		this.holder = holder;
	}
}

/**
 * When a lock that nobody renews counts as left over, in milliseconds. Long, because opening the database blocks this
 * process for seconds on a busy machine; a holder that is known to be dead is not waited for.
 */
const STALE_AFTER = 60_000;

export interface FolderLock {
	release(): Promise<void>;
}

const lockPath = (folder: string) => join(folder, 'lock');
const holderPath = (folder: string) => join(folder, 'holder.json');

export function readHolder(folder: string): Holder | undefined {
	try {
		return Holder.parse(JSON.parse(readFileSync(holderPath(folder), 'utf8')));
	} catch {
		return undefined;
	}
}

function isAlive(pid: number): boolean {
	try {
		process.kill(pid, 0);
		return true;
	} catch (error) {
		return (error as NodeJS.ErrnoException).code === 'EPERM';
	}
}

/**
 * Takes the folder for this process alone; creates it if needed. A lock left by a process of this
 * machine that was killed is taken over at once, any other when it is stale. Throws `FolderHeldError`.
 */
export async function lockFolder(folder: string, address?: string): Promise<FolderLock> {
	mkdirSync(folder, { recursive: true });
	const holder = readHolder(folder);
	if (holder && holder.host === hostname() && !isAlive(holder.pid)) rmSync(lockPath(folder), { recursive: true, force: true });
	let unlock: () => Promise<void>;
	try {
		unlock = await lockfile.lock(folder, {
			stale: STALE_AFTER,
			update: STALE_AFTER / 3,
			lockfilePath: lockPath(folder),
			onCompromised: (error) => {
				console.error(`Skarn lost the lock of its data folder and stops to keep it sound: ${error.message}`);
				process.exit(1);
			}
		});
	} catch (error) {
		if ((error as NodeJS.ErrnoException).code === 'ELOCKED') throw new FolderHeldError(folder, readHolder(folder));
		throw error;
	}
	writeFileSync(
		holderPath(folder),
		JSON.stringify({ pid: process.pid, host: hostname(), since: new Date().toISOString(), address })
	);
	return {
		release: async () => {
			rmSync(holderPath(folder), { force: true });
			await unlock();
		}
	};
}
