import { ALL_CHAPTERS } from '$core/profile/chapters';
import type { TextFile } from '$core/chapter/text';
import type { AnyChange } from '$core/profile/edit';
import type { StratumWire } from '$core/profile/wire';
import { isThere } from '$core/recipe/shapes/shapes';

/** Brings the modules that the files need to be read; most are lines and need none. */
async function filesReadable(files: Iterable<TextFile | null | undefined>): Promise<void> {
	for (const file of files) if (file && !isThere(file.recipe.record.shape)) return void (await import('$core/recipe/shapes/all'));
}

const TEXTS = ALL_CHAPTERS.filter(({ form }) => form === 'text').map(({ id }) => id);

/** Makes the texts of the strata readable. */
export const strataReadable = (strata: readonly (StratumWire | null)[]): Promise<void> =>
	filesReadable(strata.flatMap((stratum) => TEXTS.map((id) => stratum?.contents[id]?.[0] as TextFile | undefined)));

/** Makes the texts readable that an edit brings. */
export const editReadable = (changes: readonly AnyChange[]): Promise<void> =>
	filesReadable(
		changes.map((change) => (TEXTS.includes(change.chapter) && 'to' in change ? (change.to as TextFile | null) : undefined))
	);
