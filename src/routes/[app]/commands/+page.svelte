<script lang="ts">
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { Input } from 'flowbite-svelte';
	import type { CommandId } from '$core/application/command';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import { hotkeys } from '$lib/ui/hotkeys.svelte';
	import CommandCard from '$lib/ui/commands/CommandCard.svelte';
	import CommandList from '$lib/ui/commands/CommandList.svelte';
	import ManyCommands from '$lib/ui/commands/ManyCommands.svelte';
	import Facets from '$lib/ui/commands/Facets.svelte';
	import { ANYTHING, listing, sharedLabels, type Question } from '$lib/ui/commands/listing';
	import { freeText, keptText } from '$lib/ui/wording';

	const workspace = useWorkspace();
	const shared = sharedLabels(workspace.document.commands);
	let question = $state.raw<Question>(ANYTHING);
	/** Those that something is done to together. */
	let marked = $state.raw<ReadonlySet<CommandId>>(new Set());
	let list = $state<CommandList | undefined>(undefined);
	let card = $state<CommandCard | undefined>(undefined);
	let field = $state<HTMLInputElement | undefined>(undefined);

	const found = $derived(
		listing(
			question,
			workspace.search,
			workspace.index,
			{ changed: workspace.draft.changedCommands, findings: workspace.findings.byCommand },
			shared
		)
	);
	const asked = $derived(page.url.searchParams.get('command') as CommandId | null);
	const selected = $derived(asked && workspace.catalogue.has(asked) ? asked : found.rows[0]?.command.id);
	const command = $derived(selected && workspace.catalogue.get(selected));
	const asKeys = $derived(question.text.trim().length > 0 ? workspace.search.asKeys(question.text) : undefined);

	const keeps = $derived(asKeys && keptText(asKeys, workspace.office.kept(asKeys)));

	function select(id: CommandId) {
		void goto(`?command=${encodeURIComponent(id)}`, { replaceState: true, keepFocus: true, noScroll: true });
	}

	function ask(text: string) {
		question = { ...question, text, sort: 'match' };
		list?.toTop();
		const [first] = found.rows;
		if (first && asked) select(first.command.id);
	}

	/** The list hears it itself. */
	const byList = () => false;
	$effect(() =>
		hotkeys.add(() => ({
			title: 'Commands',
			keys: [
				{ keys: 'Shift ↓', does: 'select several, in the search or the list', run: byList },
				{ keys: 'Ctrl Space', does: 'add to the selection', run: byList },
				{ keys: 'Ctrl A', does: 'select all, in the list', run: byList }
			]
		}))
	);

	const sortBy = (sort: Question['sort']) => (question = { ...question, sort: question.sort === sort ? 'match' : sort });
</script>

<div class="view">
	<section class="found" aria-label="Find a command">
		<div class="search">
			<Input
				bind:elementRef={field}
				value={question.text}
				class="search-field"
				type="search"
				autofocus
				role="combobox"
				aria-expanded="true"
				aria-controls="command-list"
				aria-label="Search commands by label, synonym, id, category or key"
				placeholder="Find by name, synonym, id, category or key, as in ctrl e"
				oninput={(event) => ask((event.currentTarget as HTMLInputElement).value)}
				onkeydown={(event) => list?.onkeydown(event)}
			/>
			{#if asKeys && workspace.index.on(asKeys).length === 0}
				<p class="as-keys">
					{#if keeps}<span class="tone-limonite"><span class="toned" aria-hidden="true">▲</span></span> As a key: {keeps}{:else}<span
							class="tone-epidote"><span class="toned" aria-hidden="true">○</span></span
						>
						As a key: {freeText(workspace.index, asKeys)}{/if}
				</p>
			{/if}
		</div>
		<Facets bind:question counts={found.counts} />
		<div class="head command-grid">
			<span></span>
			<button type="button" aria-pressed={question.sort === 'label'} onclick={() => sortBy('label')}
				>Command, path and id {question.sort === 'label' ? '↓' : ''}</button
			>
			<span></span>
			<button type="button" aria-pressed={question.sort === 'keys'} onclick={() => sortBy('keys')}
				>Keys {question.sort === 'keys' ? '↓' : ''}</button
			>
			<span>Exists in</span>
		</div>
		{#if found.rows.length === 0}
			<div class="none">
				<p>No results for {question.text ? `“${question.text}”` : 'these filters'}.</p>
				<button type="button" class="linkish" onclick={() => (question = ANYTHING)}
					>Show all {workspace.document.commands.length} commands</button
				>
			</div>
		{:else}
			<CommandList
				bind:this={list}
				rows={found.rows}
				query={question.text}
				{selected}
				{marked}
				onmark={(now) => (marked = now)}
				onselect={select}
				onopen={() => card?.record()}
			/>
		{/if}
	</section>
	<aside aria-label="Command">
		{#if marked.size > 1}
			<ManyCommands
				commands={marked}
				onclear={() => {
					marked = new Set();
					field?.focus();
				}}
			/>
		{:else if command}
			{#key command.id}<CommandCard bind:this={card} {command} onleave={() => field?.focus()} />{/key}
		{:else}
			<p class="quiet">Select a command to see its shortcuts.</p>
		{/if}
	</aside>
</div>

<style>
	.view {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 424px;
		height: 100%;
	}
	.found {
		display: flex;
		flex-direction: column;
		min-height: 0;
	}
	.search {
		padding: var(--space-3) var(--space-3) 0;
		position: relative;
	}
	.search :global(.search-field) {
		height: 34px;
		font-size: var(--body);
		padding: var(--space-1) var(--space-3);
		border-color: var(--control);
		background: var(--raised);
	}
	.as-keys {
		position: absolute;
		right: 40px;
		top: 18px;
		font-size: var(--dense);
		color: var(--ink-2);
	}
	.head {
		padding: var(--space-1) var(--space-3) var(--space-1) var(--space-3);
		border-bottom: 1px solid var(--line-strong);
		font-size: var(--caption);
		color: var(--ink-3);
	}
	.head button {
		border: 0;
		background: none;
		padding: 0;
		font: inherit;
		color: inherit;
		text-align: left;
	}
	.head button:hover,
	.head [aria-pressed='true'] {
		color: var(--ink);
	}
	.none {
		padding: var(--space-10) var(--space-5);
		display: grid;
		gap: var(--space-2);
		justify-items: start;
	}
	aside {
		padding: var(--space-4) var(--space-4);
		background: var(--panel);
		border-left: 1px solid var(--line-strong);
		overflow-y: auto;
	}
	@media (max-width: 1180px) {
		.view {
			grid-template-columns: minmax(0, 1fr) 360px;
		}
	}
</style>
