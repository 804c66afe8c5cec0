<script lang="ts">
	import { goto } from '$app/navigation';
	import type { Command } from '$core/application/command';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import CommandIcon from '../CommandIcon.svelte';
	import KeyCaps from '../KeyCaps.svelte';

	/** A control of the stand-in. With Alt held, pointing at it opens the command's card instead of running it. */
	let { command, form, onrun }: { command: Command; form: 'menu' | 'ribbon'; onrun: () => void } = $props();
	const workspace = useWorkspace();
	const first = $derived(workspace.index.of(command.id)[0]);

	function act(event: MouseEvent | KeyboardEvent) {
		if (event.altKey) {
			event.preventDefault();
			event.stopPropagation();
			void goto(`/${workspace.document.application.id}/commands?command=${encodeURIComponent(command.id)}`);
		} else if (event instanceof MouseEvent) onrun();
	}
</script>

<button
	type="button"
	class={form}
	role={form === 'menu' ? 'menuitem' : undefined}
	tabindex={form === 'menu' ? -1 : 0}
	title="{command.label}: {command.description} Alt+click shows the command."
	onclick={act}
	onkeydown={(event) => event.key === 'Enter' && event.altKey && act(event)}
>
	<CommandIcon {command} size={form === 'menu' ? 16 : 19} />
	<span>{command.label}</span>
	{#if form === 'menu' && first}<KeyCaps keys={first.keys} />{/if}
</button>

<style>
	button {
		border: 0;
		background: none;
		color: var(--ink);
		font: inherit;
		border-radius: var(--radius);
	}
	button:hover {
		background: var(--azurite-wash);
	}
	.menu {
		display: grid;
		grid-template-columns: 20px 1fr auto;
		gap: 8px;
		align-items: center;
		width: 100%;
		padding: 3px 10px;
		text-align: left;
		font-size: var(--dense);
	}
	.ribbon {
		display: grid;
		justify-items: center;
		align-content: start;
		gap: 2px;
		width: 58px;
		padding: 4px 2px;
		font-size: var(--caption);
		line-height: 1.05;
		font-stretch: 76%;
		text-align: center;
	}
	.ribbon span {
		display: -webkit-box;
		-webkit-line-clamp: 2;
		line-clamp: 2;
		-webkit-box-orient: vertical;
		overflow: hidden;
	}
</style>
