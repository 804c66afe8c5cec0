<script lang="ts">
	import { tick } from 'svelte';
	import type { AliasRow } from '$core/chapters/aliases/report';
	import type { CommandId } from '$core/application/command';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import StratumChip from '../StratumChip.svelte';
	import VirtualRows from '../VirtualRows.svelte';
	import { arranged, STATES, type Sort } from './rows';

	/** The alias files as a table: sorted as wanted, edited in place where the file is the one that is written to. */
	let {
		rows,
		line,
		onchange,
		onremove,
		ontoggle,
		onchoose
	}: {
		rows: readonly AliasRow[];
		/** The line of the text that the cursor stands on. */
		line: number;
		onchange: (row: AliasRow, values: { alias?: string; command?: string; note?: string }) => void;
		onremove: (row: AliasRow) => void;
		ontoggle: (row: AliasRow) => void;
		onchoose: (row: AliasRow) => void;
	} = $props();
	const workspace = useWorkspace();
	let sort = $state<Sort>('line');
	let isDown = $state(false);
	let words = $state('');
	let at = $state(0);
	let editing = $state.raw<{ row: AliasRow; field: 'alias' | 'command' | 'note' } | undefined>(undefined);
	let value = $state('');
	let list = $state<VirtualRows<AliasRow> | undefined>(undefined);
	let viewport = $state<HTMLDivElement | undefined>(undefined);
	let input = $state<HTMLInputElement | undefined>(undefined);
	const shown = $derived(arranged(rows, workspace.catalogue, sort, isDown, words));
	const current = $derived(shown[Math.min(at, shown.length - 1)]);
	const heads: readonly { sort: Sort; name: string; title: string; isNumber?: boolean }[] = [
		{ sort: 'line', name: 'Line', title: 'in the order of the files', isNumber: true },
		{ sort: 'alias', name: 'Alias', title: 'by the typed name' },
		{ sort: 'length', name: 'Signs', title: 'by length', isNumber: true },
		{ sort: 'command', name: 'Command', title: 'by the label' },
		{ sort: 'use', name: 'Runs', title: 'by runs a day', isNumber: true },
		{ sort: 'cost', name: 'Time', title: 'by seconds to type and accept (keystroke-level model)', isNumber: true }
	];
	const isMine = (row: AliasRow) => row.stratum === workspace.targetId;
	const commandOf = (row: AliasRow) => workspace.catalogue.get(row.command as CommandId);

	$effect(() => {
		const i = shown.findIndex((row) => isMine(row) && row.line === line);
		if (i >= 0) at = i;
	});

	function order(by: Sort) {
		isDown = sort === by ? !isDown : false;
		sort = by;
	}

	async function edit(row: AliasRow, field: 'alias' | 'command' | 'note') {
		editing = { row, field };
		value = row[field];
		await tick();
		input?.focus();
		input?.select();
	}

	function done(isKept: boolean) {
		const { row, field } = editing!;
		editing = undefined;
		viewport?.focus();
		const said = value.trim();
		if (isKept && said !== row[field] && (said !== '' || field === 'note')) onchange(row, { [field]: said });
	}

	function onkeydown(event: KeyboardEvent) {
		if (editing || event.ctrlKey || event.altKey || event.metaKey || !current) return;
		const step = { ArrowDown: 1, ArrowUp: -1, PageDown: 12, PageUp: -12 }[event.key];
		if (step) {
			at = Math.max(0, Math.min(shown.length - 1, at + step));
			list?.reveal(at);
			onchoose(shown[at]!);
		} else if (event.key === 'Enter' || event.key === 'F2') void edit(current, 'alias');
		else if (event.key === 'c') void edit(current, 'command');
		else if (event.key === 'n') void edit(current, 'note');
		else if (event.key === 'Delete' && isMine(current)) onremove(current);
		else if (event.key === ' ' && isMine(current)) ontoggle(current);
		else return;
		event.preventDefault();
	}
</script>

