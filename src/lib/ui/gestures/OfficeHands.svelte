<script lang="ts">
	import { startWorker } from '$lib/workers/start-worker';
	import { deviationOf } from '$core/hand/circular';
	import { bearable, handSummary, missesOf, type BearableByAll } from '$core/hand/hand-test';
	import { rosesOf, triggerText } from '$core/chapters/gestures/gesture';
	import type { WorkspaceDocument } from '$lib/server/workspace-document';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import type { ToHands } from '$lib/workers/hands';
	import MissChart from './MissChart.svelte';
	import Table from '../kit/Table.svelte';

	/** All measured hands of the office that were tested: what a rose for everybody can bear, and who misses what is there. */
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
	const WHO = ['No measured hand', 'The one measured hand', 'Both measured hands', 'All measured hands'] as const;
	const percent = (share: number) => `${(share * 100).toFixed(1)} %`;

	$effect(() => {
		const sent = { hands: tested.map(({ desk }) => $state.snapshot(desk.hand ?? []) as never), limit } satisfies ToHands;
		all = undefined;
		const worker = startWorker('hands');
		worker.onmessage = ({ data }: MessageEvent<BearableByAll>) => (all = data);
		worker.postMessage(sent);
		return () => worker.terminate();
	});
</script>

<section class="office" aria-label="Measured hands of the office">
	<h2>
		{#if !all}Comparing {hands.length} hands …{:else if all.most}{WHO[Math.min(hands.length, 3)]} can tell {all.most} directions apart{:else}No
			number of directions stays under the limit for everyone{/if}
	</h2>
	{#if best}
		<p>
			{#if best.turn === 0}Without turning the rose, at most {percent(best.least)} land wrong for anyone.{:else}Turned by {best.turn}°,
				at most {percent(best.least)} land wrong for anyone; unturned {percent(best.misses)}.{/if}
		</p>
	{/if}
	<Table name="Measured hands" heads={['Equipment', { name: 'Spread', unit: '°' }, { name: 'Directions', isNumber: true }]}>
		<tbody>
			{#each hands as { id, summary, most } (id)}
				<tr>
					<th scope="row"><button class="linkish" type="button" onclick={() => onpick(id)}>{id}</button></th>
					<td class="num">{deviationOf(summary.spread.kappa).toFixed(1)}</td>
					<td class="num">{most ?? 'none'}</td>
				</tr>
			{/each}
		</tbody>
	</Table>
	{#if all}<MissChart roses={all.roses} {limit} />{/if}
	{#if roses.length > 0}
		<Table
			name="Existing roses"
			heads={[
				'Rose',
				{ name: 'Directions', isNumber: true },
				{ name: 'Most errors', isNumber: true },
				{ name: 'Over the limit', isNumber: true }
			]}
		>
			<tbody>
				{#each roses as { entry, worst, over } (entry)}
					<tr>
						<th scope="row">{triggerText(entry)}, {workspace.space.scopeLabel(entry.scope)}</th>
						<td class="num">{entry.directions}</td>
						<td class="num">{percent(worst.misses)} at {worst.id}</td>
						<td class="num" class:bad={over > 0}>{over === 0 ? 'nobody' : `${over} of ${hands.length}`}</td>
					</tr>
				{/each}
			</tbody>
		</Table>
	{/if}
</section>

<style>
	.office {
		display: grid;
		flex: 1;
		gap: var(--space-3);
		align-content: start;
		min-width: 0;
	}
	h2 {
		margin: 0;
		font-size: var(--heading);
	}
	p {
		margin: 0;
	}
	.bad {
		color: var(--garnet);
		font-weight: 650;
	}
</style>
