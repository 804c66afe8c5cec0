const lists = new Intl.ListFormat('en-GB', { type: 'conjunction' });

/** "A", "A and B", "A, B and C". */
export const listed = (names: readonly string[]): string => lists.format(names);

/** The names of at most four, and how many more. Only names that are said are made. */
export function listedBriefly<T>(all: readonly T[], name: (one: T) => string): string {
	return all.length <= 4 ? listed(all.map(name)) : `${all.slice(0, 3).map(name).join(', ')} and ${all.length - 3} more`;
}
