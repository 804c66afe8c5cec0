<script lang="ts">
	import { tick } from 'svelte';
	import { page } from '$app/state';
	import { replaceState } from '$app/navigation';
	import { FindingsList } from '$lib/state/findings-list.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import FindingDetail from '$lib/ui/findings/FindingDetail.svelte';
	import FindingLines from '$lib/ui/findings/FindingLines.svelte';
	import FindingsHead from '$lib/ui/findings/FindingsHead.svelte';
	import { hotkeys } from '$lib/ui/hotkeys.svelte';

	const workspace = useWorkspace();
	const list = new FindingsList(workspace, page.url.searchParams.get('finding') ?? '');
	let lines = $state<FindingLines | undefined>(undefined);
	let detail = $state<FindingDetail | undefined>(undefined);
	const finding = $derived(list.current?.finding);

	$effect(() => {
		if (list.whose === 'office') workspace.publishing.check();
	});

	function choose(id: string, line: number) {
		list.chosen = id;
		replaceState(`?finding=${encodeURIComponent(id)}`, {});
		void tick().then(() => lines?.reveal(line));
	}

	function step(by: number) {
		const next = list.step(by);
		if (next) choose(next.id, next.i);
	}

	/** The list has the focus again: the next finding is one key away. */
	function settled() {
		list.settled();
		void tick().then(() => lines?.focus());
	}

	const isInList = (event: KeyboardEvent) => (event.target as HTMLElement).closest('[role="listbox"]') !== null;
	$effect(() =>
		hotkeys.add(() => ({
			title: 'Findings',
			keys: [
				{ keys: 'N', does: 'next finding', run: () => step(1) },
				{ keys: 'P', does: 'previous finding', run: () => step(-1) },
				{ keys: 'Shift N', shown: '', does: 'previous finding', run: () => step(-1) },
				{ keys: 'ArrowDown', shown: '', does: 'next finding', run: (event) => isInList(event) && step(1) },
				{ keys: 'ArrowUp', shown: '', does: 'previous finding', run: (event) => isInList(event) && step(-1) },
				{ keys: 'Enter', does: 'to the fixes, from the list', run: (event) => isInList(event) && detail?.focusFixes() },
				...Array.from({ length: 9 }, (_, i) => ({
					keys: String(i + 1),
					shown: i === 0 ? '1 to 9' : '',
					does: 'apply that fix',
					run: () => detail?.applyFix(i)
				}))
			]
		}))
	);
</script>

<div class="view">
	<section class="left" aria-label="Findings">
		<FindingsHead {list} />
		{#if list.lines.length > 0}
			<FindingLines bind:this={lines} {list} onchoose={choose} />
			<p class="hint quiet">
				<kbd>N</kbd> next <kbd>P</kbd> previous <kbd>1</kbd>–<kbd>9</kbd> apply a fix <kbd>Enter</kbd> to the fixes
			</p>
		{:else}
			<p class="none">
				{list.everything.length === 0
					? 'No findings: every input runs exactly one command.'
					: 'No open findings match these filters.'}
			</p>
		{/if}
	</section>
	<section class="right" aria-label="The finding" aria-live="polite">
		{#if finding}
			<FindingDetail
				bind:this={detail}
				{finding}
				looking={list.source.looking}
				alike={list.alike}
				isCurrent={list.source.isCurrent}
				onsettled={settled}
			/>
		{:else}
			<p class="none">
				Conflicts and inputs that do not work are listed here, each with an input that shows the problem and tested fixes.
			</p>
		{/if}
	</section>
</div>

<style>
	.view {
		display: grid;
		grid-template-columns: 400px minmax(0, 1fr);
		height: 100%;
	}
	.left {
		display: flex;
		flex-direction: column;
		min-height: 0;
		border-right: 1px solid var(--line-strong);
	}
	.hint {
		padding: var(--space-2) var(--space-3);
		border-top: 1px solid var(--line);
		font-size: var(--caption);
	}
	.hint kbd {
		padding: 0 var(--space-1);
		border: 1px solid var(--line-strong);
		border-radius: 3px;
		font-family: var(--font);
	}
	.none {
		max-width: 520px;
		padding: var(--space-6) var(--space-4);
		color: var(--ink-3);
	}
	.right {
		overflow-y: auto;
	}
	@media (max-width: 1180px) {
		.view {
			grid-template-columns: 330px minmax(0, 1fr);
		}
	}
</style>
