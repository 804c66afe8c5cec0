<script lang="ts">
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import { situations } from './wording';

	/** How many situations, and which: a list that opens, by the contexts of the first axis. */
	let { list }: { list: readonly number[] } = $props();
	const workspace = useWorkspace();
	/** More than this is read by nobody; the first of each context tell enough. */
	const MOST_OF_ONE = 40;
	/** The length of what stands between the contexts of a situation. */
	const BETWEEN = ' · '.length;
	const groups = $derived.by(() => {
		const { space } = workspace;
		const labels = new Map(space.axes[0]!.nodes.map(({ id, label }) => [id, label]));
		const byFirst = new Map<string, string[]>();
		for (const at of list) {
			const first = labels.get(space.situations[at]![0]!)!;
			const rest = space.labelOf(at).slice(first.length + BETWEEN);
			const own = byFirst.get(first);
			if (own) own.push(rest);
			else byFirst.set(first, [rest]);
		}
		return [...byFirst];
	});
</script>

<details>
	<summary class="num quiet">{situations(list.length)}</summary>
	<div class="list" tabindex="-1">
		{#each groups as [first, rest] (first)}
			<p><b>{first}</b> <span class="quiet">{rest.length}</span></p>
			<ul>
				{#each rest.slice(0, MOST_OF_ONE) as label (label)}{#if label !== ''}<li>{label}</li>{/if}{/each}
				{#if rest.length > MOST_OF_ONE}<li class="quiet">and {rest.length - MOST_OF_ONE} more</li>{/if}
			</ul>
		{/each}
	</div>
</details>

<style>
	details {
		font-size: var(--caption);
	}
	details[open] {
		grid-column: 2 / -1;
	}
	.list {
		max-height: 220px;
		padding: var(--space-1) 0;
		overflow-y: auto;
	}
	ul {
		margin: 0 0 6px;
		padding: 0 0 0 var(--space-3);
		list-style: none;
	}
</style>
