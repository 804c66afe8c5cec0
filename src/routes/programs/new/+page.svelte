<script lang="ts">
	import NewProgram from '$lib/ui/programs/NewProgram.svelte';
	import Frame from '$lib/ui/programs/Frame.svelte';
</script>

<Frame title="Add a program"><NewProgram /></Frame>
