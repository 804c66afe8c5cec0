import type { PgliteDatabase } from 'drizzle-orm/pglite';
import type * as schema from './schema.ts';

export type Database = PgliteDatabase<typeof schema>;

/** What a step of a migration may do. */
export type Transaction = Pick<Database, 'execute'>;
