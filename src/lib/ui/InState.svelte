<script lang="ts">
	import { untrack, type Snippet } from 'svelte';
	import { provideWorkspace, useWorkspace } from '$lib/state/workspace.svelte';

	/** What is inside looks at the setup in the state that is chosen: as edited, next release, at the seats, or one release. */
	let { children }: { children: Snippet } = $props();
	const workspace = useWorkspace();
	const shown = $derived(workspace.shown.workspace ?? workspace);
	provideWorkspace(() => shown);

	// an edit that comes in shows in the next release as well
	$effect(() => {
		void workspace.profile;
		untrack(() => workspace.shown.state !== 'edited' && workspace.shown.build());
	});
</script>

{#key shown}{@render children()}{/key}
