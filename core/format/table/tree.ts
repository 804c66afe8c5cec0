/** A record of a table with the line on which it begins. */
export interface TableRecord {
	readonly line: number;
	readonly fields: readonly string[];
}

/** A list of anything, as names and records. */
export interface Table {
	readonly header: readonly string[];
	readonly records: readonly TableRecord[];
}

/** What JSON, YAML and XML have in common: texts, lists and maps, each with the offset at which it begins. */
export type Tree = { readonly at: number } & (
	| { readonly kind: 'text'; readonly text: string }
	| { readonly kind: 'list'; readonly items: readonly Tree[] }
	| { readonly kind: 'map'; readonly entries: readonly (readonly [string, Tree])[] }
);

/** How files of one kind become a tree. A new kind is one file of this shape and a line in table.ts. */
export interface Format {
	readonly name: string;
	/** Whether a file looks like it. */
	fits(file: string, text: string): boolean;
	/** Throws `FileRefusedError` with line and column. */
	treeOf(file: string, text: string): Tree;
}
