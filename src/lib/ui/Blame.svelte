<script lang="ts">
	import { day } from '$lib/ui/when';
	import type { Blamable } from '$lib/state/blames.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';

	/** Who said it last and when, in an office with accounts; what the edit was called stands behind it. */
	let {
		stratum,
		chapter,
		thing,
		name
	}: Blamable & { /** What it is called, where that does not stand beside it. */ name?: string } = $props();
	const workspace = useWorkspace();
	$effect(() => {
		if (workspace.document.isOpen) void workspace.blames.want({ stratum, chapter });
	});
	const maker = $derived(workspace.document.isOpen ? workspace.blames.of({ stratum, chapter, thing }) : undefined);
</script>

{#if maker}<small class="quiet" title={maker.label}
		>{name === undefined ? '' : `${name}: `}by {workspace.nameOf(maker.by)}, {day(maker.at)}</small
	>{/if}
