<script lang="ts">
	import { answerTo, completions } from '$core/chapters/aliases/prompt';
	import type { AliasTable } from '$core/chapters/aliases/table';
	import { useWorkspace } from '$lib/state/workspace.svelte';

	/** A command line to try aliases at: what would run, and why. */
	let { table, typed = $bindable('') }: { table: AliasTable; typed?: string } = $props();
	const workspace = useWorkspace();
	const offered = $derived(completions(table, workspace.catalogue, typed.trim(), 5));
	const prompted = $derived(typed.trim() === '' ? undefined : answerTo(table, workspace.catalogue, typed.trim()));

	function onkeydown(event: KeyboardEvent) {
		if (event.key === 'Escape') typed = '';
		else if (event.key === 'Tab' && offered[0] && offered[0].text !== typed) typed = offered[0].text;
		else return;
		event.preventDefault();
	}
</script>

<div class="prompt">
	<label class="line mono">
		<span aria-hidden="true">&gt;</span><span class="visually-hidden">Try an alias</span>
		<input bind:value={typed} spellcheck="false" autocomplete="off" placeholder="Type an alias to see what it runs" {onkeydown} />
		{#if offered.length > 0}<span class="offers quiet">{offered.map((o) => o.text).join('  ')} <kbd>Tab</kbd></span>{/if}
	</label>
	{#if prompted}
		<ol aria-live="polite" class:runs={prompted.answer.kind === 'runs'}>
			{#each prompted.trace as step, i (i)}<li>{step}</li>{/each}
		</ol>
	{/if}
</div>

<style>
	.prompt {
		border-top: 1px solid var(--line-strong);
		background: var(--panel);
	}
	.line {
		display: flex;
		gap: var(--space-2);
		align-items: center;
		padding: 6px var(--space-3);
		font-size: var(--dense);
	}
	input {
		flex: 1;
		min-width: 0;
		border: 0;
		background: none;
		color: var(--ink);
		font: inherit;
	}
	input:focus {
		outline: none;
	}
	.line:focus-within {
		box-shadow: inset 0 0 0 2px var(--azurite);
	}
	.offers {
		white-space: pre;
		overflow: hidden;
	}
	kbd {
		padding: 0 var(--space-1);
		border: 1px solid var(--line-strong);
		border-radius: 3px;
		font-family: var(--font);
		font-size: var(--caption);
	}
	ol {
		max-height: 96px;
		margin: 0;
		padding: 2px var(--space-3) var(--space-2) var(--space-8);
		overflow-y: auto;
		list-style: decimal;
		font-size: var(--dense);
		color: var(--ink-2);
	}
	li:last-child {
		color: var(--ink);
		font-weight: 600;
	}
	.runs li:last-child {
		color: var(--epidote);
	}
</style>
