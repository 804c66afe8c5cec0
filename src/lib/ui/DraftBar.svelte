<script lang="ts">
	import { formOf } from '$core/text/counted';
	import { Button } from 'flowbite-svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import { hotkeys } from './hotkeys.svelte';
	import StratumChip from './StratumChip.svelte';

	const workspace = useWorkspace();
	let open = $state(false);

	// undo belongs to the profile everywhere except in a text field, which has its own
	$effect(() =>
		hotkeys.add(() => ({
			title: 'Draft',
			keys: [
				{ keys: 'Ctrl Z', does: 'undo', run: () => void workspace.edits.undo() },
				{ keys: 'Ctrl Shift Z', does: 'redo', run: () => void workspace.edits.redo() },
				{ keys: 'Ctrl Y', shown: '', does: 'redo', run: () => void workspace.edits.redo() }
			]
		}))
	);
</script>

<footer>
	<span
		><b>Draft:</b> <b class="num">{workspace.draft.againstFactory.length}</b> from default{#if workspace.draft.againstRelease},
			<b class="num">{workspace.draft.againstRelease.length}</b>
			since release {workspace.channel}{/if}</span
	>
	<Button size="xs" color="alternative" class="bar-button" onclick={() => (open = true)}>Review</Button>
	{#if workspace.edits.waiting.list.length > 0}
		{@const waiting = workspace.edits.waiting.list}
		<span class="tone-limonite waiting" role="status" title={waiting.map((w) => w.label).join('\n')}
			><b class="toned">▲ {waiting.length}</b>
			{formOf(waiting.length, 'change waits', 'changes wait')} for the server
			<button class="linkish" type="button" disabled={workspace.edits.busy} onclick={() => void workspace.edits.sendWaiting()}
				>Try now</button
			></span
		>
	{/if}
	<span class="space"></span>
	<Button
		size="xs"
		color="alternative"
		class="bar-button"
		data-walk="undo"
		disabled={(workspace.edits.undoable.length === 0 && workspace.edits.waiting.list.length === 0) || workspace.edits.busy}
		onclick={workspace.edits.undo}>Undo <kbd>Ctrl Z</kbd></Button
	>
	<Button
		size="xs"
		color="alternative"
		class="bar-button"
		disabled={workspace.edits.redoable.length === 0 || workspace.edits.busy}
		onclick={workspace.edits.redo}>Redo <kbd>Ctrl Shift Z</kbd></Button
	>
	<span>Editing: <StratumChip id={workspace.targetId} named /></span>
</footer>
<!-- the first page does without the list until somebody looks through it -->
{#if open}
	{#await import('./DraftList.svelte') then { default: DraftList }}<DraftList onclose={() => (open = false)} />{/await}
{/if}

<style>
	footer {
		display: flex;
		align-items: center;
		gap: var(--space-3);
		height: 34px;
		flex: none;
		padding: 0 var(--space-3);
		background: var(--panel);
		border-top: 1px solid var(--line-strong);
		font-size: var(--dense);
	}
	footer :global(.bar-button) {
		padding: 1px var(--space-2);
		height: 24px;
		gap: 6px;
		font-size: var(--caption);
		font-weight: 550;
		color: var(--ink);
		border-color: var(--control);
	}
	kbd {
		padding: 0 var(--space-1);
		border: 1px solid var(--line-strong);
		border-radius: 3px;
		font-family: var(--font);
		font-size: var(--caption);
		font-stretch: 82%;
	}
	.space {
		flex: 1;
	}
	footer :global(.name) {
		font-weight: 600;
	}
</style>
