<script lang="ts">
	import { tick } from 'svelte';
	import { ALIASES } from '$core/chapters/aliases/file';
	import type { AliasRow } from '$core/chapters/aliases/report';
	import type { CommandId } from '$core/application/command';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import Blame from '../Blame.svelte';
	import StratumChip from '../StratumChip.svelte';
	import LongTable from '../kit/LongTable.svelte';
	import { aliasColumns, saying, STATES } from './rows';

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
	let words = $state('');
	let at = $state(0);
	let editing = $state.raw<{ row: AliasRow; field: 'alias' | 'command' | 'note' } | undefined>(undefined);
	let value = $state('');
	let viewport = $state<HTMLDivElement | undefined>(undefined);
	let input = $state<HTMLInputElement | undefined>(undefined);
	const wanted = $derived(saying(rows, workspace.catalogue, words));
	let shown = $state.raw<readonly AliasRow[]>([]);
	const here = $derived(shown[at]);
	const strata = $derived(workspace.profile.map((s) => s.id));
	const columns = $derived(aliasColumns(workspace.catalogue, strata));
	const isMine = (row: AliasRow) => row.stratum === workspace.targetId;
	const commandOf = (row: AliasRow) => workspace.catalogue.get(row.command as CommandId);

	$effect(() => {
		const i = shown.findIndex((row) => isMine(row) && row.line === line);
		if (i >= 0) at = i;
	});

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

	function press({ key }: KeyboardEvent, row: AliasRow): boolean {
		if (editing) return false;
		if (key === 'Enter' || key === 'F2') void edit(row, 'alias');
		else if (key === 'c') void edit(row, 'command');
		else if (key === 'n') void edit(row, 'note');
		else if (key === 'Delete' && isMine(row)) onremove(row);
		else if (key === ' ' && isMine(row)) ontoggle(row);
		else return false;
		return true;
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
<LongTable
	rows={wanted}
	{columns}
	first="line"
	name="Aliases"
	bind:at
	bind:shown
	bind:viewport
	classOf={({ state }) => (state === 'holds' ? '' : `idle ${state}`)}
	{onchoose}
	onkeydown={press}
>
	{#snippet cells(item)}
		{@const command = commandOf(item)}
		<span class="place"><StratumChip id={item.stratum} /><span class="num quiet">{item.line}</span></span>
		{@render cell(item, 'alias', item.alias, STATES[item.state])}
		<span class="num quiet">{item.alias.length}</span>
		{@render cell(item, 'command', command?.label ?? item.command, item.command)}
		<span class="num">{command?.use ?? ''}</span>
		<span class="num">{item.cost.toFixed(1)} s</span>
		{#if item.state !== 'holds' && !(editing?.row === item && editing.field === 'note')}
			<span class="note state">{STATES[item.state]}{item.note ? ` · ${item.note}` : ''}</span>
		{:else}{@render cell(item, 'note', item.note, item.note)}{/if}
	{/snippet}
</LongTable>
{#if here}<p class="who"><Blame stratum={here.stratum} chapter={ALIASES} thing={here.line} name={here.alias} /></p>{/if}
<datalist id="alias-commands">
	{#if editing?.field === 'command'}
		{#each workspace.search.find(value, workspace.index).slice(0, 12) as { command } (command.id)}
			<option value={command.id}>{command.label}</option>
		{/each}
	{/if}
</datalist>

<style>
	.who {
		min-height: 18px;
		margin: 0;
		padding: 0 var(--space-3);
	}
	.tools {
		display: flex;
		gap: var(--space-2);
		align-items: center;
		padding: var(--space-2) var(--space-3);
	}
	.filter {
		flex: 1;
		height: 28px;
		padding: 0 var(--space-2);
		border: 1px solid var(--control);
		border-radius: 3px;
		background: var(--raised);
		color: var(--ink);
		font-size: var(--dense);
	}
	.place {
		display: flex;
		gap: 6px;
		align-items: center;
		justify-content: space-between;
	}
	.alias {
		font-size: var(--dense);
		font-weight: 700;
	}
	:global(.idle) .alias,
	:global(.idle) .command,
	:global(.idle) .num {
		color: var(--ink-3);
	}
	:global(.off) .alias {
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
	input.mono {
		width: 100%;
		height: 24px;
		padding: 0 var(--space-1);
		border: 1px solid var(--azurite);
		border-radius: 2px;
		background: var(--raised);
		color: var(--ink);
	}
</style>
