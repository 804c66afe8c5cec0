<script lang="ts">
	import { Button, Modal, Spinner } from 'flowbite-svelte';
	import { directionText } from '$core/stroke/mouse';
	import type { RoseSet } from '$core/chapters/gestures/suggest-roses';
	import type { GestureDesk } from '$lib/state/gesture-desk.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import type { FromRoseSet, ToRoseSet } from '$lib/workers/rose-set.worker';
	import Picker from '../Picker.svelte';

	/** Commands for all roses of a button at once, the quickest by use: what is proposed beside what is there, before any of it is taken. */
	let { desk, onclose }: { desk: GestureDesk; onclose: () => void } = $props();
	const workspace = useWorkspace();
	let open = $state(true);
	let set = $state.raw<RoseSet | undefined>(undefined);
	let problem = $state('');
	let seat = $state('');
	let worker: Worker | undefined;
	const labelOf = (id: Parameters<typeof workspace.catalogue.get>[0]) => workspace.catalogue.get(id)?.label ?? id;
	const hands = $derived(workspace.seats.filter(({ desk: one }) => (one.hand?.length ?? 0) > 0));
	const changes = $derived(set ? desk.changed(set) : []);

	$effect(() => {
		const flicks = hands.find(({ id }) => id === seat)?.desk.hand ?? [];
		const wishes = desk.wishes();
		set = undefined;
		problem = '';
		worker = new Worker(new URL('../../workers/rose-set.worker.ts', import.meta.url), { type: 'module' });
		worker.onmessage = ({ data }: MessageEvent<FromRoseSet>) => {
			if ('set' in data) set = data.set;
			else problem = data.problem;
		};
		worker.postMessage({ wishes, flicks: $state.snapshot(flicks) as typeof flicks } satisfies ToRoseSet);
		return () => worker?.terminate();
	});

	async function take() {
		if (set && (await desk.take(set))) open = false;
	}
</script>

<Modal bind:open title="Commands for the roses" aria-label="Commands for the roses" size="lg" {onclose}>
	<p class="quiet">
		What is run most lies where a flick is quickest, opposites lie opposite, and a command lies in the same direction of every
		rose that has it.
	</p>
	<p class="pair">
		For <Picker
			label="Hand"
			value={seat}
			items={[
				{ value: '', name: 'a usual hand' },
				...hands.map(({ id }) => ({ value: id as string, name: `the hand at ${id}` }))
			]}
			onpick={(id) => (seat = id)}
		/>
	</p>
	{#if problem}<p class="tone-garnet">{problem}</p>
	{:else if !set}<p><Spinner size="4" /> Solving …</p>
	{:else}
		<div class="roses">
			{#each desk.roses as view (view.id)}
				<section aria-label={workspace.space.scopeLabel(view.rose.entry.scope)}>
					<h3>{workspace.space.scopeLabel(view.rose.entry.scope)}</h3>
					<ul>
						{#each set.roses.find(({ id }) => id === view.id)?.on ?? [] as { degrees, command } (degrees)}
							{@const now = view.petals.find((petal) => petal.degrees === degrees)?.own[0]?.command}
							<li>
								{directionText(degrees)} <b class:quiet={now === command}>{labelOf(command)}</b>
								{#if now && now !== command}<s class="quiet">{labelOf(now)}</s>{/if}
							</li>
						{:else}<li class="quiet">Nothing is used there often enough to be known.</li>{/each}
					</ul>
				</section>
			{/each}
		</div>
		<p class="quiet">{set.proved ? 'No other choice is quicker.' : 'The best that was found in 20 seconds.'}</p>
	{/if}
	{#snippet footer()}
		<Button data-autofocus disabled={!set || changes.length === 0 || workspace.edits.busy} onclick={() => void take()}>
			{changes.length === 0 && set
				? 'All of it is so already'
				: `Take ${changes.length} ${changes.length === 1 ? 'change' : 'changes'}`}
		</Button>
		<Button color="alternative" onclick={() => (open = false)}>Leave it as it is</Button>
	{/snippet}
</Modal>

<style>
	.pair {
		display: flex;
		gap: 8px;
		align-items: center;
	}
	.roses {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(210px, 1fr));
		gap: 12px 18px;
	}
	h3 {
		margin: 0 0 4px;
		font-size: 15px;
	}
	ul {
		margin: 0;
		padding: 0;
		font-size: 13.5px;
		list-style: none;
	}
	b {
		font-weight: 600;
	}
</style>
