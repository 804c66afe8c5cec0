<script lang="ts">
	import { formOf } from '$core/text/counted';
	import ViewActs from '$lib/ui/kit/ViewActs.svelte';
	import { Button, Progressbar } from 'flowbite-svelte';
	import { GROUPINGS, type Grouping } from '$core/check/groups';
	import { SEVERITIES, type Severity } from '$core/check/severity';
	import type { FindingsList } from '$lib/state/findings-list.svelte';
	import { SIGNS } from './severity';
	import StaleAcceptances from './StaleAcceptances.svelte';

	/** Whose findings are listed, how many of each severity there are, and how they are grouped. */
	let { list }: { list: FindingsList } = $props();
	const names: Record<Grouping, string> = { key: 'Key', command: 'Command', rule: 'Rule', seats: 'Seats' };
	const { checks } = $derived(list.source);
	const percent = $derived(checks.progress === undefined ? undefined : Math.round(100 * checks.progress));

	const change = (severity: Severity) => {
		const { came, went } = list.trend![severity];
		return came === 0 && went === 0 ? 'same as in the release' : `+${came} −${went} since the release`;
	};
</script>

<ViewActs>
	<div class="segmented" role="group" aria-label="Setup">
		<button class="pill" type="button" aria-pressed={list.whose === 'mine'} onclick={() => (list.whose = 'mine')}>My setup</button
		>
		<button class="pill" type="button" aria-pressed={list.whose === 'office'} onclick={() => (list.whose = 'office')}
			>Next release</button
		>
	</div>
</ViewActs>
<div class="heads">
	<div class="counts" role="group" aria-label="Severity">
		{#each SEVERITIES as severity (severity)}
			{@const sign = SIGNS[severity]}
			{@const count = list.counts[severity]}
			<button
				type="button"
				class="count tone-{sign.tone}"
				aria-pressed={list.shown.includes(severity)}
				onclick={() => list.toggle(severity)}
			>
				<span class="number toned"><span aria-hidden="true">{sign.shape}</span> {count}</span>
				<span class="name">{formOf(count, sign.name, sign.names)}</span>
				{#if list.trend}<span class="trend">{change(severity)}</span>{/if}
			</button>
		{/each}
	</div>
	<div class="tools">
		<span class="quiet">By</span>
		<div class="segmented" role="group" aria-label="Group by">
			{#each GROUPINGS as by (by)}<button
					class="pill"
					type="button"
					aria-pressed={list.grouping === by}
					onclick={() => (list.grouping = by)}>{names[by]}</button
				>{/each}
		</div>
		{#if list.acceptedCount > 0}<button
				class="pill"
				type="button"
				aria-pressed={list.withAccepted}
				onclick={() => (list.withAccepted = !list.withAccepted)}>Accepted {list.acceptedCount}</button
			>{/if}
	</div>
	{#if percent !== undefined}
		<div class="working" role="status">
			<Progressbar progress={percent} size="h-1.5" />
			<span>Checking, {percent} %</span>
			<Button size="xs" color="alternative" onclick={() => checks.stop()}>Stop</Button>
		</div>
	{:else if checks.stopped}
		<p class="callout tone-limonite">
			Check stopped. The list may be out of date.
			<button class="linkish" type="button" onclick={() => checks.again()}>Check again</button>
		</p>
	{/if}
	<StaleAcceptances stale={list.stale} />
</div>

<style>
	.heads {
		display: grid;
		gap: var(--space-2);
		padding: var(--space-3) var(--space-3);
		border-bottom: 1px solid var(--line-strong);
	}
	.tools {
		display: flex;
		flex-wrap: wrap;
		gap: 6px;
		align-items: center;
	}
	.counts {
		display: grid;
		grid-template-columns: repeat(3, 1fr);
		gap: 6px;
	}
	.count {
		display: grid;
		justify-items: start;
		padding: 6px var(--space-2);
		border: 1px solid var(--line-strong);
		border-radius: 4px;
		background: transparent;
		color: var(--ink-2);
		font: inherit;
		text-align: left;
		opacity: 0.65;
	}
	.count[aria-pressed='true'] {
		background: var(--wash);
		border-color: var(--tone);
		opacity: 1;
	}
	.number {
		font-size: var(--heading);
		font-weight: 650;
		font-variant-numeric: tabular-nums;
	}
	.name {
		font-size: var(--dense);
	}
	.trend {
		font-size: var(--caption);
		font-stretch: 86%;
		color: var(--ink-2);
	}
	.working {
		display: grid;
		grid-template-columns: 1fr auto auto;
		gap: var(--space-2);
		align-items: center;
		font-size: var(--dense);
	}
	.callout {
		font-size: var(--dense);
	}
</style>
