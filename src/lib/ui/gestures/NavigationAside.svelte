<script lang="ts">
	import { Button } from 'flowbite-svelte';
	import { COMMAND } from '$lib/state/bar-drag.svelte';
	import type { NavigationDesk } from '$lib/state/navigation-desk.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import CommandPick from '../CommandPick.svelte';
	import SaidList from './SaidList.svelte';
	import KeyCaps from '../KeyCaps.svelte';

	/** What is done with the input of the mouse that is selected. */
	let { desk }: { desk: NavigationDesk } = $props();
	const workspace = useWorkspace();
	const keys = $derived(desk.selected);
	const bindings = $derived(keys === undefined ? [] : workspace.index.on(keys));
</script>

<CommandPick
	label="Find a command for the input"
	carried={COMMAND}
	onpick={({ id }) => {
		if (keys !== undefined) void desk.assign(keys, id);
	}}
/>
{#if keys !== undefined}
	<h2><KeyCaps {keys} /></h2>
	<SaidList {bindings} none="Nothing. Type what it should do." />
	{#if bindings.length > 0}
		<Button size="xs" color="alternative" disabled={workspace.edits.busy} onclick={() => void desk.clear(keys)}>No command</Button
		>
	{/if}
{:else}
	<p class="quiet">Select a button or the wheel with a modifier, then find its command.</p>
{/if}

<style>
	h2 {
		margin: 0;
		font-size: var(--heading);
	}
</style>
