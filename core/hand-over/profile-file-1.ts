import { z } from 'zod';
import { StratumHead } from '../strata/stratum.ts';

/** A list of a chapter's entries, or its text, as it stands in the file. */
export interface PartOfFile {
	readonly chapter: string;
	/** Where it stands below its stratum. */
	readonly path: readonly string[];
	readonly values: readonly { readonly value: unknown; readonly place: number | undefined }[];
}

const List = z.custom<readonly unknown[]>(Array.isArray, 'expected a list');

/** A stratum of a profile file of version 1, which is read for ever and written no more. */
export const Stratum1 = z.strictObject({
	...StratumHead.shape,
	entries: List,
	acceptances: List.optional(),
	aliases: z.unknown().optional(),
	macros: List.optional()
});

interface Macro1 {
	readonly gone?: unknown;
	readonly locks?: unknown;
	readonly id?: unknown;
}

/** What version 1 said in ways of its own: a macro that is gone, and one that is locked. */
function macroEntries(value: unknown): unknown[] {
	if (typeof value !== 'object' || value === null) return [value];
	const { gone, locks, ...said } = value as Macro1;
	if (gone === true) return [{ ...said, op: 'remove' }];
	const set = { ...said, op: 'set', ...(gone !== undefined && { gone }) };
	if (locks === true) return [set, { op: 'lock', id: said.id }];
	return [locks === undefined || locks === false ? set : { ...set, locks }];
}

/** What stands in such a stratum, as chapters. */
export function partsOfVersion1({ entries, acceptances = [], aliases, macros = [] }: z.infer<typeof Stratum1>): PartOfFile[] {
	const list = (values: readonly unknown[]) => values.map((value, place) => ({ value, place }));
	return [
		{
			chapter: 'macros',
			path: ['macros'],
			values: list(macros).flatMap(({ value, place }) => macroEntries(value).map((entry) => ({ value: entry, place })))
		},
		{ chapter: 'shortcuts', path: ['entries'], values: list(entries) },
		...(aliases === undefined ? [] : [{ chapter: 'aliases', path: ['aliases'], values: [{ value: aliases, place: undefined }] }]),
		{ chapter: 'acceptances', path: ['acceptances'], values: list(acceptances) }
	];
}
