import type { FileRow } from '../chapter/chapter.ts';
import { BARS } from '../chapters/bars/bar.ts';
import { readBars } from '../chapters/bars/file.ts';
import { readMacros } from '../chapters/macros/file.ts';
import { MACROS } from '../chapters/macros/macro.ts';
import { readShortcuts } from '../chapters/shortcuts/file.ts';
import type { FileProblem } from '../format/problem.ts';
import type { Recipe } from '../recipe/recipe.ts';
import type { Profile, StratumId } from '../strata/stratum.ts';

/**
 * The entries that a file brings by a recipe of shortcuts, macros or bars, each with its line; `into` is the stratum of those that the
 * file says nothing of. Bars are matched with those of the profile. Throws `FileRefusedError` for a file of another shape.
 */
export function readByRecipe(
	recipe: Recipe,
	file: string,
	text: string,
	into: StratumId,
	profile: Profile
): { readonly rows: readonly FileRow[]; readonly refused: readonly FileProblem[] } {
	if (recipe.holds === 'macros') {
		const { entries, refused } = readMacros(recipe, file, text);
		return { rows: entries.map((said) => ({ chapter: MACROS, line: said.rank, stratum: into, said })), refused };
	}
	if (recipe.holds === 'bars') {
		const { rows, refused } = readBars(recipe, file, text, profile);
		return { rows: rows.map((row) => ({ chapter: BARS, stratum: into, ...row })), refused };
	}
	return readShortcuts(recipe, file, text);
}
