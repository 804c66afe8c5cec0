<script lang="ts">
	import type { ItemId } from '$core/chapters/bars/bar';
	import { isPlace } from '$core/chapters/bars/boxes';
	import { SIZES, type GroupForm, type PlaceBox, type Rect } from '$core/surface/parts';
	import type { BarDesk } from '$lib/state/bar-desk.svelte';
	import type { BarDrag } from '$lib/state/bar-drag.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import PlaceFace from './PlaceFace.svelte';

	/** A place of the window while its bars are shaped: it is selected, carried, and takes what is let go over it. */
	let {
		desk,
		drag,
		id,
		place,
		rect,
		form,
		text,
		icon,
		showsNames,
		marks,
		onpick
	}: {
		desk: BarDesk;
		drag: BarDrag;
		id: string;
		place: PlaceBox;
		rect: Rect;
		form: GroupForm | undefined;
		text: 'none' | 'beside' | 'below';
		icon: number;
		showsNames: boolean;
		/** Classes: whose word it is, and whether it is selected or something is carried over it. */
		marks: string;
		onpick: (event: MouseEvent, id: string) => void;
	} = $props();
	const workspace = useWorkspace();
	const isTall = $derived(form !== undefined && rect.height > SIZES.small.height);
	const item = $derived.by(() => {
		const node = desk.tree.byId.get(place.id as ItemId);
		return node && isPlace(node) ? node.item : undefined;
	});
	const command = $derived(item?.command && workspace.catalogue.get(item.command));
	const own = $derived(item?.icon);
</script>

<!-- svelte-ignore a11y_click_events_have_key_events -->
<div
	{id}
	role="option"
	tabindex="-1"
	aria-selected={desk.selected.includes(place.id as ItemId)}
	class="place {marks}"
	class:tall={isTall}
	class:below={text === 'below'}
	class:separator={place.kind === 'separator'}
	class:lost={place.kind === 'button' && !command}
	style="left:{rect.x}px;top:{rect.y}px;width:{rect.width}px;height:{rect.height}px"
	title={place.label || 'separator'}
	draggable={!desk.isUntouched}
	ondragstart={(event) => drag.start(event, place.id as ItemId)}
	ondragover={(event) => drag.carry(event, place.id as ItemId)}
	ondragleave={() => drag.leave()}
	ondragend={() => drag.end()}
	ondrop={(event) => drag.drop(event, place.id as ItemId)}
	onclick={(event) => onpick(event, place.id)}
>
	{#if place.kind !== 'separator'}
		<PlaceFace
			{place}
			command={own ? { icon: own, kind: 'one-shot' } : command}
			{form}
			{text}
			{icon}
			{isTall}
			showsName={showsNames && !isTall}
		/>
	{/if}
</div>

<style>
	.place {
		display: flex;
		gap: 4px;
		align-items: center;
		padding: 0 5px;
		border-radius: 3px;
		font-size: var(--caption);
		line-height: 1.15;
		white-space: nowrap;
		cursor: grab;
	}
	.place.tall,
	.place.below {
		flex-direction: column;
		justify-content: center;
		padding: 2px 4px;
		text-align: center;
	}
	.separator::before {
		content: '';
		width: 1px;
		height: 70%;
		margin: auto;
		background: var(--line-strong);
	}
	.lost {
		background: var(--garnet-wash);
	}
</style>
