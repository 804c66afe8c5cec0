import { Recipe } from '$core/recipe/recipe.ts';
import { readBody } from '$lib/server/problem';
import { route } from '$lib/server/route';

export const GET = route('read', async ({ params }, { recipes }) => ({ recipes: await recipes.list(params.app!) }));

export const PUT = route('programs', async ({ params, request }, { recipes }) => {
	await recipes.keep(params.app!, await readBody(request, Recipe, 200_000));
	return { recipes: await recipes.list(params.app!) };
});

/** Drops one by its name: `?name=Arrow lines`. */
export const DELETE = route('programs', async ({ params, url }, { recipes }) => {
	await recipes.drop(params.app!, url.searchParams.get('name') ?? '');
	return { recipes: await recipes.list(params.app!) };
});
