import { mkdirSync, readFileSync, writeFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import lockfile from 'proper-lockfile';

const Holder = z.object({ pid: z.number(), since: z.string(), address: z.string().optional() });
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

/** How long a lock outlives a process that was killed, in milliseconds. */
const STALE_AFTER = 5_000;

export interface FolderLock {
	release(): Promise<void>;
}

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
 * Takes the folder for this process alone; creates it if needed. A lock left by a process that was killed is taken over
 * once it is stale. Throws `FolderHeldError`.
 */
export async function lockFolder(folder: string, address?: string): Promise<FolderLock> {
	mkdirSync(folder, { recursive: true });
	const holder = readHolder(folder);
	const mayBeLeftOver = !holder || !isAlive(holder.pid);
	let unlock: () => Promise<void>;
	try {
		unlock = await lockfile.lock(folder, {
			stale: STALE_AFTER,
			update: STALE_AFTER / 3,
			lockfilePath: join(folder, 'lock'),
			retries: mayBeLeftOver ? { retries: 8, minTimeout: 1000, maxTimeout: 1000 } : 0,
			onCompromised: (error) => {
				console.error(`Skarn lost the lock of its data folder and stops to keep it sound: ${error.message}`);
				process.exit(1);
			}
		});
	} catch (error) {
		if ((error as NodeJS.ErrnoException).code === 'ELOCKED') throw new FolderHeldError(folder, readHolder(folder));
		throw error;
	}
	writeFileSync(holderPath(folder), JSON.stringify({ pid: process.pid, since: new Date().toISOString(), address }));
	return {
		release: async () => {
			rmSync(holderPath(folder), { force: true });
			await unlock();
		}
	};
}
