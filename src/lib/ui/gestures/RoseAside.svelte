<script lang="ts">
	import { Button } from 'flowbite-svelte';
	import { directionText } from '$core/stroke/mouse';
	import { COMMAND } from '$lib/state/bar-drag.svelte';
	import type { GestureDesk } from '$lib/state/gesture-desk.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import CommandPick from '../CommandPick.svelte';
	import SaidList from './SaidList.svelte';

	/** What is done with the direction that is selected, and with its rose. */
	let { desk, ondone }: { desk: GestureDesk; ondone: () => void } = $props();
	const workspace = useWorkspace();
	const current = $derived(desk.current);
	const said = $derived(current ? [...current.petal.own, ...(current.petal.inherited ? [current.petal.inherited] : [])] : []);
</script>

<CommandPick
	label="Find a command for the direction"
	carried={COMMAND}
	onpick={(command) => {
		if (current) void desk.assign(current.view, current.petal.degrees, command.id);
		ondone();
	}}
/>
{#if current}
	<h2>{directionText(current.petal.degrees)} in {workspace.space.scopeLabel(current.view.rose.entry.scope)}</h2>
	<SaidList bindings={said} none="Nothing. Press Enter and type what it should do, or drag a command here." caps />
	<div class="acts">
		{#if current.petal.own.length > 0}
			<Button
				size="xs"
				color="alternative"
				disabled={workspace.edits.busy}
				onclick={() => void desk.clear(current.view, current.petal.degrees)}>No command</Button
			>
		{/if}
		<Button
			size="xs"
			color="alternative"
			disabled={workspace.edits.busy}
			onclick={() => void desk.shape(current.view, { turn: current.view.rose.entry.turn === 0 ? 10 : 0 })}
			>{current.view.rose.entry.turn === 0 ? 'Turn by 10°' : 'Not turned'}</Button
		>
		{#if workspace.role === 'steward'}
			<Button size="xs" color="alternative" onclick={() => void desk.lock(current.view, current.view.rose.lockedBy === undefined)}
				>{current.view.rose.lockedBy === undefined ? 'Lock the rose' : 'Unlock the rose'}</Button
			>
		{/if}
		<Button size="xs" color="alternative" disabled={workspace.edits.busy} onclick={() => void desk.remove(current.view)}
			>Delete the rose</Button
		>
	</div>
{:else}
	<p class="quiet">
		Select a direction: arrow keys go around a rose and to the next context. You can change the number of directions; commands
		that lose their direction become unassigned.
	</p>
{/if}

<style>
	h2 {
		margin: 0;
		font-size: var(--heading);
	}
	.acts {
		display: flex;
		flex-wrap: wrap;
		gap: 6px;
	}
</style>
