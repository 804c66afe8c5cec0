<script lang="ts">
	import type { Snippet } from 'svelte';
	import { rove } from './roving';

	/** What opens at the pointer over the drawing: it takes the focus, arrow keys go through its buttons, and all else closes it. */
	let {
		role,
		label,
		at,
		onclose,
		children
	}: {
		role: 'menu' | 'toolbar';
		label: string;
		/** From the upper left corner of what it lies in, in px. */
		at: { readonly x: number; readonly y: number };
		onclose: () => void;
		children: Snippet;
	} = $props();
	let home = $state<HTMLElement | undefined>(undefined);
	const buttons = () => [...(home?.querySelectorAll<HTMLElement>('button:not(:disabled)') ?? [])];

	$effect(() => buttons()[0]?.focus());

	function onkeydown(event: KeyboardEvent) {
		if (event.key === 'Escape') onclose();
		// the button's own keys go no further
		else if (event.key === 'Enter' || event.key === ' ') return event.stopPropagation();
		else if (!rove(event, buttons())) return;
		event.preventDefault();
		event.stopPropagation();
	}
</script>

<svelte:window onpointerdown={(event) => !home?.contains(event.target as Node) && onclose()} />

<div class="home" {role} tabindex="-1" aria-label={label} bind:this={home} style="left:{at.x}px;top:{at.y}px" {onkeydown}>
	{@render children()}
</div>

<style>
	.home {
		position: absolute;
		z-index: 6;
	}
	.home :global(button:hover),
	.home :global(button:focus-visible),
	.home[role='menu'] :global(button:focus) {
		background: var(--azurite-wash);
	}
</style>
