<script lang="ts">
	import { deviationOf } from '$core/hand/circular';
	import { bearable, handSummary, missesOf, type BearableByAll } from '$core/hand/hand-test';
	import { rosesOf, triggerText } from '$core/chapters/gestures/gesture';
	import type { WorkspaceDocument } from '$lib/server/workspace-document';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import type { ToHands } from '$lib/workers/hands.worker';
	import MissChart from './MissChart.svelte';

	/** All hands of the office that were tested: what a rose for everybody can bear, and who misses what is there. */
	let { tested, limit, onpick }: { tested: WorkspaceDocument['seats']; limit: number; onpick: (seat: string) => void } = $props();
	const workspace = useWorkspace();
	let all = $state.raw<BearableByAll | undefined>(undefined);
	const hands = $derived(
		tested.flatMap(({ id, desk }) => {
			const summary = handSummary(desk.hand ?? []);
			return summary ? [{ id, summary, most: bearable(summary, limit).most }] : [];
		})
	);
	const roses = $derived(
		rosesOf(workspace.profile).map(({ entry }) => {
			const missed = hands.map(({ id, summary }) => ({ id, misses: missesOf(summary, entry) }));
			const worst = missed.reduce((a, b) => (b.misses > a.misses ? b : a));
			return { entry, worst, over: missed.filter(({ misses }) => misses > limit).length };
		})
	);
	const best = $derived(all?.roses.find(({ directions }) => directions === all?.most));
	const WHO = ['No hand', 'The one hand', 'Both hands', 'All hands'] as const;
	const percent = (share: number) => `${(share * 100).toFixed(1)} %`;

	$effect(() => {
		const sent = { hands: tested.map(({ desk }) => $state.snapshot(desk.hand ?? []) as never), limit } satisfies ToHands;
		all = undefined;
		const worker = new Worker(new URL('../../workers/hands.worker.ts', import.meta.url), { type: 'module' });
		worker.onmessage = ({ data }: MessageEvent<BearableByAll>) => (all = data);
		worker.postMessage(sent);
		return () => worker.terminate();
	});
</script>

<section class="office" aria-label="Hands of the office">
	<h2>
		{#if !all}Looking at {hands.length} hands …{:else if all.most}{WHO[Math.min(hands.length, 3)]} of the office can bear {all.most}
			directions{:else}No number of directions stays under the limit for everybody{/if}
	</h2>
	{#if best}
		<p>
			{#if best.turn === 0}As the rose comes, nobody misses more than {percent(best.least)} of them.{:else}Turned by {best.turn}°,
				nobody misses more than {percent(best.least)} of them; as it comes {percent(best.misses)}.{/if}
		</p>
	{/if}
	<table class="num" aria-label="Tested hands">
		<thead><tr><th scope="col">Desk</th><th scope="col">spread</th><th scope="col">bears</th></tr></thead>
		<tbody>
			{#each hands as { id, summary, most } (id)}
				<tr>
					<th scope="row"><button class="linkish" type="button" onclick={() => onpick(id)}>{id}</button></th>
					<td>{deviationOf(summary.spread.kappa).toFixed(1)}°</td>
					<td>{most ?? 'none'}</td>
				</tr>
			{/each}
		</tbody>
	</table>
	{#if all}<MissChart roses={all.roses} {limit} />{/if}
	{#if roses.length > 0}
		<table class="num" aria-label="Roses that are there">
			<thead
				><tr
					><th scope="col">Rose</th><th scope="col">directions</th><th scope="col">missed most</th><th scope="col"
						>over the limit</th
					></tr
				></thead
			>
			<tbody>
				{#each roses as { entry, worst, over } (entry)}
					<tr>
						<th scope="row">{triggerText(entry)}, {workspace.space.scopeLabel(entry.scope)}</th>
						<td>{entry.directions}</td>
						<td>{percent(worst.misses)} at {worst.id}</td>
						<td class:bad={over > 0}>{over === 0 ? 'nobody' : `${over} of ${hands.length}`}</td>
					</tr>
				{/each}
			</tbody>
		</table>
	{/if}
</section>

<style>
	.office {
		display: grid;
		flex: 1;
		gap: 12px;
		align-content: start;
		min-width: 0;
	}
	h2 {
		margin: 0;
		font-size: 16px;
	}
	p {
		margin: 0;
	}
	table {
		border-collapse: collapse;
		font-size: 13.5px;
	}
	tr {
		border-top: 1px solid var(--line);
	}
	th {
		padding: 4px 10px 4px 0;
		font-weight: 500;
		text-align: left;
	}
	thead th {
		color: var(--ink-2);
	}
	td {
		padding: 4px 14px 4px 0;
		text-align: left;
		white-space: nowrap;
	}
	.bad {
		color: var(--garnet);
		font-weight: 650;
	}
</style>
