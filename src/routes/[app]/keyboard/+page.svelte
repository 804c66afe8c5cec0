<script lang="ts">
	import InState from '$lib/ui/InState.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import KeyboardView from '$lib/ui/keyboard/KeyboardView.svelte';

	const workspace = useWorkspace();
</script>

<InState><KeyboardView edited={workspace} /></InState>
