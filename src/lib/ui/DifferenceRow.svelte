<script lang="ts">
	import type { Snippet } from 'svelte';
	import type { Difference } from '$core/chapter/chapter';
	import KeyCaps from './KeyCaps.svelte';
	import StratumChip from './StratumChip.svelte';

	/** One thing that differs: who made it so, whether it came or went, and what it is. */
	let { difference, children }: { difference: Difference; children?: Snippet } = $props();
	const SIGN = { added: '+', changed: '±', removed: '−' } as const;
	const { caption, kind, by } = $derived(difference);
</script>

<span
	>{#if by}<StratumChip id={by} />{/if}</span
>
<span class={kind === 'removed' ? 'tone-limonite' : 'tone-azurite'}><span class="toned">{SIGN[kind]}</span></span>
<span class="input"
	>{#if caption.keys}<KeyCaps keys={caption.keys} />{:else}<span class="mono">{caption.typed ?? ''}</span>{/if}</span
>
<span class="label">{caption.label} <small class="quiet">{caption.detail}</small></span>
{@render children?.()}

<style>
	.input,
	.label {
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	.label {
		color: var(--ink);
	}
	small {
		font-size: var(--caption);
		margin-left: 6px;
	}
</style>
