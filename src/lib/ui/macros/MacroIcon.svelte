<script lang="ts">
	import { isPicture } from '$core/chapters/macros/icon';
	import type { Command } from '$core/application/command';
	import CommandIcon from '../CommandIcon.svelte';

	/** A macro's sign: a shipped icon, or a picture of its own. */
	let { icon, kind = 'one-shot', size = 18 }: { icon: string; kind?: Command['kind']; size?: number } = $props();
</script>

{#if isPicture(icon)}<img src={icon} width={size} height={size} alt="" />{:else}<CommandIcon
		command={{ icon, kind }}
		{size}
	/>{/if}

<style>
	img {
		flex: none;
		object-fit: contain;
	}
</style>
