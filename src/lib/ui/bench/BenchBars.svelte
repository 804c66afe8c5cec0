<script lang="ts">
	import { goto } from '$app/navigation';
	import type { CommandId } from '$core/application/command';
	import type { ItemId } from '$core/chapters/bars/bar';
	import { isPlace, labelOfPlace } from '$core/chapters/bars/boxes';
	import type { AliasTable } from '$core/chapters/aliases/table';
	import type { BarTree } from '$core/chapters/bars/tree';
	import { SIZES, type GroupForm, type PlaceBox, type Rect } from '$core/surface/parts';
	import type { WindowLayout } from '$core/surface/window';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import PlaceFace from '../bars/PlaceFace.svelte';
	import { rove } from '../menu/roving';
	import CommandIcon from '../CommandIcon.svelte';

	/** The bars of one edge of the stand-in's window, drawn by the layout: clicking runs, flyouts and drawers open. */
	let {
		edge,
		layout,
		tree,
		region,
		aliases,
		onrun,
		onfront
	}: {
		edge: 'top' | 'left' | 'right' | 'bottom' | 'floating';
		layout: WindowLayout;
		tree: BarTree;
		/** The part of the window that the edge has, from the window's upper left corner. */
		region: Rect;
		/** What can be typed for each command. */
		aliases: AliasTable | undefined;
		/** A place was clicked, of the bar or tab of that name. */
		onrun: (command: CommandId, from: string | undefined) => void;
		onfront: (tab: ItemId) => void;
	} = $props();
	const workspace = useWorkspace();
	let home = $state<HTMLElement | undefined>(undefined);
	/** The flyout or folded group that is open, and what stands in it. */
	let open = $state<{ readonly id: string; readonly x: number; readonly y: number } | undefined>(undefined);
	const ribbons = $derived(edge === 'top' ? layout.ribbons : []);
	const bars = $derived(layout.toolbars.filter(({ bar, isElsewhere }) => bar.dock.edge === edge && !isElsewhere));
	const opened = $derived.by(() => {
		if (!open) return [];
		const { id } = open;
		const folded = layout.ribbons.flatMap(({ strip }) => strip?.drawers ?? []).find(({ group }) => group.id === id);
		const drawer = layout.toolbars.find(({ bar }) => bar.id === id)?.drawer;
		const inDrawer = (folded?.places ?? drawer)?.flatMap((place) => tree.byId.get(place.id as ItemId) ?? []);
		return (inDrawer ?? tree.byId.get(id as ItemId)?.children ?? []).filter(isPlace);
	});

	const box = ({ x, y, width, height }: Rect) =>
		`left:${x - region.x}px;top:${y - region.y}px;width:${width}px;height:${height}px`;
	const commandOf = (id: string) => {
		const node = tree.byId.get(id as ItemId);
		return node && isPlace(node) ? node.item.command : undefined;
	};
	const titleOf = (id: string, label: string): string => {
		const command = commandOf(id);
		const known = command && workspace.catalogue.get(command);
		if (!known) return label;
		const keys = workspace.index.of(known.id).map((binding) => binding.keys);
		const typed = aliases?.byCommand.get(known.id) ?? [];
		const inputs = [...keys, ...typed.map(({ alias }) => `type ${alias}`)];
		return `${label}${inputs.length > 0 ? ` (${inputs.join(', ')})` : ''}: ${known.description} Alt+click shows the command.`;
	};

	function act(event: MouseEvent, place: PlaceBox, rect: Rect) {
		if (place.kind === 'flyout') return toggle(place.id, rect);
		run(event, commandOf(place.id), place.id);
	}

	/** What the bar or tab is called that a place stands in. */
	function nameOfHome(place: string): string | undefined {
		let node = tree.byId.get(place as ItemId);
		while (node && node.item.kind !== 'bar' && node.item.kind !== 'tab')
			node = node.parent ? tree.byId.get(node.parent) : undefined;
		return node && 'name' in node.item ? node.item.name : undefined;
	}

	function run(event: MouseEvent, command: CommandId | undefined, place: string) {
		open = undefined;
		if (!command) return;
		if (event.altKey) {
			event.preventDefault();
			void goto(`/${workspace.document.application.id}/commands?command=${encodeURIComponent(command)}`);
		} else onrun(command, nameOfHome(place));
	}

	const toggle = (id: string, rect: Rect) =>
		(open = open?.id === id ? undefined : { id, x: rect.x - region.x, y: rect.y - region.y + rect.height });

	/** Tab comes to the bars once; arrow keys go from one to the next (WAI-ARIA Authoring Practices, toolbar). */
	function onkeydown(event: KeyboardEvent) {
		if (event.key === 'Escape' && open) open = undefined;
		else if (!rove(event, [...(home?.querySelectorAll<HTMLElement>('button') ?? [])])) return;
		event.preventDefault();
		event.stopPropagation();
	}
	const first = $derived(ribbons[0]?.front?.id ?? bars[0]?.places.find(({ place }) => place.kind !== 'separator')?.place.id);
</script>

<svelte:window onpointerdown={(event) => open && !home?.contains(event.target as Node) && (open = undefined)} />

