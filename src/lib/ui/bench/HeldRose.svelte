<script lang="ts">
	import { directionsOf, flickKeys, type SetRose } from '$core/chapters/gestures/gesture';
	import { resolve } from '$core/answer/resolve';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import CommandIcon from '../CommandIcon.svelte';

	/** The rose while its button is held: what each direction runs where one stands. */
	let { rose, x, y }: { rose: SetRose; x: number; y: number } = $props();
	const workspace = useWorkspace();
	const RADIUS = 74;
	const petals = $derived(
		directionsOf(rose).flatMap((degrees) => {
			const outcome = resolve(workspace.index, flickKeys(rose, degrees), workspace.situation);
			const [binding] = outcome.kind === 'fires' ? [outcome.winner] : outcome.kind === 'chooser' ? outcome.offered : [];
			const command = binding && workspace.catalogue.get(binding.command);
			const angle = ((degrees + rose.turn) * Math.PI) / 180;
			return command ? [{ degrees, command, x: Math.sin(angle) * RADIUS, y: -Math.cos(angle) * RADIUS }] : [];
		})
	);
</script>

<div class="held" style="left:{x}px;top:{y}px" aria-hidden="true">
	<i></i>
	{#each petals as petal (petal.degrees)}
		<span style="left:{petal.x}px;top:{petal.y}px"><CommandIcon command={petal.command} size={16} /> {petal.command.label}</span>
	{/each}
</div>

<style>
	.held {
		position: absolute;
		z-index: 6;
		pointer-events: none;
	}
	i {
		position: absolute;
		width: 12px;
		height: 12px;
		transform: translate(-50%, -50%);
		border: 2px solid var(--azurite);
		border-radius: 50%;
	}
	span {
		position: absolute;
		display: flex;
		gap: 5px;
		align-items: center;
		transform: translate(-50%, -50%);
		padding: 3px 8px;
		border: 1px solid var(--control);
		border-radius: 3px;
		background: var(--raised);
		font-size: var(--dense);
		white-space: nowrap;
	}
</style>
