<script lang="ts">
	import { listed } from '$core/text/listed';
	import { told } from '$lib/state/api';
	import { useWorkspace } from '$lib/state/workspace.svelte';

	/** Which disciplines and projects go out with the office stratum; the same choice in Rollout and in Impact. */
	const workspace = useWorkspace();
	const { next } = workspace;
	$effect(() => {
		void [workspace.revision, workspace.channel, next.isWide];
		next.read().catch((error: unknown) => (workspace.notice = { kind: 'failed', text: told(error) }));
	});
</script>

{#if next.others.length > 0}
	<fieldset>
		<legend class="quiet">Also in the release</legend>
		{#each next.others as { id, name } (id)}<label
				><input
					type="checkbox"
					checked={next.besides.includes(id)}
					onchange={({ currentTarget: { checked } }) =>
						next.choose(checked ? [...next.besides, id] : next.besides.filter((other) => other !== id))}
				/>
				{name}</label
			>{/each}
	</fieldset>
	{#if next.leaving.length > 0}
		<p class="tone-limonite small">
			<span class="toned">▲</span>
			{listed(next.leaving.map(({ name }) => name))} was in release {workspace.channel}; without {next.leaving.length === 1
				? 'it'
				: 'them'} the seats lose the content of {next.leaving.length === 1 ? 'that level' : 'those levels'}.
		</p>
	{/if}
{/if}

<style>
	fieldset {
		display: flex;
		flex-wrap: wrap;
		gap: var(--space-1) var(--space-3);
		margin: 0;
		padding: 0;
		border: 0;
	}
	.small {
		margin: 0;
		font-size: var(--caption);
	}
</style>
