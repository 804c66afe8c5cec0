<script lang="ts">
	import ProgramsView from '$lib/ui/programs/ProgramsView.svelte';
	import Frame from '$lib/ui/programs/Frame.svelte';

	let { data } = $props();
</script>

<Frame title="Programs"><ProgramsView {data} /></Frame>
