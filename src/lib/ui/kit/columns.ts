import { createSortedRowModel, rowSortingFeature, tableFeatures, type ColumnDef } from '@tanstack/table-core';

/** What all tables can do: they sort by one column at a time. */
export const features = tableFeatures({ rowSortingFeature, sortedRowModel: createSortedRowModel() });

/** A column of a table; one without `compare` does not sort. */
export interface Column<Row> {
	readonly id: string;
	readonly name: string;
	/** How wide it is, as a track of a CSS grid. */
	readonly width: string;
	readonly isNumber?: boolean;
	/** How its order is told, as in "by length". */
	readonly order?: string;
	/** Rising order. */
	compare?(a: Row, b: Row): number;
}

export const definitionsOf = <Row extends object>(columns: readonly Column<Row>[]): ColumnDef<typeof features, Row>[] =>
	columns.map(({ id, compare }) => ({
		id,
		accessorFn: (row) => row,
		enableSorting: compare !== undefined,
		sortDescFirst: false,
		sortFn: (a, b) => compare!(a.original, b.original)
	}));
