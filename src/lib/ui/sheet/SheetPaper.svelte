<script lang="ts">
	import { headLine } from '$core/sheet/head';
	import type { Sheet } from '$core/sheet/sheet';

	/** A sheet as it comes out of the printer. */
	let { sheet, paper }: { sheet: Sheet; paper: 'a4' | 'a3' } = $props();
</script>

<article class="{paper} {sheet.arrangement}" aria-label="Print sheets">
	<header>
		<h1>{sheet.head.application}</h1>
		<p>{headLine(sheet.head)}</p>
	</header>
	<div class="sections">
		{#each sheet.sections as { name, columns, rows }, s (s)}
			<section>
				<h2>{name}</h2>
				<table>
					<thead
						><tr
							>{#each columns as column, c (c)}<th scope="col">{column}</th>{/each}</tr
						></thead
					>
					<tbody>
						{#each rows as row, r (r)}
							<tr
								>{#each row as cell, c (c)}<td
										>{#if typeof cell === 'string'}{cell}{:else}{#each cell as input, i (i)}<kbd>{input}</kbd>{/each}{/if}</td
									>{/each}</tr
							>
						{/each}
					</tbody>
				</table>
			</section>
		{:else}
			<p>This setup has no shortcuts.</p>
		{/each}
	</div>
</article>

<style>
	@page a4 {
		size: A4 portrait;
		margin: 12mm;
	}
	@page a4-wide {
		size: A4 landscape;
		margin: 10mm;
	}
	@page a3 {
		size: A3 landscape;
		margin: 12mm;
	}
	article {
		max-width: 1100px;
		margin: 0 auto;
		padding: 22px 26px;
		border: 1px solid var(--line-strong);
		background: var(--raised);
		font-size: 12px;
		line-height: 1.35;
	}
	.a4 {
		page: a4;
	}
	.a4.keyboard {
		page: a4-wide;
	}
	.a3 {
		page: a3;
	}
	header p {
		text-align: right;
	}
	header {
		display: flex;
		justify-content: space-between;
		align-items: baseline;
		gap: 20px;
		margin-bottom: 12px;
		padding-bottom: 6px;
		border-bottom: 2px solid var(--ink);
	}
	h1 {
		flex: none;
		font-size: 19px;
	}
	.sections {
		columns: 2;
		column-gap: 22px;
	}
	.a3 .sections {
		columns: 3;
	}
	.keyboard .sections {
		columns: 1;
	}
	/* a group is kept together where it fits on a page */
	section {
		margin-bottom: 12px;
		break-inside: avoid;
	}
	h2 {
		margin-bottom: 3px;
		font-size: 13px;
		break-after: avoid;
	}
	table {
		width: 100%;
		border-collapse: collapse;
	}
	thead {
		display: table-header-group;
		break-after: avoid;
	}
	tr {
		break-inside: avoid;
	}
	th {
		color: var(--ink-2);
		font-size: 11px;
		font-weight: 600;
	}
	th,
	td {
		padding: 2px 8px 2px 0;
		border-bottom: 1px solid var(--line);
		text-align: left;
		vertical-align: top;
	}
	kbd {
		margin-right: 4px;
		padding: 0 4px;
		border: 1px solid var(--control);
		border-radius: 3px;
		font-family: var(--font);
		font-size: 11px;
		white-space: nowrap;
	}
	@media print {
		article {
			max-width: none;
			padding: 0;
			border: 0;
		}
	}
</style>
