<script lang="ts">
	import type { CatalogueChange } from '$core/application/catalogue-change';
	import type { FileProblem } from '$core/format/problem';
	import Problems from '../hand-over/Problems.svelte';

	/** What another catalogue brings. */
	let { change, refused }: { change: CatalogueChange; refused: readonly FileProblem[] } = $props();
	const MOST = 30;
	const parts = $derived([
		{ name: 'new', tone: 'epidote', rows: change.fresh.map((c) => `${c.label} (${c.id})`) },
		{ name: 'gone', tone: 'garnet', rows: change.gone.map((c) => `${c.label} (${c.id})`) },
		{ name: 'renamed', tone: 'azurite', rows: change.renamed.map(({ from, to }) => `${to.label}: ${from.id} → ${to.id}`) },
		{
			name: 'with another label',
			tone: 'limonite',
			rows: change.relabelled.map(({ from, to }) => `${from.label} → ${to.label}`)
		}
	]);
</script>

<div class="change" aria-label="What the catalogue brings" role="group">
	{#each parts as { name, tone, rows } (name)}
		<details class="tone-{tone}">
			<summary><b class="toned">{rows.length}</b> {name}</summary>
			<ul>
				{#each rows.slice(0, MOST) as row (row)}<li>{row}</li>{/each}
				{#if rows.length > MOST}<li class="quiet">and {rows.length - MOST} more</li>{/if}
			</ul>
		</details>
	{/each}
</div>
{#if refused.length > 0}<Problems problems={refused} file="the list" title="{refused.length} lines need a look" />{/if}

<style>
	.change {
		display: flex;
		flex-wrap: wrap;
		gap: 6px 20px;
		font-size: 13px;
	}
	ul {
		margin: 4px 0 0;
		padding: 0;
		list-style: none;
	}
</style>
