<script lang="ts">
	import type { CommandId } from '$core/application/command';
	import type { ItemId, ItemOf } from '$core/chapters/bars/bar';
	import { barBox, isPlace } from '$core/chapters/bars/boxes';
	import type { BarNode, BarTree } from '$core/chapters/bars/tree';
	import { floatingBar } from '$core/surface/window';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import AtPointer from '../menu/AtPointer.svelte';
	import PlaceFace from '../bars/PlaceFace.svelte';

	/** A cursor bar that was opened at the pointer. */
	let {
		bar,
		tree,
		at,
		onrun,
		onclose
	}: {
		bar: BarNode<ItemOf<'bar'>>;
		tree: BarTree;
		/** From the upper left corner of what it lies in, in px. */
		at: { readonly x: number; readonly y: number };
		onrun: (command: CommandId) => void;
		onclose: () => void;
	} = $props();
	const workspace = useWorkspace();
	const laid = $derived.by(() => {
		const { dock, icon, text, name } = bar.item;
		const columns = dock.edge === 'floating' ? dock.columns : 4;
		const box = barBox(bar, workspace.catalogue);
		return { name, icon, text, ...floatingBar(box, { edge: 'floating', monitor: 1, x: 0, y: 0, columns }) };
	});
	const commandOf = (id: string) => {
		const node = tree.byId.get(id as ItemId);
		const command = node && isPlace(node) ? node.item.command : undefined;
		return command && workspace.catalogue.get(command);
	};
</script>

<AtPointer role="toolbar" label="Cursor bar" {at} {onclose}>
	<div class="bar" role="group" aria-label={laid.name} style="width:{laid.rect.width}px;height:{laid.rect.height}px"></div>
	{#each laid.places as { place, rect: own } (place.id)}
		{@const command = commandOf(place.id)}
		{#if place.kind === 'button'}
			<button
				type="button"
				style="left:{own.x}px;top:{own.y}px;width:{own.width}px;height:{own.height}px"
				title={place.label}
				disabled={!command}
				onclick={() => command && (onclose(), onrun(command.id))}
			>
				<PlaceFace {place} {command} form={undefined} text={laid.text} icon={laid.icon} isTall={false} />
			</button>
		{/if}
	{/each}
</AtPointer>

<style>
	.bar,
	button {
		position: absolute;
	}
	.bar {
		border: 1px solid var(--control);
		border-radius: var(--radius);
		background: var(--raised);
		box-shadow: 0 4px 14px rgb(0 0 0 / 0.2);
	}
	button {
		display: flex;
		gap: 4px;
		align-items: center;
		justify-content: center;
		padding: 0;
		border: 0;
		border-radius: 3px;
		background: none;
		color: var(--ink);
		font: inherit;
		font-size: var(--caption);
	}
</style>
