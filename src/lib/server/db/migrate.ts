import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { sql } from 'drizzle-orm';
import { carryOverChapters } from './chapters-step.ts';
import type { Database, Transaction } from './database.ts';

/** What the journal of drizzle-kit says of each migration. */
interface Journal {
	readonly entries: readonly { readonly when: number; readonly tag: string }[];
}

/** What cannot be said in SQL well, by the name that the migration gives it in `-- step: name`. */
const STEPS: Readonly<Record<string, (tx: Transaction) => Promise<void>>> = { chapters: carryOverChapters };

export const readJournal = (migrations: string): Journal =>
	JSON.parse(readFileSync(join(migrations, 'meta', '_journal.json'), 'utf8')) as Journal;

/**
 * Brings a database up to date in one transaction, with the migrations that drizzle-kit writes and in the table in which its
 * migrator counts them; a migration may have steps in code besides.
 */
export async function migrate(db: Database, migrations: string): Promise<void> {
	await db.execute(sql`create schema if not exists drizzle`);
	await db.execute(
		sql`create table if not exists drizzle.__drizzle_migrations (id serial primary key, hash text not null, created_at bigint)`
	);
	const applied = await db.execute<{ newest: string | null }>(
		sql`select max(created_at)::text as newest from drizzle.__drizzle_migrations`
	);
	const newest = applied.rows[0]?.newest;
	const pending = readJournal(migrations).entries.filter(({ when }) => newest == null || when > Number(newest));
	if (pending.length === 0) return;
	await db.transaction(async (tx) => {
		for (const { tag, when } of pending) {
			const text = readFileSync(join(migrations, `${tag}.sql`), 'utf8');
			for (const statement of text.split('--> statement-breakpoint')) {
				const step = /^\s*-- step: (\w+)\s*$/.exec(statement)?.[1];
				if (step === undefined) await tx.execute(sql.raw(statement));
				else await STEPS[step]!(tx);
			}
			await tx.execute(sql`insert into drizzle.__drizzle_migrations (hash, created_at) values (${tag}, ${when})`);
		}
	});
}
