<script lang="ts">
	import { startWorker } from '$lib/workers/start-worker';
	import { counted } from '$core/text/counted';
	import { Button, Modal, Spinner } from 'flowbite-svelte';
	import { directionText } from '$core/stroke/mouse';
	import { costsOf, gainOf, type RoseSet } from '$core/chapters/gestures/suggest-roses';
	import type { GestureDesk, RoseLine } from '$lib/state/gesture-desk.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import type { FromRoseSet, ToRoseSet } from '$lib/workers/rose-set';
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
	/** The lines that somebody does not want. */
	let left = $state.raw<ReadonlySet<string>>(new Set());
	const keyOf = ({ view, degrees }: Pick<RoseLine, 'view' | 'degrees'>) => `${view.id} ${degrees}`;
	const taken = $derived(changes.filter((line) => !left.has(keyOf(line))));
	const emptied = $derived(desk.emptiedBy(taken));
	const wishes = $derived(desk.wishes());
	/** What a flick costs the hand that was chosen, rose by rose. */
	const costs = $derived(new Map(wishes.map((rose) => [rose.id, costsOf(rose.directions, flicks)])));
	const gain = (line: RoseLine): number => {
		const wish = wishes.find(({ id }) => id === line.view.id);
		return wish && set ? gainOf(wish, costs.get(wish.id)!, set, line) : 0;
	};
	const seconds = (value: number) => `${value < 0 ? '−' : '+'}${Math.abs(value).toFixed(1)} s`;
	const saved = $derived(taken.reduce((sum, line) => sum + gain(line), 0));

	function want(line: RoseLine, isWanted: boolean) {
		const next = new Set(left);
		if (isWanted) next.delete(keyOf(line));
		else next.add(keyOf(line));
		left = next;
	}

	const flicks = $derived(hands.find(({ id }) => id === seat)?.desk.hand ?? []);
	$effect(() => {
		set = undefined;
		left = new Set();
		problem = '';
		worker = startWorker('rose-set');
		worker.onmessage = ({ data }: MessageEvent<FromRoseSet>) => {
			if ('set' in data) set = data.set;
			else problem = data.problem;
		};
		worker.postMessage({ wishes, flicks: $state.snapshot(flicks) as typeof flicks } satisfies ToRoseSet);
		return () => worker?.terminate();
	});

	async function take() {
		if (await desk.take(taken)) open = false;
	}
</script>

<Modal bind:open title="Commands for the roses" aria-label="Commands for the roses" size="lg" {onclose}>
	<p class="quiet">
		Frequent commands get the fastest directions, opposite commands get opposite directions, and a command keeps its direction in
		every rose.
	</p>
	<p class="pair">
		For <Picker
			label="Hand"
			value={seat}
			items={[
				{ value: '', name: 'Average hand' },
				...hands.map(({ id }) => ({ value: id as string, name: `the hand at ${id}` }))
			]}
			onpick={(id) => (seat = id)}
		/>
	</p>
	{#if problem}<p class="tone-garnet">{problem}</p>
	{:else if !set}<p><Spinner size="4" /> Computing …</p>
	{:else}
		<div class="roses">
			{#each desk.roses as view (view.id)}
				<section aria-label={workspace.space.scopeLabel(view.rose.entry.scope)}>
					<h3>{workspace.space.scopeLabel(view.rose.entry.scope)}</h3>
					<ul>
						{#each set.roses.find(({ id }) => id === view.id)?.on ?? [] as { degrees, command } (degrees)}
							{@const now = view.petals.find((petal) => petal.degrees === degrees)?.own[0]?.command}
							{@const line = changes.find((one) => one.view.id === view.id && one.degrees === degrees)}
							<li>
								{#if line}<label
										><input
											type="checkbox"
											checked={!left.has(keyOf(line))}
											onchange={(event) => want(line, event.currentTarget.checked)}
										/>
										{directionText(degrees)} <b>{labelOf(command)}</b>
										{#if now}<s class="quiet">{labelOf(now)}</s>{/if}
										<span class="num quiet">{seconds(gain(line))}</span></label
									>{:else}{directionText(degrees)} <span class="quiet">{labelOf(command)}, unchanged</span>{/if}
							</li>
						{:else}<li class="quiet">No usage is known for these commands.</li>{/each}
					</ul>
				</section>
			{/each}
		</div>
		{#each emptied as { view, degrees, command } (`${view.id} ${degrees}`)}
			<p class="callout tone-limonite" role="status">
				<span class="toned" aria-hidden="true">▲</span>
				{directionText(degrees)} of {workspace.space.scopeLabel(view.rose.entry.scope)} becomes empty: {labelOf(command)} moves{workspace.catalogue.get(
					command
				)?.use
					? `, which is run ${workspace.catalogue.get(command)!.use} times a day`
					: ''}.
			</p>
		{/each}
		<p>
			{taken.length === 0
				? 'No change is selected.'
				: `Saves ${seconds(saved)} per person and day for ${seat === '' ? 'an average hand' : `the hand at ${seat}`}, from the estimated runs per day.`}
		</p>
		<p class="quiet">{set.proved ? 'Optimal: no other choice saves more time.' : 'The best that was found in 20 seconds.'}</p>
	{/if}
	{#snippet footer()}
		<Button data-autofocus disabled={!set || taken.length === 0 || workspace.edits.busy} onclick={() => void take()}>
			{changes.length === 0 && set ? 'No change needed' : `Apply ${counted(taken.length, 'change')}`}
		</Button>
		<Button color="alternative" onclick={() => (open = false)}>Cancel</Button>
	{/snippet}
</Modal>

<style>
	.pair {
		display: flex;
		gap: var(--space-2);
		align-items: center;
	}
	.roses {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(210px, 1fr));
		gap: var(--space-3) var(--space-4);
	}
	h3 {
		margin: 0 0 var(--space-1);
		font-size: var(--body);
	}
	ul {
		margin: 0;
		padding: 0;
		font-size: var(--body);
		list-style: none;
	}
	b {
		font-weight: 600;
	}
</style>
