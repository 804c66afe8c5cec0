<script lang="ts" generics="Row extends object">
	import { createTable, type SortingState } from '@tanstack/svelte-table';
	import type { Snippet } from 'svelte';
	import VirtualRows from '../VirtualRows.svelte';
	import { definitionsOf, features, type Column } from './columns';

	/** A table of many rows: heads that sort, rows drawn only where they are seen. The snippet draws the cells of a row. */
	let {
		rows,
		columns,
		first,
		name,
		at = $bindable(0),
		shown = $bindable([]),
		viewport = $bindable(),
		cells,
		classOf,
		onchoose,
		onkeydown
	}: {
		rows: readonly Row[];
		columns: readonly Column<Row>[];
		/** The column that sorts at first. */
		first: string;
		/** What the rows are, as in "Aliases". */
		name: string;
		/** The place of the row that the keys act on, among those shown. */
		at?: number;
		/** The rows in their order. */
		shown?: readonly Row[];
		viewport?: HTMLDivElement | undefined;
		/** A cell for each column. */
		cells: Snippet<[Row]>;
		classOf?: (row: Row) => string;
		/** The keys or the mouse have come to the row. */
		onchoose: (row: Row) => void;
		/** What the keys do besides going from row to row; true if it was one of those. */
		onkeydown: (event: KeyboardEvent, row: Row) => boolean;
	} = $props();
	const id = $props.id();
	// svelte-ignore state_referenced_locally
	let sorting = $state.raw<SortingState>([{ id: first, desc: false }]);
	const table = createTable({
		features,
		get columns() {
			return definitionsOf(columns);
		},
		get data() {
			return rows as Row[];
		},
		state: {
			get sorting() {
				return sorting;
			}
		},
		enableSortingRemoval: false,
		enableMultiSort: false,
		onSortingChange: (to) => (sorting = typeof to === 'function' ? to(sorting) : to)
	});
	const inOrder = $derived(table.getRowModel().rows.map((row) => row.original));
	$effect.pre(() => {
		shown = inOrder;
	});
	const tracks = $derived(columns.map((column) => column.width).join(' '));
	const current = $derived(inOrder[Math.min(at, inOrder.length - 1)]);
	let list = $state<VirtualRows<Row> | undefined>(undefined);

	const STEPS: Readonly<Record<string, number>> = { ArrowDown: 1, ArrowUp: -1, PageDown: 12, PageUp: -12 };

	function press(event: KeyboardEvent) {
		if (event.ctrlKey || event.altKey || event.metaKey || !current) return;
		const step = STEPS[event.key];
		if (step !== undefined && event.target === viewport) {
			at = Math.max(0, Math.min(inOrder.length - 1, at + step));
			list?.reveal(at);
			onchoose(inOrder[at]!);
		} else if (!onkeydown(event, current)) return;
		event.preventDefault();
	}
</script>

<div class="grid head" role="presentation" style:grid-template-columns={tracks}>
	{#each columns as column (column.id)}
		{@const by = sorting[0]!}
		{#if column.compare}
			<button
				type="button"
				class:num={column.isNumber}
				aria-pressed={by.id === column.id}
				title="Sort {column.order}"
				onclick={() => table.getColumn(column.id)!.toggleSorting()}
				>{column.name}<span aria-hidden="true">{by.id === column.id ? (by.desc ? ' ↓' : ' ↑') : ''}</span></button
			>
		{:else}<span>{column.name}</span>{/if}
	{/each}
</div>
<VirtualRows
	bind:this={list}
	bind:viewport
	rows={inOrder}
	role="listbox"
	aria-label={name}
	tabindex={0}
	active={at}
	idOf={(i) => `${id}-${i}`}
	onkeydown={press}
>
	{#snippet row(item, i, top)}
		<!-- svelte-ignore a11y_click_events_have_key_events -->
		<div
			class="grid row {classOf?.(item) ?? ''}"
			role="option"
			tabindex="-1"
			id="{id}-{i}"
			aria-selected={item === current}
			style:grid-template-columns={tracks}
			style:transform="translateY({top}px)"
			onclick={() => ((at = i), onchoose(item))}
		>
			{@render cells(item)}
		</div>
	{/snippet}
</VirtualRows>

<style>
	.grid {
		display: grid;
		column-gap: var(--space-2);
		align-items: center;
		padding: 0 var(--space-3);
	}
	.head {
		height: 28px;
		border-bottom: 1px solid var(--line-strong);
		background: var(--panel);
		font-size: var(--caption);
		color: var(--ink-2);
	}
	.head button {
		padding: 0;
		border: 0;
		background: none;
		color: inherit;
		font: inherit;
		text-align: left;
		white-space: nowrap;
	}
	.head button.num {
		text-align: right;
	}
	.head [aria-pressed='true'] {
		color: var(--ink);
		font-weight: 650;
	}
	.row {
		height: var(--row);
		position: absolute;
		top: 0;
		left: 0;
		width: 100%;
		border-bottom: 1px solid var(--line);
		font-size: var(--body);
	}
	.row:hover {
		background: var(--panel);
	}
	.row[aria-selected='true'] {
		background: var(--azurite-wash);
		box-shadow: inset 4px 0 0 var(--azurite);
	}
	.row > :global(span) {
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
</style>
