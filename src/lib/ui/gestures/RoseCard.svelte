<script lang="ts">
	import { directionText } from '$core/stroke/mouse';
	import type { GestureDesk, RoseView } from '$lib/state/gesture-desk.svelte';
	import { FEWEST_DIRECTIONS, MOST_DIRECTIONS } from '$core/hand/hand-test';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import Picker from '../Picker.svelte';
	import StratumChip from '../StratumChip.svelte';
	import Rose from './Rose.svelte';

	/** A rose with where it holds, how many directions it has, and what waits for one. */
	let { desk, view, id }: { desk: GestureDesk; view: RoseView; id: string } = $props();
	const workspace = useWorkspace();
	const { entry, stratum, lockedBy } = $derived(view.rose);
	const isHeld = $derived(lockedBy !== undefined && lockedBy.id !== workspace.targetId);
	const where = $derived(workspace.space.scopeLabel(entry.scope));
	const NUMBERS = Array.from({ length: MOST_DIRECTIONS - FEWEST_DIRECTIONS + 1 }, (_, i) => String(FEWEST_DIRECTIONS + i));
</script>

<section class="card" class:current={desk.selected?.rose === view.id} aria-label="Rose in {where}">
	<header>
		<StratumChip id={stratum.id} />
		<h2>{where}</h2>
		<Picker
			label="Directions in {where}"
			value={String(entry.directions)}
			disabled={isHeld || workspace.edits.busy}
			items={NUMBERS.map((n) => ({ value: n, name: `${n} directions` }))}
			onpick={(n) => void desk.shape(view, { directions: Number(n) })}
		/>
	</header>
	<div class="rose" role="group" aria-label="Directions of {where}"><Rose {desk} {view} {id} /></div>
	{#if view.waiting.length > 0}
		<p class="waiting">
			<span class="quiet">Waits:</span>
			{#each view.waiting as { binding, degrees } (binding.key)}
				<span class="tag">{workspace.catalogue.get(binding.command)?.label ?? binding.command} {directionText(degrees)}</span>
			{/each}
		</p>
	{/if}
	{#if entry.turn !== 0}<p class="quiet">Turned by {entry.turn}°.</p>{/if}
	{#if lockedBy}<p class="quiet">{lockedBy.name} has locked it.</p>{/if}
</section>

<style>
	.card {
		display: flex;
		flex-direction: column;
		gap: 4px;
		padding: 10px 12px;
		border: 1px solid var(--line);
		border-radius: 5px;
		background: var(--raised);
	}
	.current {
		border-color: var(--control);
	}
	header {
		display: flex;
		gap: 8px;
		align-items: center;
	}
	h2 {
		flex: 1;
		overflow: hidden;
		margin: 0;
		font-size: 15px;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	.rose {
		position: relative;
	}
	p {
		margin: 0;
		font-size: 13px;
	}
	.waiting {
		display: flex;
		flex-wrap: wrap;
		gap: 4px 6px;
	}
	.tag {
		padding: 0 6px;
		border: 1px dashed var(--line-strong);
		border-radius: 3px;
	}
</style>
