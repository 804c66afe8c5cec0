import { and, asc, eq } from 'drizzle-orm';
import { Recipe } from '../../../core/recipe/recipe.ts';
import type { Database } from './db/open.ts';
import { recipes } from './db/schema.ts';
import type { Profiles } from './profiles.ts';

/** The recipes that are kept with an application, by their names. */
export class Recipes {
	readonly #db: Database;
	readonly #profiles: Profiles;

	constructor(db: Database, profiles: Profiles) {
		this.#db = db;
		this.#profiles = profiles;
	}

	/** Throws `Problem` 404 for an application that is not here. */
	async list(application: string): Promise<Recipe[]> {
		await this.#profiles.load(application);
		const rows = await this.#db.select().from(recipes).where(eq(recipes.application, application)).orderBy(asc(recipes.name));
		return rows.map(({ body }) => Recipe.parse(body));
	}

	/** Keeps a recipe, in place of one of the same name. */
	async keep(application: string, body: Recipe): Promise<void> {
		await this.#profiles.load(application);
		await this.#db
			.insert(recipes)
			.values({ application, name: body.name, body })
			.onConflictDoUpdate({ target: [recipes.application, recipes.name], set: { body } });
	}

	async drop(application: string, name: string): Promise<void> {
		await this.#db.delete(recipes).where(and(eq(recipes.application, application), eq(recipes.name, name)));
	}
}
