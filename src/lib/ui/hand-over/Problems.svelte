<script lang="ts">
	import { Button } from 'flowbite-svelte';
	import { stringify } from 'csv-stringify/browser/esm/sync';
	import type { FileProblem } from '$core/format/problem';
	import { save } from '../save';

	/** What was refused, with line, column and reason; can be saved, so that nothing is lost silently. */
	let { problems, file, title }: { problems: readonly FileProblem[]; file: string; title: string } = $props();
	const shown = $derived(problems.slice(0, 200));

	function saveList() {
		const rows = problems.map((p) => [p.line, p.column, p.pointer ?? '', p.message]);
		const text = stringify([['line', 'column', 'pointer', 'message'], ...rows], { record_delimiter: '\r\n' });
		save(`${file}.refused.csv`, text, 'text/csv');
	}
</script>

<section class="callout tone-garnet" role="alert">
	<header>
		<h3><span class="toned" aria-hidden="true">◆</span> {title}</h3>
		{#if problems.length > 0}<Button size="xs" color="alternative" onclick={saveList}>Export this list</Button>{/if}
	</header>
	{#if problems.length > 0}
		<ol>
			{#each shown as problem, i (i)}
				<li>
					<span class="num">line {problem.line}{problem.column > 1 ? `, column ${problem.column}` : ''}</span>
					<span>{problem.message}</span>
				</li>
			{/each}
		</ol>
		{#if problems.length > shown.length}<p class="quiet">and {problems.length - shown.length} more in the exported list</p>{/if}
	{/if}
</section>

<style>
	header {
		display: flex;
		justify-content: space-between;
		align-items: center;
		gap: var(--space-3);
	}
	ol {
		margin: 6px 0 0;
		padding: 0;
		list-style: none;
		max-height: 180px;
		overflow: auto;
	}
	li {
		display: grid;
		grid-template-columns: 132px 1fr;
		gap: var(--space-2);
		padding: 2px 0;
		font-size: var(--dense);
		overflow-wrap: anywhere;
	}
	.num {
		text-align: left;
		color: var(--ink-2);
	}
</style>
