import { eq } from 'drizzle-orm';
import { canonicalText } from '../../../core/format/canonical.ts';
import { pathsAt, SearchPaths, withLook, type FoundFile } from '../../../core/folders/search.ts';
import type { Database } from './db/open.ts';
import { searchPaths, seats } from './db/schema.ts';
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

	/** The same for who may not see what seats report: only what they have entered themselves, and what lies at the seats where they sit. */
	async ofOwn(application: string, person: string): Promise<SearchPaths> {
		const paths = await this.of(application);
		const sitting = await this.#db.select({ id: seats.id }).from(seats).where(eq(seats.person, person));
		const own = new Set(sitting.map(({ id }) => id));
		const isSeen = (seat: string) => own.has(seat) || paths.looked?.[seat]?.by === person;
		const seen = <V>(of: Readonly<Record<string, V>>) => Object.fromEntries(Object.entries(of).filter(([seat]) => isSeen(seat)));
		return { ...paths, disks: seen(paths.disks), ...(paths.looked && { looked: seen(paths.looked) }) };
	}

	async keep(application: string, body: SearchPaths): Promise<SearchPaths> {
		await this.#profiles.load(application);
		await this.#db
			.insert(searchPaths)
			.values({ application, body })
			.onConflictDoUpdate({ target: searchPaths.application, set: { body } });
		return body;
	}

	/** Where a seat is to look for the files of all programs. */
	async pathsAt(seat: string): Promise<string[]> {
		const rows = await this.#db.select().from(searchPaths);
		return [...new Set(rows.flatMap(({ body }) => pathsAt(SearchPaths.parse(body), seat)))];
	}

	/**
	 * Keeps what a seat sees, for every program that looks for files there, or for one alone; what it saw before is forgotten. `by` is null
	 * for the seat itself. Gives the programs, and whether anything is otherwise there than before.
	 */
	async look(
		seat: string,
		found: readonly FoundFile[],
		{ by, application }: { readonly by: string | null; readonly application?: string },
		now = new Date()
	): Promise<{ readonly application: string; readonly isNews: boolean }[]> {
		return this.#db.transaction(async (tx) => {
			const rows = await tx.select().from(searchPaths).for('update');
			const looked: { application: string; isNews: boolean }[] = [];
			for (const { application: of, body } of rows) {
				const paths = SearchPaths.parse(body);
				const wanted = new Set(pathsAt(paths, seat));
				if (wanted.size === 0 || (application !== undefined && application !== of)) continue;
				const mine = found.filter(({ path }) => wanted.has(path));
				const next = withLook(paths, seat, mine, { at: now.toISOString(), by });
				await tx.update(searchPaths).set({ body: next }).where(eq(searchPaths.application, of));
				looked.push({ application: of, isNews: canonicalText(paths.disks[seat] ?? null) !== canonicalText(mine) });
			}
			return looked;
		});
	}
}
