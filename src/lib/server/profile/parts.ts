/** So much of edits is read at once, in bytes as the database keeps them. */
const BYTES = 400_000;

/** Revisions in parts that are read at once. */
export function inParts(rows: readonly { readonly revision: number; readonly size: number }[], most = 100): number[][] {
	const parts: number[][] = [];
	let bytes = Infinity;
	for (const { revision, size } of rows) {
		if (bytes + size > BYTES || parts.at(-1)!.length >= most) {
			parts.push([]);
			bytes = 0;
		}
		parts.at(-1)!.push(revision);
		bytes += size;
	}
	return parts;
}
