<script lang="ts">
	import InState from '$lib/ui/InState.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import SheetView from '$lib/ui/sheet/SheetView.svelte';

	const workspace = useWorkspace();
</script>

<InState><SheetView edited={workspace} /></InState>
