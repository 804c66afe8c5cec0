import { isThere } from '$core/recipe/shapes/shapes';
import type { AliasFile } from '$core/chapters/aliases/file';

/** Brings the modules that the files need to be read; most are lines and need none. */
export async function filesReadable(files: Iterable<AliasFile | null | undefined>): Promise<void> {
	for (const file of files) if (file && !isThere(file.recipe.record.shape)) return void (await import('$core/recipe/shapes/all'));
}
