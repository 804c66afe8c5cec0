<script lang="ts">
	import NewProgram from '$lib/ui/programs/NewProgram.svelte';
</script>

<NewProgram />
