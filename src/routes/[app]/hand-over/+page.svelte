<script lang="ts">
	import BringIn from '$lib/ui/hand-over/BringIn.svelte';
	import TakeOut from '$lib/ui/hand-over/TakeOut.svelte';
</script>

<div class="view">
	<TakeOut />
	<BringIn />
</div>

<style>
	.view {
		display: grid;
		grid-template-columns: 316px minmax(0, 1fr);
		height: 100%;
	}
</style>
