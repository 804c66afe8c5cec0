<script lang="ts">
	import type { Role } from '$core/strata/role';
	import { bandClass } from '../stratum-look';

	/** A small core: the strata that the role may write are full, the others hollow. */
	let { role }: { role: Role } = $props();
	const kinds = ['office', 'discipline', 'personal'] as const;
	const writes = $derived(role === 'steward' ? 3 : role === 'lead' ? 2 : 1);
</script>

<span class="mark" role="img" aria-label={role} title={role}>
	{#each kinds as kind, i (kind)}
		<span class={i >= kinds.length - writes ? bandClass(kind) : 'hollow'}></span>
	{/each}
</span>

<style>
	.mark {
		display: flex;
		width: 34px;
		height: 14px;
		border: 1px solid var(--ink-3);
		border-radius: 7px;
		overflow: hidden;
	}
	.mark > * {
		flex: 1;
		border-left: 1px solid var(--ground);
	}
	.hollow {
		background: var(--ground);
	}
</style>
