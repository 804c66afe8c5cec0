import { cpSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** A line of the journal of migrations. */
export interface Migration {
	readonly tag: string;
	/** When it was written, in milliseconds. */
	readonly when: number;
}

/** A folder with the migrations that an earlier Skarn had: those of today up to the first that is `later`. */
export function earlierMigrations(later: (migration: Migration) => boolean): string {
	const folder = mkdtempSync(join(tmpdir(), 'skarn-migrations-'));
	cpSync('migrations', folder, { recursive: true });
	const journal = join(folder, 'meta', '_journal.json');
	const { entries, ...rest } = JSON.parse(readFileSync(journal, 'utf8')) as { entries: Migration[] };
	const until = entries.findIndex(later);
	writeFileSync(journal, JSON.stringify({ ...rest, entries: until < 0 ? entries : entries.slice(0, until) }));
	return folder;
}
