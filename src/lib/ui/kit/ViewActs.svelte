<script lang="ts">
	import type { Snippet } from 'svelte';
	import { useHead } from './ViewHead.svelte';

	/** Puts its content into the head of the view, at the right: choices, tools, and last the one primary act. */
	let { children }: { children: Snippet } = $props();
	const head = useHead();
	$effect(() => {
		if (!head) return;
		head.acts = children;
		return () => {
			if (head.acts === children) head.acts = undefined;
		};
	});
</script>

{#if !head}{@render children()}{/if}
