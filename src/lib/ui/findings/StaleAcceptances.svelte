<script lang="ts">
	import { ACCEPTANCES, type Accepted } from '$core/chapters/acceptances/acceptance';
	import { dropsAcceptance } from '$core/check/acceptance';
	import { tagged } from '$core/profile/edit';
	import { useWorkspace } from '$lib/state/workspace.svelte';

	/** Acceptances of findings that are gone or have changed, and the button that drops them. */
	let { stale }: { stale: readonly Accepted[] } = $props();
	const workspace = useWorkspace();

	const drop = () =>
		workspace.edits.commit(
			`Remove ${stale.length} acceptances of solved findings`,
			tagged({ id: ACCEPTANCES }, stale.map(dropsAcceptance))
		);
</script>

{#if stale.length > 0}
	<p class="callout tone-limonite">
		{stale.length === 1 ? 'An acceptance is' : `${stale.length} acceptances are`} of findings that are gone or have changed.
		<button class="linkish" type="button" onclick={drop}>Remove</button>
	</p>
{/if}
