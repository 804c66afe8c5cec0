<script lang="ts">
	import type { Recipe } from '$core/recipe/recipe';
	import type { RecipeWorkshop } from '$lib/state/recipe-workshop.svelte';

	/** The recipes that would read the sample, the likeliest first. */
	let { workshop }: { workshop: RecipeWorkshop } = $props();

	const shapeNames = { line: 'lines', delimited: 'delimited fields', json: 'JSON', yaml: 'YAML', xml: 'XML' } as const;
	const told = ({ record }: Recipe) =>
		record.shape === 'line'
			? record.template
			: record.shape === 'delimited'
				? record.columns.join(record.delimiter === '\t' ? ' ⇥ ' : ` ${record.delimiter} `)
				: record.shape === 'xml'
					? `<${record.element}>`
					: record.at || 'the whole document';
</script>

<div class="proposals" role="radiogroup" aria-label="Proposals">
	{#each workshop.proposals as { recipe, reading }, i (i)}
		<button
			type="button"
			role="radio"
			aria-checked={workshop.recipe === recipe}
			class="proposal"
			class:chosen={workshop.recipe === recipe}
			onclick={() => (workshop.recipe = recipe)}
			><small class="quiet">{shapeNames[recipe.record.shape]} · {reading.records.length} records</small><span class="mono"
				>{told(recipe)}</span
			></button
		>
	{/each}
</div>

<style>
	.proposals {
		display: grid;
		grid-template-columns: repeat(2, minmax(0, 1fr));
		gap: var(--space-2);
	}
	.proposal {
		display: grid;
		padding: 6px var(--space-2);
		border: 1px solid var(--line-strong);
		border-radius: 4px;
		background: transparent;
		color: var(--ink);
		font-size: var(--caption);
		text-align: left;
		overflow: hidden;
	}
	.proposal.chosen {
		border-color: var(--fluorite);
		background: var(--fluorite-wash);
	}
	.proposal .mono {
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
</style>
