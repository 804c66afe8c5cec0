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
				{ keys: 'N', does: 'the next finding', run: () => step(1) },
				{ keys: 'P', does: 'the one before', run: () => step(-1) },
				{ keys: 'Shift N', shown: '', does: 'the one before', run: () => step(-1) },
				{ keys: 'ArrowDown', shown: '', does: 'the next finding', run: (event) => isInList(event) && step(1) },
				{ keys: 'ArrowUp', shown: '', does: 'the one before', run: (event) => isInList(event) && step(-1) },
				{ keys: 'Enter', does: 'to the ways out, from the list', run: (event) => isInList(event) && detail?.focusFixes() },
				...Array.from({ length: 9 }, (_, i) => ({
					keys: String(i + 1),
					shown: i === 0 ? '1 to 9' : '',
					does: 'apply that way out',
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
				<kbd>N</kbd> next <kbd>P</kbd> before <kbd>1</kbd>–<kbd>9</kbd> apply a way out <kbd>Enter</kbd> to the ways
			</p>
		{:else}
			<p class="none">
				{list.everything.length === 0
					? 'Nothing found: every input does one thing wherever it is heard.'
					: 'Nothing open under these filters.'}
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
				What clashes, is never heard, cannot be pressed at some desk, or points at nothing is listed here, each with an input that
				shows it and ways out that were tried.
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
		padding: 7px 14px;
		border-top: 1px solid var(--line);
		font-size: 12.5px;
	}
	.hint kbd {
		padding: 0 5px;
		border: 1px solid var(--line-strong);
		border-radius: 3px;
		font-family: var(--font);
	}
	.none {
		max-width: 520px;
		padding: 22px 16px;
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
