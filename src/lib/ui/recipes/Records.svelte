<script lang="ts">
	import type { RecipeWorkshop } from '$lib/state/recipe-workshop.svelte';
	import Preview from '../hand-over/Preview.svelte';
	import Problems from '../hand-over/Problems.svelte';

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
				? 'with steps that can be read'
				: 'of commands here'}</span
		>
		<span class={workshop.unknown.length > 0 ? 'tone-limonite' : 'quiet'}
			><b class="toned">▲ {workshop.unknown.length}</b>
			{workshop.unknown.length === 1 ? 'line' : 'lines'} that it does not read</span
		>
		{#if workshop.trial}
			{@const { failed, tried } = workshop.trial}
			<span class={failed ? 'tone-garnet' : 'tone-epidote'}
				>{#if failed}<b class="toned">◆ round trip</b> line {failed.line}: {failed.reason}{:else}<b class="toned">✓ round trip</b>
					of
					{tried} records, byte for byte{/if}</span
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
			<table>
				<thead
					><tr
						><th class="num">Line</th>{#each workshop.fields as field (field)}<th>{field}</th>{/each}</tr
					></thead
				>
				<tbody>
					{#each workshop.records.slice(0, MOST_READ) as record (record.start)}
						<tr class:off={record.off}>
							<td class="num quiet">{record.line}</td>
							{#each workshop.fields as field, i (field)}
								{@const value = record.fields[field]?.value ?? ''}
								{@const isMissing = field === 'command' && !knows(value) && !(workshop.holds === 'bars' && value === '-')}
								<td class="mono" class:unknown={isMissing}
									><span class="value">{value}</span>{#if isMissing}<span class="quiet sans">not here</span
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
			</table>
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
		gap: 8px;
	}
	.counts {
		display: flex;
		flex-wrap: wrap;
		gap: 4px 16px;
		font-size: 13px;
	}
	.table {
		flex: 1;
		min-height: 0;
		overflow: auto;
		border: 1px solid var(--line-strong);
		border-radius: 3px;
	}
	table {
		width: 100%;
		border-collapse: collapse;
		font-size: 13px;
	}
	th {
		position: sticky;
		top: 0;
		padding: 4px 10px;
		background: var(--panel);
		font-size: 12.5px;
		font-weight: 600;
		text-align: left;
	}
	th.num {
		text-align: right;
	}
	td {
		padding: 3px 10px;
		border-top: 1px solid var(--line);
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
		padding: 6px 10px;
		font-size: 13px;
	}
</style>
