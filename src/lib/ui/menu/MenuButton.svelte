<script lang="ts">
	import { Button } from 'flowbite-svelte';
	import type { Act } from '../hotkeys.svelte';
	import { rove } from './roving';

	/**
	 * A button that opens a menu (WAI-ARIA Authoring Practices, menu button): the arrow keys walk through it, and nothing is done before
	 * Enter or a click.
	 */
	let { label, items, id }: { label: string; items: readonly Act[]; id?: string } = $props();
	let isOpen = $state(false);
	let home = $state<HTMLElement | undefined>(undefined);
	let list = $state<HTMLElement | undefined>(undefined);
	const buttons = () => [...(list?.querySelectorAll<HTMLElement>('[role="menuitem"]') ?? [])];

	$effect(() => {
		if (list) buttons()[0]?.focus();
	});

	function close(goesBack: boolean) {
		isOpen = false;
		if (goesBack) home?.querySelector('button')?.focus();
	}

	function onkeydown(event: KeyboardEvent) {
		if (!isOpen) {
			if (event.key !== 'ArrowDown') return;
			isOpen = true;
		} else if (event.key === 'Escape') close(true);
		else if (event.key === 'Tab') return close(false);
		else if (!rove(event, buttons())) return;
		event.preventDefault();
		event.stopPropagation();
	}
</script>

<svelte:window onpointerdown={(event) => isOpen && !home?.contains(event.target as Node) && close(false)} />

<!-- svelte-ignore a11y_no_static_element_interactions -->
<span class="home" bind:this={home} {onkeydown}>
	<Button
		size="xs"
		color="alternative"
		class="shrink-0 whitespace-nowrap"
		{id}
		aria-haspopup="menu"
		aria-expanded={isOpen}
		onclick={() => (isOpen = !isOpen)}>{label}</Button
	>
	{#if isOpen}
		<div class="list menu-sheet" role="menu" aria-label={label} bind:this={list}>
			{#each items as { name, run } (name)}
				<button type="button" role="menuitem" tabindex="-1" onclick={() => (close(true), run())}>{name}</button>
			{/each}
		</div>
	{/if}
</span>

<style>
	.home {
		position: relative;
		display: inline-block;
	}
	.list {
		position: absolute;
		z-index: 30;
		top: calc(100% + 2px);
		left: 0;
		min-width: 160px;
		max-height: 60vh;
		overflow-y: auto;
	}
	.list button {
		white-space: nowrap;
	}
	.list button:is(:hover, :focus) {
		outline: none;
		background: var(--azurite-wash);
	}
</style>
