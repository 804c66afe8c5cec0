<script lang="ts">
	import { formOf } from '$core/text/counted';
	import type { RecipeWorkshop } from '$lib/state/recipe-workshop.svelte';
	import Preview from '../hand-over/Preview.svelte';
	import Problems from '../hand-over/Problems.svelte';
	import Table from '../kit/Table.svelte';

	/** What the recipe reads in the sample, or what bringing that would change. */
	let { workshop }: { workshop: RecipeWorkshop } = $props();
	const { knows } = $derived(workshop);
	/** Rows that are drawn; a sample is looked at, not worked in. */
	const MOST_READ = 100;
	const MOST_MISSED = 50;
</script>

<div class="result">
	<p class="counts">
		<span class="tone-epidote"><b class="toned">● {workshop.records.length}</b> records</span>
		<span class="tone-azurite"
			><b class="toned">{workshop.known}</b> of them {workshop.holds === 'macros'
				? 'with readable steps'
				: 'of known commands'}</span
		>
		<span class={workshop.unknown.length > 0 ? 'tone-limonite' : 'quiet'}
			><b class="toned">▲ {workshop.unknown.length}</b>
			{formOf(workshop.unknown.length, 'line', 'lines')} not read</span
		>
		{#if workshop.trial}
			{@const { failed, tried } = workshop.trial}
			<span class={failed ? 'tone-garnet' : 'tone-epidote'}
				>{#if failed}<b class="toned">◆ round trip</b> line {failed.line}: {failed.reason}{:else}<b class="toned">✓ round trip</b>
					for {tried} records, byte for byte{/if}</span
			>
		{/if}
	</p>
	{#if workshop.problems.length > 0}<Problems
			problems={workshop.problems}
			file={workshop.fileName}
			title="This recipe cannot read the file."
		/>{/if}
	{#if workshop.imported}
		<Preview file={workshop.fileName} reading={workshop.imported} ondone={() => (workshop.imported = undefined)} />
	{:else}
		<div class="table">
			<Table name="Records" heads={[{ name: 'Line', isNumber: true }, ...workshop.fields.map((name) => ({ name }))]}>
				<tbody>
					{#each workshop.records.slice(0, MOST_READ) as record (record.start)}
						<tr class:off={record.off}>
							<td class="num quiet">{record.line}</td>
							{#each workshop.fields as field, i (field)}
								{@const value = record.fields[field]?.value ?? ''}
								{@const isMissing = field === 'command' && !knows(value) && !(workshop.holds === 'bars' && value === '-')}
								<td class="mono" class:unknown={isMissing}
									><span class="value">{value}</span>{#if isMissing}<span class="quiet sans">unknown command</span
										>{/if}{#if record.off && i === 0}<span class="quiet sans">commented out</span>{/if}</td
								>
							{/each}
						</tr>
					{/each}
					{#each workshop.unknown.slice(0, MOST_MISSED) as { line, column, message } (line)}
						<tr class="missed"
							><td class="num quiet">{line}</td><td colspan={workshop.fields.length}>▲ column {column}: {message}</td></tr
						>
					{/each}
				</tbody>
			</Table>
			{#if workshop.records.length > MOST_READ}<p class="quiet more">and {workshop.records.length - MOST_READ} more</p>{/if}
		</div>
	{/if}
</div>

<style>
	.result {
		display: flex;
		flex-direction: column;
		flex: 1;
		min-height: 280px;
		gap: var(--space-2);
	}
	.counts {
		display: flex;
		flex-wrap: wrap;
		gap: var(--space-1) var(--space-4);
		font-size: var(--dense);
	}
	.table {
		flex: 1;
		min-height: 0;
		overflow: auto;
		border: 1px solid var(--line-strong);
		border-radius: 3px;
	}
	.off td {
		color: var(--ink-3);
	}
	.off .value {
		text-decoration: line-through;
	}
	.unknown {
		color: var(--limonite);
	}
	.sans {
		margin-left: 6px;
		font-family: var(--font);
	}
	.missed td {
		color: var(--limonite);
	}
	.more {
		padding: 6px var(--space-2);
		font-size: var(--dense);
	}
</style>