{#snippet spot(place: PlaceBox, rect: Rect, form: GroupForm | undefined, text: 'none' | 'beside' | 'below', icon: number)}
	{#if place.kind === 'separator'}
		<span class="separator" style={box(rect)}></span>
	{:else}
		{@const isTall = form !== undefined && rect.height > SIZES.small.height}
		{@const command = commandOf(place.id)}
		<button
			type="button"
			class:tall={isTall || text === 'below'}
			style={box(rect)}
			title={titleOf(place.id, place.label)}
			tabindex={place.id === first ? 0 : -1}
			aria-haspopup={place.kind === 'flyout' ? 'true' : undefined}
			aria-expanded={place.kind === 'flyout' ? open?.id === place.id : undefined}
			disabled={place.kind === 'button' && !(command && workspace.catalogue.has(command))}
			onclick={(event) => act(event, place, rect)}
		>
			<PlaceFace {place} command={command && workspace.catalogue.get(command)} {form} {text} {icon} {isTall} />
		</button>
	{/if}
{/snippet}

<div
	class="bars"
	class:floating={edge === 'floating'}
	bind:this={home}
	role="toolbar"
	tabindex="-1"
	aria-label="Toolbars, {edge}"
	aria-orientation={edge === 'left' || edge === 'right' ? 'vertical' : 'horizontal'}
	style={edge === 'floating' ? '' : edge === 'left' || edge === 'right' ? `width:${region.width}px` : `height:${region.height}px`}
	{onkeydown}
>
	{#each ribbons as ribbon (ribbon.ribbon.id)}
		<span class="strip" style={box(ribbon.rect)}></span>
		{#each ribbon.tabs as { tab, rect, isOff } (tab.id)}
			{#if !isOff}<button
					type="button"
					class="tab"
					aria-pressed={tab.id === ribbon.front?.id}
					tabindex={tab.id === first ? 0 : -1}
					style={box(rect)}
					onclick={() => ((open = undefined), onfront(tab.id as ItemId))}>{tab.name}</button
				>{/if}
		{/each}
		{#each ribbon.strip?.groups ?? [] as { group, form, rect } (group.id)}
			<span class="group" style={box(rect)}><span class="group-name">{group.name}</span></span>
			{#if form === 'folded'}<button
					type="button"
					class="tall"
					style={box({ ...rect, height: SIZES.large.height })}
					tabindex="-1"
					aria-haspopup="true"
					aria-expanded={open?.id === group.id}
					onclick={() => toggle(group.id, rect)}>{group.name} <span aria-hidden="true" class="mark">▾</span></button
				>{/if}
		{/each}
		{#each ribbon.strip?.places ?? [] as { place, rect, form } (place.id)}{@render spot(place, rect, form, 'beside', 16)}{/each}
	{/each}
	{#each bars as { bar, rect, places, drawer } (bar.id)}
		<span class="bar" style={box(rect)} title={bar.name}></span>
		{#each places as { place, rect: own } (place.id)}{@render spot(place, own, undefined, bar.text, bar.icon)}{/each}
		{#if drawer.length > 0}<button
				type="button"
				class="more"
				style={box({ x: rect.x + rect.width - 18, y: rect.y + rect.height - 18, width: 18, height: 18 })}
				tabindex="-1"
				title="{drawer.length} more of {bar.name}"
				onclick={() => toggle(bar.id, rect)}>+{drawer.length}</button
			>{/if}
	{/each}
	{#if open}
		<div class="drawer" style="left:{open.x}px;top:{open.y}px">
			{#each opened as { id, item } (id)}
				{@const command = item.command && workspace.catalogue.get(item.command)}
				{#if command}<button type="button" class="row" onclick={(event) => run(event, command.id, id)}
						><CommandIcon {command} size={16} /> {labelOfPlace(item, workspace.catalogue)}</button
					>{/if}
			{/each}
		</div>
	{/if}
</div>

<style>
	.bars {
		position: relative;
		flex: none;
		background: var(--panel);
		font-kerning: none;
	}
	.bars > * {
		position: absolute;
	}
	/* over the drawing, which keeps its clicks where there is no bar */
	.floating {
		position: absolute;
		z-index: 4;
		inset: 0;
		background: none;
		pointer-events: none;
	}
	.floating > * {
		pointer-events: auto;
	}
	.floating .bar {
		border-color: var(--control);
		background: var(--raised);
		box-shadow: 0 4px 14px rgb(0 0 0 / 0.2);
	}
	.strip {
		border-bottom: 1px solid var(--line-strong);
	}
	.bar {
		border: 1px solid var(--line);
	}
	.group {
		border-right: 1px solid var(--line-strong);
	}
	.group-name {
		position: absolute;
		right: 0;
		bottom: 0;
		left: 0;
		overflow: hidden;
		color: var(--ink-3);
		font-size: 12px;
		line-height: 16px;
		text-align: center;
		white-space: nowrap;
	}
	.separator {
		background: linear-gradient(var(--line-strong), var(--line-strong)) center / 1px 70% no-repeat;
	}
	button {
		display: flex;
		gap: 4px;
		align-items: center;
		padding: 0 5px;
		border: 0;
		border-radius: 3px;
		background: none;
		color: var(--ink);
		font: inherit;
		font-size: 12px;
		line-height: 1.15;
		white-space: nowrap;
		overflow: hidden;
	}
	button:hover,
	button:focus-visible {
		background: var(--azurite-wash);
	}
	button.tall {
		flex-direction: column;
		justify-content: center;
		padding: 2px 4px;
		text-align: center;
	}
	.tab {
		justify-content: center;
		border-bottom: 3px solid transparent;
		border-radius: 0;
		color: var(--ink-2);
		font-size: 13px;
	}
	.tab[aria-pressed='true'] {
		border-bottom-color: var(--ink);
		color: var(--ink);
	}
	.more {
		padding: 0;
		color: var(--limonite);
		font-size: 11px;
		font-weight: 700;
	}
	.mark {
		font-size: 9px;
	}
	.drawer {
		z-index: 5;
		display: grid;
		min-width: 160px;
		padding: 4px 0;
		border: 1px solid var(--control);
		border-radius: var(--radius);
		background: var(--raised);
		box-shadow: 0 4px 14px rgb(0 0 0 / 0.2);
	}
	.row {
		padding: 4px 10px;
		border-radius: 0;
		font-size: 13px;
	}
</style>
