/** The value with the members of all objects in the order of RFC 8785, 3.2.3 (by UTF-16 code units), lists as they are. */
export function canonical<T>(value: T): T {
	if (Array.isArray(value)) return value.map(canonical) as T;
	if (typeof value !== 'object' || value === null) return value;
	const members = Object.entries(value).filter(([, member]) => member !== undefined);
	return Object.fromEntries(members.sort(([a], [b]) => (a < b ? -1 : 1)).map(([name, member]) => [name, canonical(member)])) as T;
}

/** The same text for the same content, whatever the order in which its members were made (RFC 8785). */
export const canonicalText = (value: unknown): string => JSON.stringify(canonical(value));
