import {
	constants,
	closeSync,
	fsyncSync,
	lstatSync,
	openSync,
	readdirSync,
	readFileSync,
	renameSync,
	rmSync,
	writeSync
} from 'node:fs';
import { randomUUID } from 'node:crypto';
import { join } from 'node:path';

/*
 * Files in a folder in which somebody else may write: a link that lies where a file is expected leads nowhere. The usual package for whole
 * files (write-file-atomic) follows links on purpose, and is not used here for that reason.
 */

const NOT_THERE = new Set(['ENOENT', 'ENOTDIR', 'ELOOP']);

/** The bytes of a file, or undefined where there is none; a link, a pipe or a folder is none. */
export function readPlain(path: string): Buffer | undefined {
	try {
		if (!lstatSync(path).isFile()) return undefined;
		// O_NOFOLLOW where the system knows it: the file may have become a link meanwhile
		const file = openSync(path, constants.O_RDONLY | (constants.O_NOFOLLOW ?? 0));
		try {
			return readFileSync(file);
		} finally {
			closeSync(file);
		}
	} catch (error) {
		if (NOT_THERE.has((error as NodeJS.ErrnoException).code ?? '')) return undefined;
		throw error;
	}
}

/** Writes a file whole or not at all. What lay there, a link too, is replaced; what a link leads to is left alone. */
export function writePlain(path: string, data: Uint8Array | string, { mode = 0o666 }: { mode?: number } = {}): void {
	const beside = `${path}.${randomUUID()}.new`;
	// wx: fails where something of that name lies already, and so follows no link
	const file = openSync(beside, 'wx', mode);
	try {
		try {
			const bytes = typeof data === 'string' ? Buffer.from(data) : data;
			for (let at = 0; at < bytes.length;) at += writeSync(file, bytes, at);
			fsyncSync(file);
		} finally {
			closeSync(file);
		}
		// a rename replaces a link itself (POSIX.1-2017, rename)
		renameSync(beside, path);
	} catch (error) {
		rmSync(beside, { force: true });
		throw error;
	}
}

/** Whether a link lies there, wherever it leads. */
export const isLink = (path: string): boolean => lstatSync(path, { throwIfNoEntry: false })?.isSymbolicLink() ?? false;

/** Takes the links out of a folder, for those who write there without looking. */
export function removeLinks(folder: string): void {
	for (const name of readdirSync(folder)) {
		const path = join(folder, name);
		if (isLink(path)) rmSync(path);
	}
}
