<script lang="ts">
	import type { HeldList } from '$lib/workers/held.worker';
	import { useWorkspace } from '$lib/state/workspace.svelte';

	/** The errors in what goes out besides the office stratum, by the strata that people have together. */
	let { lists }: { lists: readonly HeldList[] } = $props();
	const workspace = useWorkspace();
	const { held } = workspace.next;
	const SHOWN = 3;
</script>

{#if held.progress !== undefined}
	<p class="quiet" role="status">Checking what goes out besides: {Math.round(held.progress * 100)} %</p>
{/if}
{#each lists as { name, errors } (name)}
	<div class="callout tone-garnet">
		<p>
			<strong class="toned">◆ {errors.length === 1 ? 'An error' : `${errors.length} errors`} in {name} would go out.</strong>
			Mend or accept {errors.length === 1 ? 'it' : 'each'} in
			<a href="/{workspace.document.application.id}/findings">Findings</a>, with a setup of these strata.
		</p>
		{#each errors.slice(0, SHOWN) as { finding, sentence } (finding)}<p class="small">{sentence}</p>{/each}
		{#if errors.length > SHOWN}<p class="small quiet">and {errors.length - SHOWN} more</p>{/if}
	</div>
{/each}

<style>
	.small {
		font-size: 12.5px;
	}
	a {
		color: var(--azurite);
		text-decoration: underline;
	}
</style>
