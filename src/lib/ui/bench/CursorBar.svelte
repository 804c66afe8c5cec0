<script lang="ts">
	import type { CommandId } from '$core/application/command';
	import type { ItemId, ItemOf } from '$core/chapters/bars/bar';
	import { barBox, isPlace } from '$core/chapters/bars/boxes';
	import type { BarNode, BarTree } from '$core/chapters/bars/tree';
	import { floatingBar } from '$core/surface/window';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import AtPointer from './AtPointer.svelte';
	import PlaceFace from '../bars/PlaceFace.svelte';

	/** The cursor bars that a key has opened at the pointer, one below the other. */
	let {
		bars,
		tree,
		at,
		onrun,
		onclose
	}: {
		bars: readonly BarNode<ItemOf<'bar'>>[];
		tree: BarTree;
		/** From the upper left corner of what it lies in, in px. */
		at: { readonly x: number; readonly y: number };
		onrun: (command: CommandId) => void;
		onclose: () => void;
	} = $props();
	const workspace = useWorkspace();
	const laid = $derived.by(() => {
		let y = 0;
		return bars.map((bar) => {
			const { dock, icon, text } = bar.item;
			const columns = dock.edge === 'floating' ? dock.columns : 4;
			const { rect, places } = floatingBar(barBox(bar, workspace.catalogue), { edge: 'floating', monitor: 1, x: 0, y, columns });
			y += rect.height + 4;
			return { id: bar.id, name: bar.item.name, icon, text, rect, places };
		});
	});
	const commandOf = (id: string) => {
		const node = tree.byId.get(id as ItemId);
		const command = node && isPlace(node) ? node.item.command : undefined;
		return command && workspace.catalogue.get(command);
	};
</script>

<AtPointer role="toolbar" label="Cursor bar" {at} {onclose}>
	{#each laid as { id, name, icon, text, rect, places } (id)}
		<div class="bar" role="group" aria-label={name} style="top:{rect.y}px;width:{rect.width}px;height:{rect.height}px"></div>
		{#each places as { place, rect: own } (place.id)}
			{@const command = commandOf(place.id)}
			{#if place.kind === 'button'}
				<button
					type="button"
					style="left:{own.x}px;top:{own.y}px;width:{own.width}px;height:{own.height}px"
					title={place.label}
					disabled={!command}
					onclick={() => command && (onclose(), onrun(command.id))}
				>
					<PlaceFace {place} {command} form={undefined} {text} {icon} isTall={false} />
				</button>
			{/if}
		{/each}
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
		font-size: 12px;
	}
</style>
