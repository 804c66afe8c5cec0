<script lang="ts">
	import type { Accepted } from '$core/chapters/shortcuts/effective';
	import { useWorkspace } from '$lib/state/workspace.svelte';

	/** Acceptances of findings that are gone or have changed, and the button that drops them. */
	let { stale }: { stale: readonly Accepted[] } = $props();
	const workspace = useWorkspace();

	const drop = () =>
		workspace.commit(
			`Drop ${stale.length} acceptances of findings that are gone`,
			stale.map(({ stratum, entry }) => ({ stratum, before: entry, after: null }))
		);
</script>

{#if stale.length > 0}
	<p class="callout tone-limonite">
		{stale.length === 1 ? 'An acceptance is' : `${stale.length} acceptances are`} of findings that are gone or have changed.
		<button class="linkish" type="button" onclick={drop}>Drop</button>
	</p>
{/if}
