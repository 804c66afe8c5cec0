import { z } from 'zod';

/**
 * What a record of a file can say. `note` is for people; `lock` forbids the layers above to change it; `steps` are those of a
 * macro, as in `cancel; run draw.segment; type "250"; accept`; `bar`, `tab` and `group` say where a place stands; `skip` is
 * read over and kept.
 */
export const FIELDS = [
	'alias',
	'command',
	'note',
	'keys',
	'context',
	'lock',
	'macro',
	'label',
	'steps',
	'bar',
	'tab',
	'group',
	'skip'
] as const;
export const Field = z.enum(FIELDS);
export type Field = z.infer<typeof Field>;

/** What a file holds, and the two fields without which a record of it says nothing. */
export const NEEDED = {
	aliases: ['alias', 'command'],
	shortcuts: ['keys', 'command'],
	macros: ['macro', 'steps'],
	bars: ['bar', 'command']
} as const satisfies Readonly<Record<string, readonly [Field, Field]>>;
export const Holds = z.enum(Object.keys(NEEDED) as [keyof typeof NEEDED, ...(keyof typeof NEEDED)[]]);
export type Holds = z.infer<typeof Holds>;

/** The fields without which a record says nothing, for records that have a place for these. */
export function neededOf(places: Partial<Record<Field, unknown>>): readonly Field[] {
	return Object.values(NEEDED).find((pair) => pair.every((f) => places[f] !== undefined)) ?? [];
}
