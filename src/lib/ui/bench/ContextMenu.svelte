<script lang="ts">
	import type { CommandId } from '$core/application/command';
	import { isIn, isPlace, labelOfPlace } from '$core/chapters/bars/boxes';
	import type { BarNode, BarTree } from '$core/chapters/bars/tree';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import CommandIcon from '../CommandIcon.svelte';
	import AtPointer from '../menu/AtPointer.svelte';
	import KeyCaps from '../KeyCaps.svelte';

	/** The context menus of the situation, opened at the pointer: what stands in the bars for it, one after the other. */
	let {
		tree,
		at,
		onrun,
		onclose
	}: {
		tree: BarTree;
		/** From the upper left corner of what it lies in, in px. */
		at: { readonly x: number; readonly y: number };
		onrun: (command: CommandId) => void;
		onclose: () => void;
	} = $props();
	const workspace = useWorkspace();
	const menus = $derived(
		tree.bars.filter(({ item }) => item.form === 'context' && !item.hidden && isIn(workspace.space, item, workspace.situation))
	);
	const places = (node: BarNode) => node.children.filter(isPlace).filter(({ item }) => !item.hidden);
</script>

<AtPointer role="menu" label="Context menu" {at} {onclose}>
	<div class="menu-sheet" role="presentation">
		{#each menus as menu (menu.id)}
			{#each places(menu) as { id, item } (id)}
				{@const command = item.command && workspace.catalogue.get(item.command)}
				{#if command}
					{@const first = workspace.index.of(command.id)[0]}
					<button type="button" role="menuitem" tabindex="-1" onclick={() => (onclose(), onrun(command.id))}
						><CommandIcon {command} size={16} /> <span>{labelOfPlace(item, workspace.catalogue)}</span>
						{#if first}<KeyCaps keys={first.keys} />{/if}</button
					>
				{:else if item.command === undefined && item.flyout === undefined}<hr />{/if}
			{/each}
		{:else}
			<p class="quiet">There is no context menu here. Add one in Toolbars.</p>
		{/each}
	</div>
</AtPointer>

<style>
	.menu-sheet {
		min-width: 190px;
	}
	button {
		display: grid;
		grid-template-columns: 20px 1fr auto;
		gap: 8px;
		align-items: center;
	}
	button:focus {
		outline: none;
	}
	hr {
		width: 100%;
		margin: 3px 0;
		border: 0;
		border-top: 1px solid var(--line);
	}
	p {
		padding: 4px 10px;
		font-size: var(--dense);
	}
</style>
