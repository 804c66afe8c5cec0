<script lang="ts">
	import { createVirtualizer } from '@tanstack/svelte-virtual';
	import { untrack } from 'svelte';
	import type { CommandId } from '$core/application/command';
	import type { Row } from './listing';
	import CommandRow from './CommandRow.svelte';

	/** The result list, drawn only where it is seen. */
	let { rows, query, selected, onselect, onopen }: {
		rows: readonly Row[];
		query: string;
		selected: CommandId | undefined;
		onselect: (id: CommandId) => void;
		onopen: () => void;
	} = $props();

	const HEIGHT = 42;
	let viewport = $state<HTMLDivElement | undefined>(undefined);
	const virtualizer = createVirtualizer<HTMLDivElement, HTMLDivElement>({
		count: 0,
		getScrollElement: () => viewport ?? null,
		estimateSize: () => HEIGHT,
		overscan: 8
	});
	$effect(() => {
		const count = rows.length;
		const element = viewport;
		untrack(() => $virtualizer.setOptions({ count, getScrollElement: () => element ?? null }));
	});

	const at = $derived(rows.findIndex((r) => r.command.id === selected));

	/** Moves the selection by keys; also called from the search field, which keeps the focus. */
	export function onkeydown(event: KeyboardEvent) {
		const page = Math.max(1, Math.floor((viewport?.clientHeight ?? 400) / HEIGHT) - 1);
		const steps: Record<string, number> = { ArrowDown: 1, ArrowUp: -1, PageDown: page, PageUp: -page };
		const step = steps[event.key];
		if (step !== undefined && rows.length > 0) {
			event.preventDefault();
			const next = Math.min(rows.length - 1, Math.max(0, at + step));
			onselect(rows[next]!.command.id);
			$virtualizer.scrollToIndex(next, { align: 'auto' });
		} else if (event.key === 'Enter' && rows.length > 0) {
			event.preventDefault();
			if (at < 0) onselect(rows[0]!.command.id);
			onopen();
		}
	}

	export function toTop() {
		viewport?.scrollTo({ top: 0 });
	}
</script>

<div
	class="viewport"
	bind:this={viewport}
	role="listbox"
	id="command-list"
	aria-label="Commands"
	tabindex="0"
	aria-activedescendant={at >= 0 ? `command-${at}` : undefined}
	{onkeydown}
>
	<div class="all" role="presentation" style:height="{$virtualizer.getTotalSize()}px">
		{#each $virtualizer.getVirtualItems() as item (item.index)}
			{@const row = rows[item.index]}
			{#if row}
				<!-- svelte-ignore a11y_click_events_have_key_events -->
				<div
					class="row command-grid"
					role="option"
					id="command-{item.index}"
					tabindex="-1"
					aria-selected={item.index === at}
					aria-setsize={rows.length}
					aria-posinset={item.index + 1}
					style:transform="translateY({item.start}px)"
					onclick={() => onselect(row.command.id)}
					ondblclick={onopen}
				>
					<CommandRow {row} {query} />
				</div>
			{/if}
		{/each}
	</div>
</div>

<style>
	.viewport { flex: 1; min-height: 0; overflow-y: auto; contain: strict; }
	.viewport:focus-visible { outline-offset: -2px; }
	.all { position: relative; width: 100%; }
	.row {
		position: absolute; top: 0; left: 0; width: 100%; height: 42px; padding: 0 14px 0 10px; border-bottom: 1px solid var(--line);
		border-left: 4px solid transparent; cursor: pointer; align-items: center;
	}
	.row:hover { background: var(--panel); }
	.row[aria-selected='true'] { background: var(--azurite-wash); border-left-color: var(--azurite); }
</style>
