<script lang="ts">
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import { labelOf } from '../wording';
	import type { BenchSession } from './session.svelte';

	/** What the application offers where several commands are on one input. */
	let { session, ontake }: { session: BenchSession; ontake: () => void } = $props();
	const workspace = useWorkspace();
</script>

<ul role="listbox" aria-label="Chooser">
	{#each session.offered as id, i (id)}
		<li role="option" aria-selected={i === session.chosen}>
			<button type="button" tabindex="-1" onclick={(event) => (event.stopPropagation(), session.take(i), ontake())}
				>{labelOf(workspace.index, id)}</button
			>
		</li>
	{/each}
</ul>

<style>
	ul {
		position: absolute;
		left: 50%;
		top: 42%;
		translate: -50% -50%;
		min-width: 190px;
		margin: 0;
		padding: 4px;
		list-style: none;
		border: 1px solid var(--ink-2);
		border-radius: 4px;
		background: var(--raised);
		box-shadow: 0 8px 26px rgb(0 0 0 / 0.25);
	}
	button {
		width: 100%;
		padding: 5px 10px;
		border: 0;
		border-radius: 2px;
		background: none;
		color: var(--ink);
		font: inherit;
		text-align: left;
	}
	[aria-selected='true'] button {
		background: var(--azurite);
		color: var(--ground);
	}
</style>
