<script lang="ts">
	import { onMount, tick } from 'svelte';
	import type { CommandId } from '$core/application/command';
	import VirtualRows from '../VirtualRows.svelte';
	import CommandRow from './CommandRow.svelte';
	import type { Row } from './listing';

	/** The result list; the search field moves its selection too. */
	let {
		rows,
		query,
		selected,
		marked,
		onselect,
		onmark,
		onopen
	}: {
		rows: readonly Row[];
		query: string;
		selected: CommandId | undefined;
		/** Those that something is done to together. */
		marked: ReadonlySet<CommandId>;
		onselect: (id: CommandId) => void;
		onmark: (marked: ReadonlySet<CommandId>) => void;
		onopen: () => void;
	} = $props();

	const HEIGHT = 42;
	let list = $state<VirtualRows<Row> | undefined>(undefined);
	let viewport = $state<HTMLDivElement | undefined>(undefined);
	const at = $derived(rows.findIndex((r) => r.command.id === selected));

	/** A command that was opened by its address is brought into sight. */
	onMount(() => void tick().then(() => at > 0 && list?.reveal(at)));

	/** Marks the rows from one to another as well. */
	function markBetween(from: number, to: number) {
		const [first, last] = from < to ? [from, to] : [to, from];
		onmark(new Set([...marked, ...rows.slice(Math.max(0, first), last + 1).map((r) => r.command.id)]));
	}

	function toggle(id: CommandId) {
		const next = new Set(marked);
		// the first that is marked beside the one in hand makes two
		if (next.size === 0 && selected !== undefined && selected !== id) next.add(selected);
		if (!next.delete(id)) next.add(id);
		onmark(next);
	}

	function click(event: MouseEvent, i: number) {
		const { id } = rows[i]!.command;
		if (event.shiftKey) markBetween(at, i);
		else if (event.ctrlKey || event.metaKey) toggle(id);
		else {
			if (marked.size > 0) onmark(new Set());
			onselect(id);
		}
	}

	/** Moves the selection by keys, and marks with Shift or Ctrl; also called from the search field, which keeps the focus. */
	export function onkeydown(event: KeyboardEvent) {
		const page = Math.max(1, Math.floor((viewport?.clientHeight ?? 400) / HEIGHT) - 1);
		const steps: Record<string, number> = { ArrowDown: 1, ArrowUp: -1, PageDown: page, PageUp: -page };
		const step = steps[event.key];
		if (step !== undefined && rows.length > 0) {
			event.preventDefault();
			const next = Math.min(rows.length - 1, Math.max(0, at + step));
			if (event.shiftKey) markBetween(at, next);
			onselect(rows[next]!.command.id);
			list?.reveal(next);
		} else if (event.key === ' ' && event.ctrlKey && at >= 0) {
			event.preventDefault();
			toggle(rows[at]!.command.id);
		} else if (event.key === 'a' && (event.ctrlKey || event.metaKey) && event.target === viewport) {
			event.preventDefault();
			markBetween(0, rows.length - 1);
		} else if (event.key === 'Escape' && marked.size > 0) {
			event.preventDefault();
			onmark(new Set());
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

<VirtualRows
	bind:this={list}
	bind:viewport
	{rows}
	height={HEIGHT}
	role="listbox"
	id="command-list"
	aria-label="Commands"
	aria-multiselectable="true"
	tabindex={0}
	active={at}
	idOf={(i) => `command-${i}`}
	{onkeydown}
>
	{#snippet row(value: Row, i: number, top: number)}
		<!-- svelte-ignore a11y_click_events_have_key_events -->
		<div
			class="row command-grid"
			class:marked={marked.has(value.command.id)}
			role="option"
			id="command-{i}"
			tabindex="-1"
			aria-selected={i === at || marked.has(value.command.id)}
			aria-current={i === at}
			aria-setsize={rows.length}
			aria-posinset={i + 1}
			style:transform="translateY({top}px)"
			onclick={(event) => click(event, i)}
			ondblclick={onopen}
		>
			<CommandRow row={value} {query} />
		</div>
	{/snippet}
</VirtualRows>

<style>
	.row {
		position: absolute;
		top: 0;
		left: 0;
		width: 100%;
		height: 42px;
		contain: strict;
		padding: 0 var(--space-3) 0 var(--space-2);
		border-bottom: 1px solid var(--line);
		border-left: 4px solid transparent;
		cursor: pointer;
		align-items: center;
	}
	.row:hover {
		background: var(--panel);
	}
	.row[aria-selected='true'] :global(.quiet),
	.row[aria-selected='true'] :global(.path) {
		color: var(--ink-2);
	}
	.row[aria-selected='true'] {
		background: var(--azurite-wash);
	}
	.row[aria-current='true'] {
		border-left-color: var(--azurite);
	}
</style>
