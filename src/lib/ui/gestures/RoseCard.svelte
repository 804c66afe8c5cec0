<script lang="ts">
	import { GESTURES, roseThing } from '$core/chapters/gestures/gesture';
	import { directionText } from '$core/stroke/mouse';
	import type { GestureDesk, RoseView } from '$lib/state/gesture-desk.svelte';
	import { Button } from 'flowbite-svelte';
	import { bestTurn, FEWEST_DIRECTIONS, missBounds, missesOf, MOST_DIRECTIONS } from '$core/hand/hand-test';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import Picker from '../Picker.svelte';
	import Blame from '../Blame.svelte';
	import StratumChip from '../StratumChip.svelte';
	import Rose from './Rose.svelte';

	/** A rose with where it holds, how many directions it has, and what waits for one. */
	let { desk, view, onkeydown }: { desk: GestureDesk; view: RoseView; onkeydown: (event: KeyboardEvent) => void } = $props();
	const id = $props.id();
	let list = $state<HTMLElement | undefined>(undefined);
	const isCurrent = $derived(desk.selected?.rose === view.id);
	/** Tab comes to the rose where one is, or to the first. */
	const isFirst = $derived(isCurrent || (desk.current === undefined && desk.roses[0]?.id === view.id));

	$effect(() => {
		// whoever goes from one rose to the next by keys takes the keys along
		if (isCurrent && document.activeElement?.closest('[data-roses]')) list?.focus();
	});
	const workspace = useWorkspace();
	const { entry, stratum, lockedBy } = $derived(view.rose);
	const isHeld = $derived(lockedBy !== undefined && lockedBy.id !== workspace.targetId);
	const where = $derived(workspace.space.scopeLabel(entry.scope));
	const NUMBERS = Array.from({ length: MOST_DIRECTIONS - FEWEST_DIRECTIONS + 1 }, (_, i) => String(FEWEST_DIRECTIONS + i));
</script>

<section class="card" class:current={isCurrent} aria-label="Rose in {where}">
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
	<div
		class="rose"
		bind:this={list}
		role="listbox"
		tabindex={isFirst ? 0 : -1}
		aria-label="Directions of {where}"
		aria-activedescendant={isCurrent ? `${id}-${desk.selected?.degrees}` : undefined}
		{onkeydown}
	>
		<Rose {desk} {view} {id} />
	</div>
	{#if view.waiting.length > 0}
		<p class="waiting">
			<span class="quiet">Unassigned:</span>
			{#each view.waiting as { binding, degrees } (binding.key)}
				<span class="tag">{workspace.catalogue.get(binding.command)?.label ?? binding.command} {directionText(degrees)}</span>
			{/each}
		</p>
	{/if}
	{#if desk.hand}
		{@const misses = missesOf(desk.hand, entry)}
		{@const range = missBounds(desk.hand, entry)}
		{@const best = bestTurn(desk.hand, entry.directions)}
		<p class="hand">
			<span title="95 % confidence interval from the flicks of the hand test"
				>{(misses * 100).toFixed(1)} % land wrong ({(range[0] * 100).toFixed(1)} to {(range[1] * 100).toFixed(1)} %).</span
			>
			{#if best.turn !== entry.turn && best.misses < misses - 0.002}
				<Button
					size="xs"
					color="alternative"
					disabled={isHeld || workspace.edits.busy}
					onclick={() => void desk.shape(view, { turn: best.turn })}
					>{best.turn === 0 ? 'Not turned' : `Turned by ${best.turn}°`}: {(best.misses * 100).toFixed(1)} %</Button
				>
			{/if}
		</p>
	{/if}
	{#if entry.turn !== 0}<p class="quiet">Turned by {entry.turn}°.</p>{/if}
	{#if lockedBy}<p class="quiet">{lockedBy.name} has locked it.</p>{/if}
	<Blame stratum={stratum.id} chapter={GESTURES} thing={roseThing(entry)} />
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
		min-width: 0;
		margin: 0;
		font-size: var(--body);
	}
	.rose:focus-visible {
		outline: 2px solid var(--azurite);
		outline-offset: 1px;
	}
	.rose {
		position: relative;
	}
	p {
		margin: 0;
		font-size: var(--dense);
	}
	.hand {
		display: flex;
		gap: 8px;
		align-items: center;
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
