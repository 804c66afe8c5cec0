<script lang="ts">
	import { untrack } from 'svelte';
	import { page } from '$app/state';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import { trialOf } from '$lib/state/trial';
	import BenchView from '$lib/ui/bench/BenchView.svelte';
	import InState from '$lib/ui/InState.svelte';
	import TrialBench from '$lib/ui/bench/TrialBench.svelte';

	const workspace = useWorkspace();
	/** The proposal that is tried, by its number. */
	const wanted = $derived(Number(page.url.searchParams.get('proposal') ?? 0));
	const trial = $derived(wanted > 0 ? untrack(() => trialOf(workspace, wanted)) : undefined);
</script>

{#if trial === undefined}
	<InState><BenchView edited={workspace} /></InState>
{:else}
	{#await trial}
		<p class="quiet wait" role="status">Reading the proposal …</p>
	{:then { workspace: tried, label }}
		<TrialBench workspace={tried} {label} leave="/{workspace.document.application.id}/proposals" />
	{:catch error}
		<p class="callout tone-garnet" role="alert">{(error as Error).message}</p>
	{/await}
{/if}

<style>
	.wait {
		padding: 16px 18px;
	}
</style>
