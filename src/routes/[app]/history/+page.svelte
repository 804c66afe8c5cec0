<script lang="ts">
	import History from '$lib/ui/History.svelte';

	/** All that was changed of the program, in every level. */
</script>

<section class="view" aria-label="History">
	<History isPage />
</section>

<style>
	.view {
		height: 100%;
		padding: var(--space-5) var(--space-6) var(--space-10);
		overflow-y: auto;
	}
</style>
