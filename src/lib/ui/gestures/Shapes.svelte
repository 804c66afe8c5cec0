<script lang="ts">
	import { Button } from 'flowbite-svelte';
	import { startWorker } from '$lib/workers/start-worker';
	import { triggerText } from '$core/chapters/gestures/gesture';
	import { deviationOf } from '$core/hand/circular';
	import type { ShapeAmong } from '$core/hand/confusions';
	import type { ShapeDesk } from '$lib/state/shape-desk.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import type { ToShapes } from '$lib/workers/shapes';
	import CommandIcon from '../CommandIcon.svelte';
	import StratumChip from '../StratumChip.svelte';
	import Confusions from './Confusions.svelte';
	import ShapeMark from './ShapeMark.svelte';

	/** The drawn shapes with what they run, and which of them are taken for each other. */
	let { desk, onfind, stage = $bindable() }: { desk: ShapeDesk; onfind: () => void; stage?: HTMLElement | undefined } = $props();
	const workspace = useWorkspace();
	const id = $props.id();
	const labelOf = (command: Parameters<typeof workspace.catalogue.get>[0]) => workspace.catalogue.get(command)?.label ?? command;
	const drawn = $derived(desk.shapes.flatMap(({ said }) => (said ? [said.entry] : [])));

	$effect(() => {
		const shapes = $state.snapshot(drawn) as typeof drawn;
		desk.among = undefined;
		if (shapes.length < 2) return;
		const worker = startWorker('shapes');
		worker.onmessage = ({ data }: MessageEvent<readonly ShapeAmong[]>) => (desk.among = data);
		worker.postMessage({ shapes, kappa: desk.kappa } satisfies ToShapes);
		return () => worker.terminate();
	});

	/** A check mark as three people draw it. */
	async function example() {
		const file = 'check-mark.inkml';
		try {
			const answer = await fetch(`/examples/${file}`);
			if (!answer.ok) throw new Error('The example could not be loaded. Reload the page.');
			if (await desk.bring(file, await answer.text())) desk.go(1);
		} catch (error) {
			workspace.notice = { kind: 'failed', text: (error as Error).message };
		}
	}

	function onkeydown(event: KeyboardEvent) {
		if (event.altKey || event.metaKey || event.ctrlKey) return;
		if (event.key === 'ArrowRight' || event.key === 'ArrowDown') desk.go(1);
		else if (event.key === 'ArrowLeft' || event.key === 'ArrowUp') desk.go(-1);
		else if (event.key === ',') desk.goSample(-1);
		else if (event.key === '.') desk.goSample(1);
		else if (event.key === 'Backspace') void desk.leaveOut();
		else if (event.key === 'Delete') void desk.remove();
		else if (event.key === 'Enter') onfind();
		else if (event.key === 'Escape') desk.selected = undefined;
		else return;
		event.preventDefault();
	}
</script>

{#if desk.shapes.length === 0}
	<div class="none quiet">
		<p>No shapes yet. Draw one on the right a few times and give it a command, or import an InkML file.</p>
		<Button size="sm" color="alternative" disabled={workspace.edits.busy} onclick={() => void example()}
			>Try it with an example</Button
		>
	</div>
{:else}
	<div class="all">
		<div
			class="shapes"
			bind:this={stage}
			role="listbox"
			tabindex="0"
			aria-label="Drawn shapes"
			aria-activedescendant={desk.selected ? `${id}-${desk.selected}` : undefined}
			{onkeydown}
		>
			{#each desk.shapes as view (view.id)}
				<!-- svelte-ignore a11y_click_events_have_key_events -->
				<div
					class="card"
					id="{id}-{view.id}"
					role="option"
					tabindex="-1"
					aria-selected={desk.selected === view.id}
					onclick={() => desk.select(view.id)}
				>
					<ShapeMark samples={view.said?.entry.samples ?? []} at={desk.selected === view.id ? desk.sample : undefined} />
					<div>
						<h2>
							{#if view.said}<StratumChip id={view.said.stratum.id} />{/if}
							{view.label}
						</h2>
						<ul>
							{#each view.bindings as { binding, ...trigger } (binding.key)}
								{@const command = workspace.catalogue.get(binding.command)}
								<li>
									{#if command}<CommandIcon {command} size={16} />{/if}
									<span>{labelOf(binding.command)}</span>
									<small class="quiet">{triggerText(trigger)}, {workspace.space.scopeLabel(binding.scope)}</small>
								</li>
							{:else}<li class="quiet">No command.</li>{/each}
						</ul>
						{#if !view.said}<p class="tone-limonite"><span class="toned">▲</span> Not drawn yet.</p>{/if}
						{#if view.said?.lockedBy}<p class="quiet">{view.said.lockedBy.name} has locked it.</p>{/if}
					</div>
				</div>
			{/each}
		</div>
		{#if drawn.length > 1}
			<Confusions shapes={drawn} among={desk.among} spread={deviationOf(desk.kappa)} onselect={(shape) => desk.select(shape)} />
		{/if}
	</div>
{/if}

<style>
	.none {
		display: grid;
		gap: var(--space-3);
		justify-items: start;
		max-width: 52ch;
		margin: 60px auto;
	}
	.all {
		display: grid;
		gap: var(--space-4);
		align-content: start;
		min-height: 0;
		overflow-y: auto;
	}
	.shapes {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(290px, 1fr));
		gap: var(--space-2);
		padding: 2px;
	}
	.shapes:focus-visible {
		outline: 2px solid var(--azurite);
		outline-offset: 1px;
	}
	.card {
		display: flex;
		gap: var(--space-2);
		padding: var(--space-2) var(--space-3) var(--space-2) 6px;
		border: 1px solid var(--line);
		border-radius: 5px;
		background: var(--raised);
	}
	.card[aria-selected='true'] {
		border-color: var(--azurite);
		box-shadow: 0 0 0 1px var(--azurite);
	}
	h2 {
		display: flex;
		gap: 6px;
		align-items: center;
		margin: var(--space-1) 0;
		font-size: var(--body);
	}
	ul {
		margin: 0;
		padding: 0;
		font-size: var(--dense);
		list-style: none;
	}
	li {
		display: grid;
		grid-template-columns: 18px 1fr;
		gap: 0 var(--space-1);
		align-items: center;
	}
	li small {
		grid-column: 2;
		font-size: var(--caption);
	}
	li.quiet {
		display: block;
	}
	p {
		margin: 2px 0 0;
		font-size: var(--dense);
	}
</style>
