import { counted } from '../text/counted.ts';
import { z } from 'zod';

const KINDS: Readonly<Record<string, string>> = {
	string: 'a text',
	number: 'a number',
	int: 'a whole number',
	boolean: 'true or false',
	object: 'an object',
	record: 'an object',
	array: 'a list',
	null: 'null',
	map: 'an object'
};
const kindOf = (name: string): string => KINDS[name] ?? `a ${name}`;

function found(value: unknown): string {
	if (value === undefined) return 'nothing';
	if (value === null) return 'null';
	if (Array.isArray(value)) return 'a list';
	if (typeof value === 'object') return 'an object';
	const text = JSON.stringify(value);
	return text.length > 60 ? `${text.slice(0, 60)}…` : text;
}

/** How much there may be of what kind of thing. */
function amount(origin: string, limit: number | bigint): string {
	const n = Number(limit);
	if (origin === 'string') return counted(n, 'character');
	if (origin === 'array' || origin === 'set') return counted(n, 'entry', 'entries');
	return String(limit);
}

/**
 * What is wrong with a value of a file or a request, in the words of the rest of Skarn: what was expected, and what was found.
 * Undefined where the library's own words are as good.
 */
export function ownWords(issue: z.core.$ZodRawIssue): string | undefined {
	switch (issue.code) {
		case 'invalid_type':
			return `expected ${kindOf(issue.expected)}, found ${found(issue.input)}`;
		case 'invalid_value':
			return `expected ${issue.values.map((value) => JSON.stringify(value)).join(' or ')}, found ${found(issue.input)}`;
		case 'unrecognized_keys':
			return `there is no ${issue.keys.map((key) => `"${key}"`).join(', ')} here`;
		case 'too_big':
			return `expected at most ${amount(issue.origin, issue.maximum)}`;
		case 'too_small':
			return `expected at least ${amount(issue.origin, issue.minimum)}`;
		case 'not_multiple_of':
			return `expected a multiple of ${issue.divisor}`;
		case 'invalid_union':
			if (Array.isArray(issue['options']) && issue['options'].length > 0)
				return `expected ${issue['options'].map((option) => JSON.stringify(option)).join(' or ')}`;
			return `nothing allowed here has this form; found ${found(issue.input)}`;
		case 'invalid_key':
			return 'a name in it is not allowed here';
		case 'invalid_format':
			return `is incorrect, found ${found(issue.input)}`;
		default:
			return undefined;
	}
}

z.config({ customError: (issue) => ownWords(issue) });
