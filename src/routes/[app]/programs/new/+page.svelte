<script lang="ts">
	import NewProgram from '$lib/ui/programs/NewProgram.svelte';
</script>

<div class="view">
	<h2>Bring a program</h2>
	<NewProgram />
</div>

<style>
	.view {
		height: 100%;
		overflow-y: auto;
	}
	h2 {
		padding: 18px 18px 0;
		font-size: 19px;
	}
</style>
