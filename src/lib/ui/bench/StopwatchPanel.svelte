<script lang="ts">
	import { Button } from 'flowbite-svelte';
	import { Stopwatch } from '$lib/state/stopwatch.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import CommandIcon from '../CommandIcon.svelte';
	import KeyCaps from '../KeyCaps.svelte';
	import type { BenchSession } from './session.svelte';
	import Table from '../kit/Table.svelte';

	/** How long it takes until a command runs that is asked for, by whatever input; beside how long its keys should take. */
	let { session, onfocus }: { session: BenchSession; onfocus: () => void } = $props();
	const workspace = useWorkspace();
	const watch = new Stopwatch(workspace);
	const wanted = $derived(watch.wanted === undefined ? undefined : workspace.catalogue.get(watch.wanted));
	const seconds = (ms: number) => `${(ms / 1_000).toFixed(1)} s`;

	$effect(() => {
		const { last } = session;
		if (last) watch.hear(last, performance.now());
	});

	/** The quickest of its keys, in s, as boards and hands of the office say. */
	function least(command: (typeof watch.laps)[number]['command']): number | undefined {
		const ways = workspace.index.of(command).flatMap(({ keys }) => workspace.office.reach(keys)?.seconds ?? []);
		return ways.length > 0 ? Math.min(...ways) : undefined;
	}

	function begin() {
		watch.begin(performance.now(), session.last?.id);
		onfocus();
	}
</script>

<section class="watch" aria-label="Stopwatch">
	{#if watch.wanted !== undefined}
		<h2>Run this</h2>
		<p class="wanted" aria-live="polite">
			{#if wanted}<CommandIcon command={wanted} size={20} />{/if} <b>{wanted?.label ?? watch.wanted}</b>
		</p>
		<p class="acts">
			<span class="num quiet">{watch.laps.length + 1} of {watch.many}</span>
			<Button size="xs" color="alternative" onclick={() => (watch.pass(performance.now()), onfocus())}>Skip</Button>
			<Button size="xs" color="alternative" onclick={() => watch.stop()}>Stop</Button>
		</p>
	{:else}
		<Button size="xs" color="alternative" disabled={watch.askable.length === 0} onclick={begin}
			>{watch.laps.length > 0 ? 'Once more' : 'Stopwatch'}</Button
		>
		{#if watch.laps.length > 0}
			<Table
				name="Times"
				heads={[
					watch.middle === undefined ? 'Command' : `Median ${seconds(watch.middle)}`,
					'Input',
					{ name: 'Time', isNumber: true },
					{ name: 'Estimate', isNumber: true, title: 'Estimated for the keys of the command' }
				]}
			>
				<tbody>
					{#each watch.laps as { command, ms, keys, wrong } (command)}
						{@const can = least(command)}
						<tr>
							<th scope="row">{workspace.catalogue.get(command)?.label ?? command}</th>
							<td
								>{#if keys}<KeyCaps {keys} />{:else}<span class="quiet">{ms === undefined ? 'skipped' : 'control'}</span>{/if}</td
							>
							<td class="num"
								>{ms === undefined ? '' : seconds(ms)}{#if wrong > 0}<small class="quiet"> {wrong} wrong</small>{/if}</td
							>
							<td class="num quiet">{can === undefined ? '' : seconds(can * 1_000)}</td>
						</tr>
					{/each}
				</tbody>
			</Table>
		{/if}
	{/if}
</section>

<style>
	h2 {
		margin: 0;
	}
	p {
		margin: 4px 0 0;
	}
	.wanted {
		display: flex;
		gap: 8px;
		align-items: center;
		font-size: var(--heading);
	}
	.acts {
		display: flex;
		gap: 8px;
		align-items: center;
	}
</style>
