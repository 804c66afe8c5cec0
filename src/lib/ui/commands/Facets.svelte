<script lang="ts">
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import Picker from '../Picker.svelte';
	import type { Facet, Question } from './listing';

	let { question = $bindable(), counts }: { question: Question; counts: Record<Facet, number> } = $props();
	const workspace = useWorkspace();
	const facets: { id: Facet; label: string }[] = [
		{ id: 'all', label: 'All' },
		{ id: 'keyed', label: 'Has a shortcut' },
		{ id: 'keyless', label: 'No shortcut' },
		{ id: 'changed', label: 'Changed' },
		{ id: 'findings', label: 'Findings' }
	];
	const categories = [...new Set(workspace.document.commands.map((c) => c.category[0]!))];
	const contexts = $derived(
		workspace.space.axes.flatMap((axis) =>
			axis.nodes.map((node) => ({ value: `${axis.id}/${node.id}`, name: `${axis.label}: ${node.label}` }))
		)
	);
</script>

<div class="facets">
	<div class="pills" role="group" aria-label="Show">
		{#each facets as { id, label } (id)}
			<button
				type="button"
				class="pill"
				aria-pressed={question.facet === id}
				onclick={() => (question = { ...question, facet: id })}
			>
				{label} <span class="num">{counts[id]}</span>
			</button>
		{/each}
	</div>
	<div class="pickers">
		<Picker
			label="Category"
			value={question.category}
			onpick={(category) => (question = { ...question, category })}
			items={[{ value: '', name: 'Any category' }, ...categories.map((c) => ({ value: c, name: c }))]}
		/>
		<Picker
			label="Context"
			value={question.context}
			onpick={(context) => (question = { ...question, context })}
			items={[{ value: '', name: 'Any context' }, ...contexts]}
		/>
	</div>
</div>

<style>
	.facets {
		display: flex;
		flex-wrap: wrap;
		justify-content: space-between;
		gap: 6px;
		align-items: center;
		padding: var(--space-2) var(--space-3);
	}
	.pills {
		display: flex;
		flex-wrap: wrap;
		gap: var(--space-1);
	}
	.pills button {
		padding: 0 var(--space-2);
		font-stretch: 92%;
	}
	.pickers {
		display: flex;
		gap: var(--space-1);
	}
	.pickers :global(select) {
		max-width: 112px;
		height: 26px;
	}
</style>
