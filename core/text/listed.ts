/** "A", "A and B", "A, B and C". */
export function listed(names: readonly string[]): string {
	return names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;
}

/** The names of at most four, and how many more. Only names that are said are made. */
export function listedBriefly<T>(all: readonly T[], name: (one: T) => string): string {
	return all.length <= 4 ? listed(all.map(name)) : `${all.slice(0, 3).map(name).join(', ')} and ${all.length - 3} more`;
}
