<script lang="ts">
	import { Button } from 'flowbite-svelte';
	import { valueText, type OptionValue } from '$core/application/option';
	import { OPTIONS } from '$core/chapters/options/option';
	import type { OptionRow } from '$core/chapters/options/listing';
	import Blame from '../Blame.svelte';
	import StratumChip from '../StratumChip.svelte';
	import OptionField from './OptionField.svelte';

	/** One option: what it is, what it costs, who says it, and the ways to change it. */
	let {
		row,
		busy,
		target,
		closed,
		canLock,
		onset,
		onreset,
		onlock
	}: {
		row: OptionRow;
		busy: boolean;
		/** The name of the stratum that is written to. */
		target: string;
		/** Why it cannot be changed here; undefined where it can. */
		closed: string | undefined;
		/** Whether there is a stratum above for which it could be locked. */
		canLock: boolean;
		onset: (value: OptionValue) => string | undefined;
		onreset: () => void;
		onlock: (isLocked: boolean) => void;
	} = $props();
	const { definition, value, stratum } = $derived(row);
	const notes = $derived(
		[
			definition.machine ? 'machine-specific' : '',
			definition.restart ? 'restart required' : '',
			definition.cost ? `speed: ${definition.cost}` : ''
		].filter((note) => note !== '')
	);
</script>

<div class="row" role="listitem" aria-label={definition.label}>
	<span class="who"
		>{#if stratum}<StratumChip id={stratum.id} />{/if}</span
	>
	<div class="what">
		<p><b>{definition.label}</b> <span class="mono quiet">{definition.path}</span></p>
		{#if definition.explanation}<p class="quiet">{definition.explanation}</p>{/if}
		{#if notes.length > 0}<p class="notes">{notes.join('; ')}.</p>{/if}
		{#if row.problem}<p class="tone-garnet"><span class="toned">◆</span> {row.problem}.</p>{/if}
		{#if closed}<p class="quiet">{closed}</p>{/if}
		{#if stratum}<Blame stratum={stratum.id} chapter={OPTIONS} thing={definition.path} />{/if}
	</div>
	<div class="field"><OptionField {definition} {value} disabled={busy || closed !== undefined} {onset} /></div>
	<div class="acts">
		{#if row.here}
			{@const says = `Back to ${valueText(definition, row.below)}`}
			<Button size="xs" color="alternative" disabled={busy} aria-label="{says}: {definition.label}" onclick={onreset}
				>{says}</Button
			>
		{/if}
		{#if canLock && (row.here || row.locksHere)}
			<Button
				size="xs"
				color="alternative"
				disabled={busy}
				aria-pressed={row.locksHere}
				aria-label="{row.locksHere ? 'Unlock' : 'Lock'} {definition.label} for the levels above {target}"
				onclick={() => onlock(!row.locksHere)}>{row.locksHere ? 'Unlock' : 'Lock'}</Button
			>
		{/if}
	</div>
</div>

<style>
	.row {
		display: grid;
		grid-template-columns: 18px minmax(0, 1fr) 230px 190px;
		gap: var(--space-3);
		align-items: center;
		min-height: 48px;
		padding: var(--space-2) 0;
		border-top: 1px solid var(--line);
	}
	.what p {
		font-size: var(--dense);
	}
	.what p:first-child {
		font-size: var(--body);
	}
	.what .mono {
		margin-left: 6px;
		font-size: var(--caption);
	}
	.notes {
		color: var(--limonite-ink, var(--ink-2));
	}
	.acts {
		display: flex;
		gap: 6px;
		justify-content: flex-end;
	}
	.acts :global(button) {
		padding: 2px var(--space-2);
	}
	@media (max-width: 1100px) {
		.row {
			grid-template-columns: 18px minmax(0, 1fr) 190px 150px;
		}
	}
</style>
