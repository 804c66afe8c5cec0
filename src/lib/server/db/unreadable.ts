import { getTableName, sql } from 'drizzle-orm';
import { TABLES } from './move.ts';
import { wayOut, type OpenDatabase } from './open.ts';

/** So many pages of a table are read at once, while others wait. */
const PAGES = 200;

/** Which tables cannot be read, each with what the database says of it and what to do; nothing if all can. */
export async function unreadable({ db, folder, isShared }: Pick<OpenDatabase, 'db' | 'folder' | 'isShared'>): Promise<string[]> {
	const found: string[] = [];
	for (const table of TABLES) {
		const name = getTableName(table);
		try {
			const { rows } = await db.execute<{ pages: number }>(
				sql`select (pg_relation_size(${name}::regclass) / current_setting('block_size')::int)::int as pages`
			);
			for (let page = 0; page < rows[0]!.pages; page += PAGES)
				// long values, which lie elsewhere, are read by making a text of the row
				await db.execute(
					sql`select sum(length(t::text)) from ${table} t where ctid >= ${`(${page},0)`}::tid and ctid < ${`(${page + PAGES},0)`}::tid`
				);
		} catch (error) {
			const { cause, message } = error as Error;
			const why = cause instanceof Error ? cause.message : message;
			found.push(`The table “${name}” cannot be read: ${why}.${isShared ? '' : ` ${wayOut(folder)}`}`);
		}
	}
	return found;
}
