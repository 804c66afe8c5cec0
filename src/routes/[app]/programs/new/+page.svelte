<script lang="ts">
	import NewProgram from '$lib/ui/programs/NewProgram.svelte';
</script>

<div class="view">
	<h2>Add a program</h2>
	<NewProgram />
</div>

<style>
	.view {
		height: 100%;
		overflow-y: auto;
	}
	h2 {
		padding: var(--space-4) var(--space-4) 0;
		font-size: var(--title);
	}
</style>
