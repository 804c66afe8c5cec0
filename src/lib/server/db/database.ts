import type { PgliteDatabase } from 'drizzle-orm/pglite';
import type * as schema from './schema.ts';

export type Database = PgliteDatabase<typeof schema>;

/** A transaction in which rows are read and written. */
export type RowTransaction = Parameters<Parameters<Database['transaction']>[0]>[0];

/** What a step of a migration may do. */
export type Transaction = Pick<Database, 'execute'>;
