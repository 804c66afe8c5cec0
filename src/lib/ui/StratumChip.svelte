<script lang="ts">
	import type { StratumId } from '$core/strata/stratum';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import { bandClass } from './stratum-look';

	/** Where a value comes from: the core sample as a small chip. */
	let { id, named = false }: { id: StratumId; named?: boolean } = $props();
	const workspace = useWorkspace();
	const head = $derived(workspace.profile.find((s) => s.id === id));
</script>

{#if head}
	<span class="chip" title="{head.name} level">
		<i class={bandClass(head.kind)}></i><span class={named ? 'name' : 'visually-hidden'}>{head.name}</span>
	</span>
{/if}

<style>
	.chip {
		display: inline-flex;
		align-items: center;
		gap: 6px;
		vertical-align: middle;
	}
	i {
		display: inline-block;
		width: 9px;
		height: 17px;
		border-radius: 2px;
		flex: none;
	}
	.name {
		font-size: var(--dense);
	}
</style>
