import { eq } from 'drizzle-orm';
import { SearchPaths } from '../../../core/folders/search.ts';
import type { Database } from './db/open.ts';
import { searchPaths } from './db/schema.ts';
import type { Profiles } from './profiles.ts';

/** In which order the seats' programs search for their files. */
export class Folders {
	readonly #db: Database;
	readonly #profiles: Profiles;

	constructor(db: Database, profiles: Profiles) {
		this.#db = db;
		this.#profiles = profiles;
	}

	/** Throws `Problem` 404 for an application that is not here. */
	async of(application: string): Promise<SearchPaths> {
		await this.#profiles.load(application);
		const [row] = await this.#db.select().from(searchPaths).where(eq(searchPaths.application, application));
		return row ? SearchPaths.parse(row.body) : { files: [], groups: [], disks: {} };
	}

	async keep(application: string, body: SearchPaths): Promise<SearchPaths> {
		await this.#profiles.load(application);
		await this.#db
			.insert(searchPaths)
			.values({ application, body })
			.onConflictDoUpdate({ target: searchPaths.application, set: { body } });
		return body;
	}
}
