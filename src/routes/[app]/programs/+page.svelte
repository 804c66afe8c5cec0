<script lang="ts">
	import ProgramsView from '$lib/ui/programs/ProgramsView.svelte';

	let { data } = $props();
</script>

<ProgramsView {data} />
