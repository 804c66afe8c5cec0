import { createHash } from 'node:crypto';
import { copyFileSync, existsSync, mkdirSync, readFileSync, renameSync } from 'node:fs';
import { join } from 'node:path';
import writeFileAtomic from 'write-file-atomic';
import { z } from 'zod';

const Installed = z.strictObject({ release: z.number().int(), sha256: z.string() });
export type Installed = z.infer<typeof Installed>;

export const sha256 = (bytes: Uint8Array) => createHash('sha256').update(bytes).digest('hex');

/**
 * The stand-in application's folder on one workstation: `interface.json` is what the application reads,
 * `interface.former.json` the one before, `seat.json` what was installed last.
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
			return Installed.parse(JSON.parse(readFileSync(this.#path('seat.json'), 'utf8')));
		} catch {
			return undefined;
		}
	}

	/** The digest of the file as it lies there now. */
	digest(): string | undefined {
		const path = this.#path('interface.json');
		return existsSync(path) ? sha256(readFileSync(path)) : undefined;
	}

	/** The file as it lies there now, or undefined if there is none. */
	content(): string | undefined {
		const path = this.#path('interface.json');
		return existsSync(path) ? readFileSync(path, 'utf8') : undefined;
	}

	/** The digest of the file changed by hand that the office has got; forgotten with the process. */
	told: string | null = null;

	/**
	 * Writes the file beside the old one and swaps it in; the old one stays as the former. A file changed by hand is kept
	 * under a name with its digest, so that nothing of it is lost.
	 */
	install(release: number, bytes: Uint8Array): void {
		const path = this.#path('interface.json');
		const before = this.digest();
		const known = this.installed();
		if (before !== undefined) {
			if (before === known?.sha256) copyFileSync(path, this.#path('interface.former.json'));
			else renameSync(path, this.#path(`interface.by-hand-${before.slice(0, 8)}.json`));
		}
		writeFileAtomic.sync(path, Buffer.from(bytes));
		writeFileAtomic.sync(this.#path('seat.json'), JSON.stringify({ release, sha256: sha256(bytes) } satisfies Installed));
	}
}
