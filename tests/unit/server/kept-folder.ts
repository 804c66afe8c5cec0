import { expect } from 'chai';
import { rmSync } from 'node:fs';
import { sql } from 'drizzle-orm';
import type { Profile, StratumId } from '../../../core/strata/stratum.ts';
import { openDatabase } from '../../../src/lib/server/db/open.ts';
import type { Office } from '../../../src/lib/server/office.ts';
import { earlierMigrations } from './earlier.ts';

export interface KeptFolder {
	/** The time of the last migration that had run. */
	readonly migratedUntil: number;
	readonly tables: Readonly<Record<string, readonly object[]>>;
}

/** Tables in the order in which their rows can come: what is pointed to must be first. `texts` came with version 2. */
const ORDER = [
	'applications',
	'commands',
	'strata',
	'entries',
	'texts',
	'edits',
	'recipes',
	'releases',
	'search_paths',
	'seats',
	'reports'
];

/** A data folder as the version left it: its migrations, and its rows. */
export async function folderOf({ migratedUntil, tables }: KeptFolder, folder: string): Promise<void> {
	const migrations = earlierMigrations(({ when }) => when > migratedUntil);
	const store = await openDatabase(folder, { migrations });
	const order = ORDER.filter((name) => name in tables);
	expect(order).to.have.members(Object.keys(tables));
	for (const name of order) {
		const table = sql.identifier(name);
		const rows = JSON.stringify(tables[name]);
		await store.db.execute(sql`insert into ${table} select * from jsonb_populate_recordset(null::${table}, ${rows}::jsonb)`);
	}
	await store.close();
	rmSync(migrations, { recursive: true });
}

/** The profile once every edit is undone: the newest of all first, whichever stratum it was written from. */
export async function undoneWhole({ profiles }: Office, app: string): Promise<Profile> {
	for (;;) {
		const there = await profiles.load(app);
		const { undo: left } = profiles.reach(there);
		const [stratum] = Object.entries(left).sort(([, a], [, b]) => (b.at(-1) ?? 0) - (a.at(-1) ?? 0))[0]!;
		if (left[stratum]!.length === 0) return there.profile;
		await profiles.step(app, 'undo', there.revision, stratum as StratumId);
	}
}
