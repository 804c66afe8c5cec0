<script lang="ts">
	import { formOf } from '$core/text/counted';
	import { Button, Dropdown, DropdownItem } from 'flowbite-svelte';
	import { tick } from 'svelte';
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import type { CommandId } from '$core/application/command';
	import { MACROS, type Macro } from '$core/chapters/macros/macro';
	import { patternsFor, type Pattern } from '$core/chapters/macros/patterns';
	import { countsOf } from '$core/check/groups';
	import { SEVERITIES } from '$core/check/severity';
	import { MacroDesk } from '$lib/state/macro-desk.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import { SIGNS } from '$lib/ui/findings/severity';
	import StaleAcceptances from '$lib/ui/findings/StaleAcceptances.svelte';
	import ViewActs from '$lib/ui/kit/ViewActs.svelte';
	import MacroAside from '$lib/ui/macros/MacroAside.svelte';
	import MacroEditor from '$lib/ui/macros/MacroEditor.svelte';
	import MacroFile from '$lib/ui/macros/MacroFile.svelte';
	import MacroList from '$lib/ui/macros/MacroList.svelte';

	const workspace = useWorkspace();
	const desk = new MacroDesk(workspace, () => page.url.searchParams.get('macro') as CommandId | null);
	/** The step in hand. */
	let at = $state(0);
	let filing = $state<'save' | 'bring' | undefined>(undefined);
	let editor = $state<MacroEditor | undefined>(undefined);
	let list = $state<MacroList | undefined>(undefined);
	const counts = $derived(countsOf(workspace.findings.of(MACROS).open));

	async function choose(id: CommandId) {
		at = 0;
		await goto(`?macro=${encodeURIComponent(id)}`, { replaceState: true, keepFocus: true, noScroll: true });
	}

	/** What was made is named next. */
	async function make(label: string, like: Pick<Pattern, 'inside' | 'steps'> | Macro) {
		const id = await desk.make(label, like);
		if (id === undefined) return;
		await choose(id);
		await tick();
		editor?.focusLabel();
	}

	/** The first pattern that has steps. */
	async function example() {
		const pattern = patternsFor(desk.usual.id).find(({ steps }) => steps.length > 0);
		if (pattern) await make(pattern.name, pattern);
	}

	async function remove() {
		await desk.remove();
		await tick();
		list?.focusChosen();
	}
</script>

<ViewActs>
	<Button size="sm" color="alternative" href="bench">Record on the bench</Button>
	<Button size="sm" color="alternative" onclick={() => (filing = 'bring')}>Import …</Button>
	<Button size="sm" color="alternative" disabled={desk.list.length === 0} onclick={() => (filing = 'save')}>Export …</Button>
	<Button size="sm" id="new-macro" class="shrink-0 whitespace-nowrap">New …</Button>
	<Dropdown simple triggeredBy="#new-macro" class="w-72">
		{#each patternsFor(desk.usual.id) as pattern (pattern.name)}
			<DropdownItem onclick={() => void make(pattern.name === 'Empty' ? 'New macro' : pattern.name, pattern)}
				>{pattern.name}</DropdownItem
			>
		{/each}
	</Dropdown>
</ViewActs>

<div class="view">
	<section class="list" aria-label="All macros">
		<MacroList bind:this={list} macros={desk.list} chosen={desk.macro?.id} onchoose={(id) => void choose(id)} />
		{#if desk.list.length === 0}
			<p class="none quiet">
				No macros yet. A macro is a command made of several steps, and can have keys and aliases like any other. Create one with
				New, or record it on the bench.
			</p>
			<p class="none"><Button size="sm" color="alternative" onclick={() => void example()}>Try it with an example</Button></p>
		{/if}
		{#each desk.gone as { id } (id)}
			<p class="gone quiet">
				<span class="mono">{id}</span> is removed in {workspace.target.name}.
				<button class="linkish" type="button" onclick={() => void desk.bringBack(id)}>Restore</button>
			</p>
		{/each}
		<StaleAcceptances stale={desk.stale} />
		<p class="counts" aria-label="Findings of macros">
			{#each SEVERITIES as s (s)}<span class="tone-{SIGNS[s].tone}"
					><span class="toned">{SIGNS[s].shape} {counts[s]}</span> {formOf(counts[s], SIGNS[s].name, SIGNS[s].names)}</span
				>{/each}
		</p>
	</section>
	{#if desk.placed}
		{@const placed = desk.placed}
		{#key placed.macro.id}
			<MacroEditor
				bind:this={editor}
				bind:at
				{desk}
				{placed}
				onduplicate={() => void make(`${placed.macro.label}, copy`.slice(0, 80), placed.macro)}
				onremove={() => void remove()}
			/>
			<MacroAside {desk} {placed} bind:at />
		{/key}
	{:else}
		<section class="nothing"><p class="quiet">Create a macro, or record one on the bench.</p></section>
	{/if}
</div>
{#if filing}<MacroFile {desk} does={filing} onclose={() => (filing = undefined)} />{/if}

<style>
	.view {
		display: grid;
		grid-template-columns: 296px minmax(0, 1fr) 312px;
		height: 100%;
	}
	.list {
		display: flex;
		flex-direction: column;
		min-height: 0;
		border-right: 1px solid var(--line-strong);
	}
	.list :global(ul[role='listbox']) {
		flex: 1;
	}
	.none,
	.gone {
		padding: var(--space-2) var(--space-3);
		font-size: var(--dense);
	}
	.counts {
		display: flex;
		flex-wrap: wrap;
		gap: var(--space-1) var(--space-3);
		padding: var(--space-2) var(--space-3);
		border-top: 1px solid var(--line-strong);
		background: var(--panel);
		font-size: var(--dense);
	}
	.nothing {
		padding: var(--space-3) var(--space-4);
	}
	@media (max-width: 1150px) {
		.view {
			grid-template-columns: 220px minmax(0, 1fr) 250px;
		}
	}
</style>
