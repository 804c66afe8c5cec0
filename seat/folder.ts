import { createHash } from 'node:crypto';
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import { isLink, readPlain, writePlain } from './plain-files.ts';

const Release = z.object({
	/** Null for a file of somebody who sits there before anything was released. */
	release: z.number().int().nullable(),
	sha256: z.string(),
	/** The version of the file of whoever sits there; null where it is the release itself. */
	own: z.number().int().nullable().default(null),
	/** The program that the folder is for, since the first release. */
	application: z.string().optional()
});

/** What was installed, and what is about to be: a process may end between the file and the note about it. */
const Note = Release.extend({ next: Release.optional() });
export type Installed = z.infer<typeof Release>;

export const sha256 = (bytes: Uint8Array) => createHash('sha256').update(bytes).digest('hex');

/**
 * The stand-in application's folder on one workstation: `interface.json` is what the application reads,
 * `interface.former.json` the one before, `interface.laid.json` the file as it was laid, `seat.json` what was installed last.
 */
export class SeatFolder {
	readonly #folder: string;

	constructor(folder: string) {
		mkdirSync(folder, { recursive: true });
		this.#folder = folder;
	}

	#path(name: string): string {
		return join(this.#folder, name);
	}

	/** What was installed last, or undefined on a new seat or when the note cannot be read. */
	installed(): Installed | undefined {
		try {
			const { next, ...now } = Note.parse(JSON.parse(readPlain(this.#path('seat.json'))!.toString('utf8')));
			return next && this.digest() === next.sha256 ? next : now;
		} catch {
			return undefined;
		}
	}

	/** The digest of the file as it lies there now. */
	digest(): string | undefined {
		const bytes = readPlain(this.#path('interface.json'));
		return bytes && sha256(bytes);
	}

	/** The file as it lies there now, or undefined if there is none. */
	content(): string | undefined {
		return readPlain(this.#path('interface.json'))?.toString('utf8');
	}

	/** Whether somebody has put a link in the place of the file; what it leads to is not looked at. */
	get hasLink(): boolean {
		return isLink(this.#path('interface.json'));
	}

	/** The file as it was laid last, if the note and the copy agree. */
	laid(): Buffer | undefined {
		const known = this.installed();
		const bytes = known && readPlain(this.#path('interface.laid.json'));
		return bytes && sha256(bytes) === known.sha256 ? bytes : undefined;
	}

	/** The digest of the file changed by hand that the office has got; forgotten with the process. */
	told: string | null = null;

	/** Notes that the file which was laid is called otherwise now. */
	note({ release, own, application }: { release: number | null; own: number | null; application: string }, digest: string): void {
		writePlain(this.#path('seat.json'), JSON.stringify({ release, own, application, sha256: digest }));
	}

	/**
	 * Writes the file beside the old one and swaps it in; the old one stays as the former. A file changed by hand is kept
	 * under a name with its digest, so that nothing of it is lost. At every instant there is a whole `interface.json`, once there was one.
	 */
	install(
		{ release, own = null, application }: { release: number | null; own?: number | null; application: string },
		bytes: Uint8Array
	): void {
		const path = this.#path('interface.json');
		const former = readPlain(path);
		const before = former && sha256(former);
		const known = this.installed();
		const next: Installed = { release, sha256: sha256(bytes), own, application };
		if (former && before !== undefined) {
			const kept = before === known?.sha256 ? 'interface.former.json' : `interface.by-hand-${before.slice(0, 8)}.json`;
			writePlain(this.#path(kept), former);
		}
		if (known) writePlain(this.#path('seat.json'), JSON.stringify({ ...known, next }));
		writePlain(path, bytes);
		writePlain(this.#path('interface.laid.json'), bytes);
		writePlain(this.#path('seat.json'), JSON.stringify(next));
	}
}
