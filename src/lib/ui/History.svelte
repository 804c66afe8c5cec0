<script lang="ts">
	import { readable } from '$core/stroke/stroke';
	import { moment, shortMoment } from '$lib/ui/when';
	import { Button, Input } from 'flowbite-svelte';
	import { untrack } from 'svelte';
	import type { HistoryEdit } from '$lib/server/history';
	import { HistoryList } from '$lib/state/history-list.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import Picker from './Picker.svelte';

	/** What was changed, the newest first, searched also inside of edits, with a way back to how the level that is written to was after each. */
	let { isPage = false }: { isPage?: boolean } = $props();
	const workspace = useWorkspace();
	const list = new HistoryList(workspace);
	/** So many changes of an edit are shown before it is unfolded. */
	const most = $derived(isPage ? 6 : 3);
	const shownOf = (edit: HistoryEdit) => (isPage || list.isFiltered ? Math.min(most, edit.lines.length) : 0);
	const SIGNS = { added: '+', removed: '−', changed: '≠' } as const;
	/** So long after the last key a search begins, in milliseconds. */
	const AFTER = 250;
	const people = $derived(
		Object.keys(workspace.document.people)
			.map((value) => ({ value, name: `by ${workspace.nameOf(value)}` }))
			.sort((a, b) => a.name.localeCompare(b.name))
	);
	const strata = $derived(workspace.document.layers.filter(({ kind }) => kind !== 'factory'));
	const nameOfStratum = (id: string) => workspace.document.layers.find((layer) => layer.id === id)?.name ?? id;
	const target = $derived(workspace.target.name);
	const time = (at: string) => (isPage ? moment : shortMoment)(at);

	// read anew when something else is looked for, and when something was written
	$effect(() => {
		void [list.words, list.by, list.stratum, list.from, list.to, workspace.revision];
		const timer = setTimeout(() => untrack(() => void list.read()), list.words === '' ? 0 : AFTER);
		return () => clearTimeout(timer);
	});
</script>

<div class="filter">
	<div class="words">
		<Input size="sm" type="search" bind:value={list.words} placeholder="Key, command or person" aria-label="Search the history" />
	</div>
	{#if workspace.document.isOpen}<Picker
			label="By"
			items={[{ value: '', name: 'By anyone' }, ...people]}
			value={list.by}
			onpick={(value) => (list.by = value)}
		/>{/if}
	<Picker
		label="In"
		items={[{ value: '', name: 'In all levels' }, ...strata.map(({ id, name }) => ({ value: id as string, name: `in ${name}` }))]}
		value={list.stratum}
		onpick={(value) => (list.stratum = value)}
	/>
	{#if isPage}
		<label>from <input class="day" type="date" bind:value={list.from} max={list.to} /></label>
		<label>to <input class="day" type="date" bind:value={list.to} min={list.from} /></label>
	{/if}
	<Button size="xs" color="alternative" href={list.csv} download>Export as CSV</Button>
</div>
{#if list.problem}<p class="callout tone-garnet" role="alert">{list.problem}</p>{/if}
<p class="quiet" role="status">
	{#if list.isReading && list.edits.length === 0}Loading …{:else if list.edits.length === 0}{list.isFiltered
			? 'No changes match this filter.'
			: 'No changes yet.'}{:else if list.isFiltered}{list.edits.length}{list.before === null ? '' : ' or more'} found{/if}
</p>
<ol class:page={isPage} aria-label="Edits" aria-busy={list.isReading}>
	{#each list.edits as edit (edit.revision)}
		{@const lines = list.unfolded.get(edit.revision)}
		<li>
			<div class="edit">
				<span class="num">{edit.revision}</span>
				<span class="what">{edit.label}</span>
				<span class="quiet">{workspace.document.isOpen ? workspace.nameOf(edit.by) : edit.role}</span>
				<time class="num quiet" datetime={edit.at}>{time(edit.at)}</time>
				<Button
					size="xs"
					color="alternative"
					title="Set {target} to its state after this edit. You can undo this."
					aria-label="Restore {target} to revision {edit.revision}"
					disabled={workspace.edits.busy || edit.revision === workspace.revision}
					onclick={() => void list.restore(edit)}>Restore</Button
				>
			</div>
			{#if isPage || list.isFiltered || lines}
				<ul>
					{#each lines ?? edit.lines.slice(0, most) as line, i (i)}
						<li>
							<span class="sign" aria-label={line.kind}>{SIGNS[line.kind]}</span>
							{readable(line.about)}{#if edit.strata.length > 1 || line.stratum !== edit.stratum}<span class="quiet">
									, {nameOfStratum(line.stratum)}</span
								>{/if}
						</li>
					{/each}
				</ul>
			{/if}
			{#if edit.count > shownOf(edit) || lines}
				<p class="unfold">
					{#if !lines || lines.length === edit.count}<button
							class="linkish"
							type="button"
							aria-expanded={lines !== undefined}
							onclick={() => void list.unfold(edit)}
							>{lines
								? 'Show less'
								: list.isFiltered && edit.matching > 0
									? `${edit.matching} of ${edit.count} changes match. Show all`
									: `Show all ${edit.count} changes`}</button
						>{:else}<button class="linkish" type="button" onclick={() => void list.unfold(edit, true)}
							>Show more of {edit.count}</button
						>{/if}
				</p>
			{/if}
		</li>
	{/each}
	{#if list.before !== null}<li class="more">
			<button class="linkish" type="button" disabled={list.isReading} onclick={() => void list.more()}
				>{list.isReading ? 'Loading …' : `Show earlier than ${list.before}`}</button
			>
		</li>
	{/if}
</ol>

<style>
	.words {
		flex: 1 1 220px;
		max-width: 380px;
	}
	.filter {
		display: flex;
		flex-wrap: wrap;
		gap: var(--space-2);
		align-items: center;
		padding-bottom: var(--space-2);
	}
	label {
		display: inline-flex;
		gap: 6px;
		align-items: center;
		color: var(--ink-2);
		font-size: var(--dense);
	}
	.day {
		padding: 3px 6px;
		border: 1px solid var(--control);
		border-radius: 4px;
		background: var(--raised);
		color: var(--ink);
		font-size: var(--dense);
	}
	ol,
	ul {
		margin: 0;
		padding: 0;
		list-style: none;
	}
	ol {
		max-height: 46dvh;
		overflow: auto;
		color: var(--ink);
	}
	ol.page {
		max-height: none;
		overflow: visible;
	}
	ol > li {
		padding: 6px 0;
		border-top: 1px solid var(--line);
	}
	.edit {
		display: grid;
		grid-template-columns: 52px minmax(0, 1fr) auto 168px auto;
		gap: var(--space-3);
		align-items: center;
	}
	.what {
		overflow-wrap: anywhere;
	}
	ul,
	.unfold {
		padding-left: 64px;
		color: var(--ink-2);
		font-size: var(--dense);
	}
	.unfold {
		margin: 2px 0 0;
	}
	.sign {
		display: inline-block;
		width: 14px;
		color: var(--ink-3);
	}
</style>
