/** The value with the members of all objects in the order of RFC 8785, 3.2.3 (by UTF-16 code units), lists as they are. */
export function canonical<T>(value: T): T {
	if (Array.isArray(value)) return value.map(canonical) as T;
	if (typeof value !== 'object' || value === null) return value;
	const members = Object.entries(value).filter(([, member]) => member !== undefined);
	return Object.fromEntries(members.sort(([a], [b]) => (a < b ? -1 : 1)).map(([name, member]) => [name, canonical(member)])) as T;
}

/** The same text for the same content, whatever the order in which its members were made (RFC 8785). */
export function canonicalText(value: unknown): string {
	if (Array.isArray(value)) return `[${value.map(canonicalText).join(',')}]`;
	if (typeof value !== 'object' || value === null) return JSON.stringify(value) ?? 'null';
	let text = '';
	// written here and not by way of an object, in which names that are numbers would stand first
	for (const name of Object.keys(value).sort()) {
		const member = (value as Record<string, unknown>)[name];
		if (member !== undefined) text += `${text === '' ? '' : ','}${JSON.stringify(name)}:${canonicalText(member)}`;
	}
	return `{${text}}`;
}
