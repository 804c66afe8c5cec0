<script lang="ts">
	import { useWorkspace } from '$lib/state/workspace.svelte';

	/** What was changed, the newest first. */
	const workspace = useWorkspace();
</script>

<ol>
	{#each workspace.history as edit (edit.revision)}
		{@const n = edit.changes.length}
		<li>
			<span class="num">{edit.revision}</span>
			<span>{edit.label}</span>
			<span class="quiet">{edit.role}, {n === 1 ? '1 change' : `${n} changes`}</span>
			<time class="num quiet" datetime={edit.at}
				>{new Date(edit.at).toLocaleString('en-GB', { dateStyle: 'short', timeStyle: 'short' })}</time
			>
		</li>
	{/each}
</ol>

<style>
	ol {
		margin: 0;
		padding: 0;
		list-style: none;
		max-height: 46dvh;
		overflow: auto;
		color: var(--ink);
	}
	li {
		display: grid;
		grid-template-columns: 40px 1fr auto 120px;
		gap: 12px;
		padding: 6px 0;
		border-top: 1px solid var(--line);
	}
</style>
