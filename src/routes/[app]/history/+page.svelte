<script lang="ts">
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import History from '$lib/ui/History.svelte';

	/** All that was changed of the program, in every level. */
	const workspace = useWorkspace();
</script>

<section class="view" aria-label="History">
	<h1>History of {workspace.document.application.name}</h1>
	<p class="quiet">Every change that was made, by whom and when. Search for a key to see who gave it to what.</p>
	<History isPage />
</section>

<style>
	.view {
		height: 100%;
		padding: 20px 26px 40px;
		overflow-y: auto;
	}
</style>