{#snippet cell(row: AliasRow, field: 'alias' | 'command' | 'note', text: string, title: string)}
	{#if editing?.row === row && editing.field === field}
		<input
			bind:this={input}
			bind:value
			list={field === 'command' ? 'alias-commands' : undefined}
			aria-label="{field} of line {row.line}"
			class="mono"
			onkeydown={(event) => {
				if (event.key === 'Enter') done(true);
				else if (event.key === 'Escape') done(false);
				else return;
				event.preventDefault();
				event.stopPropagation();
			}}
			onblur={() => editing && done(true)}
		/>
	{:else}
		<!-- svelte-ignore a11y_no_static_element_interactions -->
		<span class={field === 'alias' ? 'mono alias' : field} {title} ondblclick={() => void edit(row, field)}>{text}</span>
	{/if}
{/snippet}

<div class="tools">
	<input
		class="filter"
		type="search"
		placeholder="Filter: alias, command, note"
		aria-label="Filter the table"
		bind:value={words}
	/>
	<span class="quiet num">{shown.length} of {rows.length}</span>
</div>
<div class="alias-grid head" role="presentation">
	{#each heads as head (head.sort)}
		<button
			type="button"
			class:num={head.isNumber}
			aria-pressed={sort === head.sort}
			title="Sort {head.title}"
			onclick={() => order(head.sort)}
			>{head.name}<span aria-hidden="true">{sort === head.sort ? (isDown ? ' ↓' : ' ↑') : ''}</span></button
		>
	{/each}
	<span>Note</span>
</div>
<VirtualRows
	bind:this={list}
	bind:viewport
	rows={shown}
	height={30}
	role="listbox"
	aria-label="Aliases"
	tabindex={0}
	active={at}
	idOf={(i) => `alias-${i}`}
	{onkeydown}
>
	{#snippet row(item, i, top)}
		{@const command = commandOf(item)}
		<!-- svelte-ignore a11y_click_events_have_key_events -->
		<div
			class="alias-grid row"
			class:idle={item.state !== 'holds'}
			class:off={item.state === 'off'}
			role="option"
			tabindex="-1"
			id="alias-{i}"
			aria-selected={item === current}
			style:transform="translateY({top}px)"
			onclick={() => ((at = i), onchoose(item))}
		>
			<span class="place"><StratumChip id={item.stratum} /><span class="num quiet">{item.line}</span></span>
			{@render cell(item, 'alias', item.alias, STATES[item.state])}
			<span class="num quiet">{item.alias.length}</span>
			{@render cell(item, 'command', command?.label ?? item.command, item.command)}
			<span class="num">{command?.use ?? ''}</span>
			<span class="num">{item.cost.toFixed(1)} s</span>
			{#if item.state !== 'holds' && !(editing?.row === item && editing.field === 'note')}
				<span class="note state">{STATES[item.state]}{item.note ? ` · ${item.note}` : ''}</span>
			{:else}{@render cell(item, 'note', item.note, item.note)}{/if}
		</div>
	{/snippet}
</VirtualRows>
<datalist id="alias-commands">
	{#if editing?.field === 'command'}
		{#each workspace.search.find(value, workspace.index).slice(0, 12) as { command } (command.id)}
			<option value={command.id}>{command.label}</option>
		{/each}
	{/if}
</datalist>

<style>
	.tools {
		display: flex;
		gap: 10px;
		align-items: center;
		padding: 8px 12px;
	}
	.filter {
		flex: 1;
		height: 28px;
		padding: 0 8px;
		border: 1px solid var(--control);
		border-radius: 3px;
		background: var(--raised);
		color: var(--ink);
		font-size: 13px;
	}
	.alias-grid {
		display: grid;
		grid-template-columns: 48px minmax(60px, 0.8fr) 38px minmax(90px, 1.3fr) 38px 42px minmax(40px, 1.1fr);
		column-gap: 8px;
		align-items: center;
		padding: 0 12px;
	}
	.head {
		height: 28px;
		border-bottom: 1px solid var(--line-strong);
		background: var(--panel);
		font-size: 12.5px;
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
		position: absolute;
		top: 0;
		left: 0;
		width: 100%;
		height: 30px;
		border-bottom: 1px solid var(--line);
		font-size: 13.5px;
	}
	.row:hover {
		background: var(--panel);
	}
	.row[aria-selected='true'] {
		background: var(--azurite-wash);
		box-shadow: inset 4px 0 0 var(--azurite);
	}
	.row > span {
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	.place {
		display: flex;
		gap: 6px;
		align-items: center;
		justify-content: space-between;
	}
	.alias {
		font-size: 13px;
		font-weight: 700;
	}
	.idle {
		color: var(--ink-3);
	}
	.off .alias {
		text-decoration: line-through;
	}
	.note {
		color: var(--ink-2);
		font-stretch: 88%;
	}
	.state {
		color: var(--ink-3);
		font-style: italic;
	}
	.row input {
		width: 100%;
		height: 24px;
		padding: 0 4px;
		border: 1px solid var(--azurite);
		border-radius: 2px;
		background: var(--raised);
		color: var(--ink);
	}
</style>
