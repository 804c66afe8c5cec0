<script lang="ts" generics="T">
	import { createVirtualizer } from '@tanstack/svelte-virtual';
	import { untrack, type Snippet } from 'svelte';
	import type { HTMLAttributes } from 'svelte/elements';

	/** Rows of one height, drawn only where they are seen. The snippet gets the row, its number and its place from the top in px. */
	let {
		rows,
		/** Of a row, in px; `--row` in the styles is the usual one. */
		height = 32,
		row,
		viewport = $bindable(),
		active = -1,
		idOf,
		...rest
	}: {
		rows: readonly T[];
		height?: number;
		row: Snippet<[T, number, number]>;
		viewport?: HTMLDivElement | undefined;
		/** The row that the keys act on, and the id of a row's element; named to assistive software while it is drawn. */
		active?: number;
		idOf?: (i: number) => string;
	} & HTMLAttributes<HTMLDivElement> = $props();

	const virtualizer = createVirtualizer<HTMLDivElement, HTMLDivElement>({
		count: 0,
		getScrollElement: () => viewport ?? null,
		estimateSize: () => height,
		overscan: 8
	});
	$effect(() => {
		const count = rows.length;
		const element = viewport;
		untrack(() => $virtualizer.setOptions({ count, getScrollElement: () => element ?? null }));
	});

	export function reveal(at: number) {
		$virtualizer.scrollToIndex(at, { align: 'auto' });
	}
</script>

<div
	class="viewport"
	bind:this={viewport}
	aria-activedescendant={idOf && $virtualizer.getVirtualItems().some((item) => item.index === active) ? idOf(active) : undefined}
	{...rest}
>
	<div class="all" role="presentation" style:height="{$virtualizer.getTotalSize()}px">
		{#each $virtualizer.getVirtualItems() as item (item.index)}
			{@const value = rows[item.index]}
			{#if value !== undefined}{@render row(value, item.index, item.start)}{/if}
		{/each}
	</div>
</div>

<style>
	.viewport {
		flex: 1;
		min-height: 0;
		overflow-y: auto;
		contain: strict;
		isolation: isolate;
	}
	.viewport:focus-visible {
		outline-offset: -2px;
	}
	.all {
		position: relative;
		width: 100%;
	}
</style>
