import { createHash, randomUUID } from 'node:crypto';
import { cpSync, existsSync, mkdirSync, readFileSync, readdirSync, renameSync, rmSync } from 'node:fs';
import { join } from 'node:path';

/** Where folders that tests copy are kept. */
const KEPT = 'node_modules/.cache/skarn-tests';

/** A digest of the files below these paths, names and contents. */
export function digestOf(paths: readonly string[]): string {
	const hash = createHash('sha256');
	for (const path of paths)
		for (const file of (readdirSync(path, { recursive: true, withFileTypes: true }) as import('node:fs').Dirent[])
			.filter((entry) => entry.isFile())
			.map((entry) => join(entry.parentPath, entry.name))
			.sort())
			hash.update(file).update(readFileSync(file));
	return hash.digest('hex').slice(0, 16);
}

/** A folder that `make` has filled, for copying. It is made once for each digest, by whichever process comes first. */
export async function madeFolder(name: string, digest: string, make: (folder: string) => Promise<void>): Promise<string> {
	const place = join(KEPT, `${name}-${digest}`);
	if (existsSync(place)) return place;
	const draft = join(KEPT, `draft-${randomUUID()}`);
	mkdirSync(draft, { recursive: true });
	await make(draft);
	try {
		renameSync(draft, place);
	} catch (error) {
		rmSync(draft, { recursive: true, force: true });
		if (!existsSync(place)) throw error;
	}
	return place;
}

/** Puts a database without rows into a data folder that is not there or empty, as the first start would. */
export async function putEmptyDatabase(folder: string): Promise<void> {
	const made = await madeFolder('empty', digestOf(['migrations']), async (draft) => {
		const { openDatabase } = await import('../../../src/lib/server/db/open.ts');
		const { close } = await openDatabase(draft);
		await close();
		rmSync(join(draft, 'secret'));
	});
	cpSync(join(made, 'postgres'), join(folder, 'postgres'), { recursive: true });
}
