<script lang="ts">
	import { counted } from '$core/text/counted';
	import { Button } from 'flowbite-svelte';
	import { minutes } from '$core/release/rings';
	import type { SeatState } from '$core/release/release';
	import type { RolloutDesk } from '$lib/state/rollout-desk.svelte';
	import { SEAT_LOOKS } from './seat-looks';

	/** The rings as ground through which a release seeps, the first on top: how far it has come, what it waits for and why. */
	let { desk, onrings }: { desk: RolloutDesk; onrings: () => void } = $props();
	const { course, verdict } = $derived(desk);
	const isUnderWay = $derived(course !== null && course.state !== 'done');
	const until = $derived(verdict?.until ? Math.max(0, Math.ceil((Date.parse(verdict.until) - desk.now) / 60_000)) : undefined);
	const states = (counts: Partial<Record<SeatState, number>>) => Object.entries(counts) as [SeatState, number][];
</script>

<section aria-label="Rings">
	<h2>
		{#if isUnderWay && course}Rollout of release {course.release}{:else}Rings{/if}
		{#if desk.mayRelease}<Button size="xs" color="alternative" onclick={onrings}>Edit rings …</Button>{/if}
	</h2>
	{#if desk.views.length > 1}
		<ol>
			{#each desk.views as ring (ring.id)}
				<li class:reached={ring.isReached} aria-current={isUnderWay && ring.place === course?.reached ? 'step' : undefined}>
					<b aria-label="follows">{ring.release ?? '–'}</b>
					<div>
						<h3>{ring.name} <small class="quiet">{counted(ring.seats, 'seat')}</small></h3>
						<p class="quiet small">
							{#if ring.place < desk.views.length - 1}{ring.soak === 0
									? 'the next ring follows immediately'
									: `${minutes(ring.soak)} before the next ring`}{#if ring.limit > 0}, up to {ring.limit} % in trouble{/if}{:else}all
								seats without another ring{/if}
						</p>
					</div>
					<p class="counts">
						{#each states(ring.counts) as [state, count] (state)}<span class="tone-{SEAT_LOOKS[state].tone}"
								><span class="toned" aria-hidden="true">{SEAT_LOOKS[state].sign}</span> {count} {SEAT_LOOKS[state].text}</span
							>{/each}
					</p>
				</li>
			{/each}
		</ol>
	{/if}
	{#if verdict && isUnderWay}
		<div
			class="callout tone-{verdict.waits === 'trouble' ? 'garnet' : verdict.waits === null ? 'epidote' : 'limonite'}"
			role="status"
		>
			<p>
				{verdict.why}{#if until !== undefined && until > 0}&#32;In {minutes(until)}.{/if}
			</p>
			{#if desk.mayRelease}
				<p class="go">
					{#if verdict.waits === 'untested'}<Button size="xs" disabled={desk.busy} onclick={() => void desk.steer('confirm')}
							>Release untested</Button
						>{/if}
					{#if course?.state === 'running'}
						<Button size="xs" color="alternative" disabled={desk.busy} onclick={() => void desk.steer('pause')}>Pause</Button>
					{:else}
						<Button size="xs" disabled={desk.busy} onclick={() => void desk.steer('go on')}>Continue</Button>
					{/if}
					{#if course?.state !== 'stopped'}<Button
							size="xs"
							color="alternative"
							disabled={desk.busy}
							onclick={() => void desk.steer('stop')}>Stop here</Button
						>{/if}
				</p>
			{/if}
		</div>
	{/if}
</section>

<style>
	section {
		display: grid;
		gap: var(--space-2);
	}
	h2 {
		display: flex;
		gap: var(--space-3);
		align-items: center;
		justify-content: space-between;
	}
	ol {
		margin: 0;
		padding: 0;
		list-style: none;
		border: 1px solid var(--line-strong);
		border-radius: var(--radius);
	}
	li {
		display: grid;
		grid-template-columns: 40px 1fr auto;
		gap: var(--space-3);
		align-items: center;
		padding: 6px var(--space-3) 6px var(--space-2);
		border-left: 4px solid transparent;
	}
	li + li {
		border-top: 1px solid var(--line);
	}
	li.reached {
		border-left-color: var(--azurite);
		background: color-mix(in oklab, var(--azurite) 8%, transparent);
	}
	li[aria-current] {
		border-left-width: 8px;
		padding-left: var(--space-1);
	}
	b {
		font-size: var(--title);
		text-align: center;
	}
	h3 small {
		font-weight: 400;
	}
	.counts {
		display: flex;
		flex-wrap: wrap;
		gap: 2px var(--space-2);
		justify-content: end;
		font-size: var(--caption);
	}
	.go {
		display: flex;
		gap: var(--space-2);
		padding-top: 6px;
	}
	.small {
		font-size: var(--caption);
	}
</style>
