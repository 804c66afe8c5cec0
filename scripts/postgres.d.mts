/** A PostgreSQL server of its own for tests. */
export interface TestPostgres {
	readonly url: string;
	restart(after?: number): Promise<void>;
	stop(): void;
}
export function startPostgres(): Promise<TestPostgres>;
