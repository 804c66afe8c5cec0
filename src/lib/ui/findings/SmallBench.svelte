<script lang="ts">
	import type { ShortcutIndex } from '$core/answer/shortcut-index';
	import type { Witness } from '$core/chapters/shortcuts/check/finding';
	import { strokesOf } from '$core/stroke/stroke';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import { BenchSession } from '../bench/session.svelte';
	import KeyCaps from '../KeyCaps.svelte';
	import Trace from '../Trace.svelte';
	import { labelOf, outcomeText } from '../wording';

	/** A small bench that stands in the witness' situation, has replayed its input, and takes any other key. */
	let { witness, index }: { witness: Witness; index: ShortcutIndex } = $props();
	const workspace = useWorkspace();
	const session = $derived.by(() => {
		const made = new BenchSession({ index, situation: witness.situation, document: workspace.document });
		if (witness.keys) made.replay(witness.keys, strokesOf(witness.keys));
		return made;
	});
	const last = $derived(session.last);

	function onkeydown(event: KeyboardEvent) {
		if (event.key === 'Tab' && !event.ctrlKey && !event.altKey) return;
		if (!session.press(event)) return;
		event.preventDefault();
		event.stopPropagation();
	}
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
<div
	class="stage"
	role="application"
	tabindex="0"
	aria-label="Small bench in {workspace.space.labelOf(witness.situation)}. Takes every key; Tab moves on."
	{onkeydown}
>
	<p class="where">{workspace.space.labelOf(witness.situation)}</p>
	{#if last?.keys}
		<p class="heard">
			<KeyCaps keys={last.keys} />
			<strong>{last.ran ? labelOf(index, last.ran) : last.outcome ? outcomeText(index, last.outcome) : ''}</strong>
		</p>
	{:else}
		<p class="heard quiet">No key runs it. Click here and press keys to see what they do.</p>
	{/if}
	{#if session.offered.length > 0}
		<ul role="listbox" aria-label="Chooser">
			{#each session.offered as id, i (id)}
				<li role="option" aria-selected={i === session.chosen}>{labelOf(index, id)}</li>
			{/each}
		</ul>
		<p class="quiet small">Choose with the arrow keys and Enter; Escape cancels</p>
	{/if}
</div>
{#if last?.keys}<Trace keys={last.keys} situation={witness.situation} {index} />{/if}

<style>
	.stage {
		padding: var(--space-2) var(--space-3);
		border: 1px solid var(--control);
		border-radius: 4px;
		background: var(--raised);
		margin-bottom: var(--space-2);
	}
	.stage:focus {
		outline: 2px solid var(--azurite);
	}
	.where {
		font-size: var(--dense);
		color: var(--ink-3);
	}
	.heard {
		display: flex;
		gap: var(--space-2);
		align-items: center;
		margin-top: 6px;
	}
	ul {
		margin: var(--space-2) 0 var(--space-1);
		padding: 3px;
		width: 230px;
		list-style: none;
		border: 1px solid var(--ink-2);
		border-radius: 4px;
	}
	li {
		padding: 3px var(--space-2);
		font-size: var(--dense);
	}
	[aria-selected='true'] {
		background: var(--azurite);
		color: var(--ground);
	}
	.small {
		font-size: var(--caption);
	}
</style>
