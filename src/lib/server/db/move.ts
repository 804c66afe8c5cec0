import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { getTableName, sql } from 'drizzle-orm';
import type { PgTable } from 'drizzle-orm/pg-core';
import writeFileAtomic from 'write-file-atomic';
import type { Database } from './database.ts';
import { DataFolderError, openDatabase, type OpenDatabase } from './open.ts';
import * as schema from './schema.ts';

/** All tables, each after those that it refers to. */
export const TABLES: readonly PgTable[] = [
	schema.applications,
	schema.commands,
	schema.layers,
	schema.strata,
	schema.entries,
	schema.texts,
	schema.edits,
	schema.soundStates,
	schema.searchPaths,
	schema.recipes,
	schema.releases,
	schema.seats,
	schema.drifts,
	schema.reports,
	schema.people,
	schema.sessions,
	schema.credentials,
	schema.verifications,
	schema.invitations,
	schema.tries,
	schema.spent,
	schema.tokens,
	schema.setups,
	schema.proposals,
	schema.enrolments,
	schema.rollouts,
	schema.signingKeys,
	schema.metadata,
	schema.signedFiles,
	schema.ownFiles
];

/** Columns that count up by themselves. */
const COUNTED = [
	['layers', 'position'],
	['reports', 'id'],
	['setups', 'position'],
	['proposals', 'id'],
	['signed_files', 'id']
] as const;

/** So many rows are copied at a time, and of tables with whole files fewer. */
const ROWS = 400;
const LARGE: readonly PgTable[] = [schema.releases, schema.drifts, schema.ownFiles];

type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0];

/** How many rows of each table were copied. */
export type Counted = Readonly<Record<string, number>>;

/**
 * Copies an office from one database to an empty one, as it stands at one moment, in one transaction; then counts and compares every
 * table. Throws `DataFolderError` for a target that is not empty, or where anything differs; then the target stays empty.
 */
export async function copyOffice(from: OpenDatabase, to: OpenDatabase): Promise<Counted> {
	const counts: Record<string, number> = {};
	await from.db.transaction(
		async (read) => {
			await to.db.transaction(async (write) => {
				for (const table of TABLES)
					if ((await rowsIn(write, table)) > 0)
						throw new DataFolderError(
							`${to.where} is not empty: its table ${getTableName(table)} has rows. Move into an empty one; nothing was written.`
						);
				for (const table of TABLES) counts[getTableName(table)] = await copyTable(read, write, table);
				for (const [table, column] of COUNTED)
					await write.execute(
						sql`select setval(pg_get_serial_sequence(${table}, ${column}), (select coalesce(max(${sql.identifier(column)}), 0) + 1 from ${sql.identifier(table)}), false)`
					);
				for (const table of TABLES) {
					const [before, after] = [await digestOf(read, table), await digestOf(write, table)];
					if (before !== after)
						throw new DataFolderError(
							`${getTableName(table)} differs between ${to.where} and ${from.where}; nothing was written.`
						);
				}
			});
		},
		{ isolationLevel: 'repeatable read' }
	);
	await keepSecret(to, from.secret);
	return counts;
}

async function rowsIn(tx: Transaction, table: PgTable): Promise<number> {
	const { rows } = await tx.execute<{ n: number }>(sql`select count(*)::int as n from ${table}`);
	return rows[0]!.n;
}

/** Row by row as the database itself says them, so that nothing is rounded on the way. */
async function copyTable(read: Transaction, write: Transaction, table: PgTable): Promise<number> {
	const most = LARGE.includes(table) ? 4 : ROWS;
	for (let copied = 0; ;) {
		const { rows } = await read.execute<{ n: number; said: string | null }>(
			sql`select count(*)::int as n, jsonb_agg(to_jsonb(t))::text as said from (select * from ${table} order by ctid limit ${most} offset ${copied}) t`
		);
		const { n, said } = rows[0]!;
		if (said !== null)
			await write.execute(sql`insert into ${table} select * from jsonb_populate_recordset(null::${table}, ${said}::jsonb)`);
		copied += n;
		if (n < most) return copied;
	}
}

/** A text that is the same for the same rows, in whatever order and zone they are kept. */
async function digestOf(tx: Transaction, table: PgTable): Promise<string> {
	await tx.execute(sql`set local time zone 'UTC'`);
	const { rows } = await tx.execute<{ digest: string }>(
		sql`select concat(count(*), ' ', md5(coalesce(string_agg(md5(t::text), '' order by md5(t::text) collate "C"), ''))) as digest from ${table} t`
	);
	return rows[0]!.digest;
}

/** What is signed in is signed in there too. */
async function keepSecret({ db, folder, isShared }: OpenDatabase, secret: string): Promise<void> {
	if (!isShared) return writeFileAtomic.sync(join(folder, 'secret'), `${secret}\n`, { mode: 0o600 });
	const { settings } = schema;
	await db
		.insert(settings)
		.values({ name: 'secret', value: secret })
		.onConflictDoUpdate({ target: settings.name, set: { value: secret } });
}

/** A shared database as an archive of a data folder, which `skarn restore` takes. */
export async function archiveOf(from: OpenDatabase, migrations: string): Promise<Blob> {
	const folder = mkdtempSync(join(tmpdir(), 'skarn-archive-'));
	try {
		const to = await openDatabase(folder, { migrations });
		try {
			await copyOffice(from, to);
			return await to.dump();
		} finally {
			await to.close();
		}
	} finally {
		rmSync(folder, { recursive: true, force: true });
	}
}
