<script lang="ts">
	import { tick } from 'svelte';
	import type { ItemId } from '$core/chapters/bars/bar';
	import type { GroupForm, PlaceBox, Rect } from '$core/surface/parts';
	import { FRAME } from '$core/surface/screens';
	import { KINDS, type BarDesk } from '$lib/state/bar-desk.svelte';
	import { BarDrag } from '$lib/state/bar-drag.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import AtPointer from '../menu/AtPointer.svelte';
	import { actsOnCurrent } from './acts';
	import NameField from './NameField.svelte';
	import Overview from './Overview.svelte';
	import Spot from './Spot.svelte';
	import type { WindowZoom } from './zoom.svelte';

	/** The program's window with its bars, to be shaped by mouse and by keys. */
	let {
		desk,
		onfields,
		showsNames,
		zoom
	}: {
		desk: BarDesk;
		onfields: () => void;
		/** Whether the names of icons stand beside them, as an aid to reading. */
		showsNames: boolean;
		zoom: WindowZoom;
	} = $props();
	const workspace = useWorkspace();
	const id = $props.id();
	const { layout } = $derived(desk);
	const { whole, scale } = $derived(zoom);
	/** How much more of the window is left for the drawing than with the factory's bars, in percent of the window. */
	const gain = $derived(Math.round((layout.share - desk.factory.share) * 1000) / 10);
	let frame = $state<HTMLElement | undefined>(undefined);
	// svelte-ignore state_referenced_locally
	const drag = new BarDrag(desk);

	export const focus = () => frame?.focus();

	/** How far the window is scrolled, in px of the page. */
	let scrolled = $state({ x: 0, y: 0 });

	// what is selected by keys comes into sight
	$effect(() => {
		const selected = desk.selected.at(-1);
		if (selected !== undefined)
			document.getElementById(`${id}-${selected}`)?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
	});

	/** Ctrl with the wheel zooms; what is under the pointer stays there. */
	function onwheel(event: WheelEvent) {
		if (!event.ctrlKey || !home) return;
		event.preventDefault();
		const { left, top } = home.getBoundingClientRect();
		const [x, y] = [event.clientX - left, event.clientY - top];
		const [inX, inY] = [(home.scrollLeft + x) / scale, (home.scrollTop + y) / scale];
		zoom.step(event.deltaY < 0 ? 1 : -1);
		void tick().then(() => home!.scrollTo(inX * scale - x, inY * scale - y));
	}

	/** Where the pointer is over the window, in px of it. */
	function pointOf(event: DragEvent): [x: number, y: number] {
		const { left, top } = frame!.getBoundingClientRect();
		return [(event.clientX - left) / scale, (event.clientY - top) / scale];
	}

	const box = ({ x, y, width, height }: Rect) => `left:${x}px;top:${y}px;width:${width}px;height:${height}px`;
	const nodeOf = (one: string) => desk.tree.byId.get(one as ItemId);
	const isSelected = (one: string) => desk.selected.includes(one as ItemId);
	const differing = $derived(new Set<string>(desk.differences.map(({ id: one }) => one)));
	const marks = (one: string) => {
		const node = nodeOf(one);
		return node
			? `from-${node.stratum.kind}${isSelected(one) ? ' selected' : ''}${drag.mark?.id === one ? ` mark-${drag.mark.side} along-${drag.mark.along}` : ''}${differing.has(one) ? ' differs' : ''}`
			: '';
	};

	const MOVES: Readonly<Record<string, readonly [number, number]>> = {
		ArrowLeft: [-1, 0],
		ArrowRight: [1, 0],
		ArrowUp: [0, -1],
		ArrowDown: [0, 1]
	};

	function onkeydown(event: KeyboardEvent) {
		if (event.altKey || event.metaKey) return;
		const move = MOVES[event.key];
		if (move && event.ctrlKey) void desk.shift(move[0] + move[1] > 0 ? 1 : -1);
		else if (move) desk.go(...move);
		else if (event.ctrlKey) return;
		else if (event.key === 'Delete') void desk.remove();
		else if (event.key === 'Enter') onfields();
		else if (event.key === 'PageUp') desk.up();
		else if (event.key === 'PageDown') desk.down();
		else if (event.key === 'Escape') desk.selected = [];
		else return;
		event.preventDefault();
	}

	/** Where the menu of what is selected is open, in px from the upper left corner of the room. */
	let menu = $state.raw<{ readonly x: number; readonly y: number } | undefined>(undefined);
	let home = $state<HTMLElement | undefined>(undefined);

	/** Opens the menu of what is pointed at, or of what is selected. */
	function openMenu(event: MouseEvent) {
		const on = (event.target as Element).closest('[role="option"]')?.id.slice(id.length + 1);
		if (on !== undefined && !isSelected(on)) desk.select(on as ItemId);
		if (!desk.current || desk.isUntouched) return;
		event.preventDefault();
		const { left, top } = home!.getBoundingClientRect();
		const at = desk.rectOf(desk.current.id);
		const byKey = event.clientX === 0 && event.clientY === 0;
		const { left: x, top: y } = frame!.getBoundingClientRect();
		menu =
			byKey && at
				? { x: x - left + at.x * scale, y: y - top + (at.y + at.height) * scale }
				: { x: event.clientX - left + home!.scrollLeft, y: event.clientY - top + home!.scrollTop };
	}

	function closeMenu() {
		menu = undefined;
		frame?.focus();
	}

	function pick(event: MouseEvent, one: string) {
		event.stopPropagation();
		if (event.detail === 2) return desk.nameCurrent();
		desk.select(one as ItemId, event.ctrlKey || event.shiftKey);
		frame?.focus();
	}
</script>

{#snippet spot(place: PlaceBox, rect: Rect, form: GroupForm | undefined, text: 'none' | 'beside' | 'below', icon: number)}
	<Spot
		{desk}
		{drag}
		id="{id}-{place.id}"
		{place}
		{rect}
		{form}
		{text}
		{icon}
		{showsNames}
		marks={marks(place.id)}
		onpick={pick}
	/>
{/snippet}

<div class="holder">
	<div
		class="room"
		role="presentation"
		bind:this={home}
		oncontextmenu={openMenu}
		bind:clientWidth={null, (width) => (zoom.room = { ...zoom.room, width: width ?? 0 })}
		bind:clientHeight={null, (height) => (zoom.room = { ...zoom.room, height: height ?? 0 })}
		{onwheel}
		onscroll={() => (scrolled = { x: home!.scrollLeft, y: home!.scrollTop })}
		ondragover={(event) => event.preventDefault()}
		ondrop={(event) => drag.away(event)}
	>
		<div class="sized" style="width:{whole.width * scale}px;height:{whole.height * scale}px">
			<div
				class="window"
				class:untouched={desk.isUntouched}
				bind:this={frame}
				role="listbox"
				tabindex="0"
				aria-label="Toolbars of the window"
				aria-multiselectable="true"
				aria-activedescendant={desk.selected.length > 0 ? `${id}-${desk.selected.at(-1)}` : undefined}
				style="width:{layout.width}px;height:{layout.height}px;transform:scale({scale})"
				{onkeydown}
			>
				<div class="title" role="presentation" style={box({ x: 0, y: 0, width: layout.width, height: FRAME.title })}>
					{workspace.document.application.name}
				</div>
				{#if layout.menus}
					<div class="menus" role="presentation" style={box(layout.menus)}>
						{#if layout.titles.length === 0}The menus list the commands of this situation by category{/if}
					</div>
				{/if}
				{#each layout.titles as { id: title, place, rect } (title)}{@render spot(place, rect, undefined, 'beside', 16)}{/each}
				{#each layout.ribbons as ribbon (ribbon.ribbon.id)}
					<div class="strip" role="presentation" style={box(ribbon.rect)}></div>
					{#each ribbon.tabs as { tab, rect, isOff } (tab.id)}
						{#if !isOff}
							<!-- svelte-ignore a11y_click_events_have_key_events -->
							<div
								id="{id}-{tab.id}"
								role="option"
								tabindex="-1"
								aria-selected={isSelected(tab.id)}
								class="tab {marks(tab.id)}"
								class:front={tab.id === ribbon.front?.id}
								style={box(rect)}
								ondragover={(event) => {
									drag.carry(event, tab.id as ItemId);
									desk.bringToFront(tab.id as ItemId);
								}}
								ondrop={(event) => drag.drop(event, (tab.groups[0]?.id ?? tab.id) as ItemId)}
								onclick={(event) => pick(event, tab.id)}
							>
								{tab.name}
							</div>
						{/if}
					{/each}
					{#each ribbon.strip?.groups ?? [] as { group, form, rect } (group.id)}
						<!-- svelte-ignore a11y_click_events_have_key_events -->
						<div
							id="{id}-{group.id}"
							role="option"
							tabindex="-1"
							aria-selected={isSelected(group.id)}
							class="group {marks(group.id)}"
							style={box(rect)}
							draggable={!desk.isUntouched}
							ondragstart={(event) => drag.start(event, group.id as ItemId)}
							ondragend={() => drag.end()}
							ondragover={(event) => drag.carry(event, group.id as ItemId)}
							ondragleave={() => drag.leave()}
							ondrop={(event) => drag.drop(event, group.id as ItemId)}
							onclick={(event) => pick(event, group.id)}
						>
							{#if form === 'folded'}<span class="folded">{group.name} <span aria-hidden="true">▾</span></span>{/if}
							<span class="group-name">{form === 'folded' ? `${group.places.length} in its overflow` : group.name}</span>
						</div>
					{/each}
					{#each ribbon.strip?.places ?? [] as { place, rect, form } (place.id)}{@render spot(
							place,
							rect,
							form,
							'beside',
							16
						)}{/each}
				{/each}
				{#each desk.monitors as { number, rect } (number)}
					<div class="monitor" role="presentation" style={box(rect)}>
						<span style="font-size:{14 / scale}px">Monitor {number}</span>
					</div>
				{/each}
				{#each layout.toolbars.map((placed) => desk.onDesk(placed)) as { bar, rect, places, drawer } (bar.id)}
					<!-- svelte-ignore a11y_click_events_have_key_events -->
					<div
						id="{id}-{bar.id}"
						role="option"
						tabindex="-1"
						aria-selected={isSelected(bar.id)}
						class="bar {marks(bar.id)}"
						class:across={rect.height > rect.width}
						class:floats={bar.dock.edge === 'floating'}
						style={box(rect)}
						title={bar.name}
						draggable={!desk.isUntouched}
						ondragstart={(event) => drag.start(event, bar.id as ItemId)}
						ondragend={() => drag.end()}
						ondragover={(event) => drag.carry(event, bar.id as ItemId)}
						ondragleave={() => drag.leave()}
						ondrop={(event) => drag.drop(event, bar.id as ItemId)}
						onclick={(event) => pick(event, bar.id)}
					>
						<span class="visually-hidden">{bar.name}</span>
						{#if drawer.length > 0}<span class="more" title="{drawer.length} in the overflow">+{drawer.length}</span>{/if}
					</div>
					{#each places as { place, rect: own } (place.id)}{@render spot(place, own, undefined, bar.text, bar.icon)}{/each}
				{/each}
				<div
					class="canvas {drag.dock ? `to-${drag.dock}` : ''}"
					role="presentation"
					style={box(layout.canvas)}
					ondragover={(event) => drag.carryOver(event, ...pointOf(event))}
					ondragleave={() => (drag.dock = undefined)}
					ondrop={(event) => drag.dropOver(event, ...pointOf(event))}
				>
					<p style="font-size:{14 / scale}px">
						<b style="font-size:{30 / scale}px">{(layout.share * 100).toFixed(1)} %</b>
						<span
							>canvas{#if gain !== 0}, {Math.abs(gain).toFixed(1)} {gain > 0 ? 'more' : 'less'} than by default{/if}, {layout
								.canvas.width} × {layout.canvas.height} px</span
						>
					</p>
				</div>
				{#if desk.opened}
					{@const { home, rect, places, bar } = desk.opened}
					<div
						class="opened {drag.mark?.id === home.id ? 'mark-into' : ''}"
						role="presentation"
						style={box(rect)}
						ondragover={(event) => drag.carry(event, home.id, true)}
						ondragleave={() => drag.leave()}
						ondrop={(event) => drag.drop(event, home.id, true)}
					>
						{#if places.length === 0}<span>empty</span>{/if}
					</div>
					{#each places as { place, rect: own } (place.id)}
						{@render spot(place, own, undefined, bar?.text ?? 'beside', bar?.icon ?? 16)}
					{/each}
				{/if}
				{#if desk.naming && desk.nameRect}
					{@const { naming } = desk}
					{#key naming}
						<NameField
							rect={desk.nameRect}
							{scale}
							label={'making' in naming ? `Name of the new ${KINDS[naming.making]}` : 'New name'}
							value={'making' in naming ? '' : desk.nameOf(desk.tree.byId.get(naming.id)!)}
							onname={async (said) => {
								await desk.name(said);
								frame?.focus();
							}}
							onleave={() => {
								desk.naming = undefined;
								frame?.focus();
							}}
						/>
					{/key}
				{/if}
			</div>
		</div>
		{#if menu}
			<AtPointer role="menu" label="Actions" at={menu} onclose={closeMenu}>
				<div class="menu-sheet" role="presentation">
					{#each actsOnCurrent(desk) as { name, run } (name)}
						<button type="button" role="menuitem" tabindex="-1" onclick={() => (closeMenu(), run())}>{name}</button>
					{/each}
				</div>
			</AtPointer>
		{/if}
	</div>
	{#if zoom.isCut && home}<Overview {desk} {zoom} room={home} at={scrolled} />{/if}
</div>

<style>
	.holder {
		position: relative;
		display: flex;
		flex: 1;
		min-height: 0;
	}
	.menu-sheet {
		min-width: 210px;
		max-height: 360px;
		overflow-y: auto;
	}
	.room {
		position: relative;
		flex: 1;
		min-height: 0;
		overflow: auto;
	}
	.sized {
		position: relative;
		margin: 0 auto;
	}
	.window {
		position: absolute;
		transform-origin: 0 0;
		border-radius: 6px;
		background: var(--ground);
		box-shadow: 0 0 0 1px var(--control);
		font-kerning: none;
		user-select: none;
	}
	.window:focus-visible {
		outline: 2px solid var(--azurite);
		outline-offset: 2px;
	}
	.untouched {
		filter: saturate(0.35);
	}
	.window > :global(div) {
		position: absolute;
	}
	.window > div:not(.bar) {
		overflow: hidden;
	}
	.title,
	.menus {
		display: flex;
		align-items: center;
		padding: 0 12px;
		background: var(--line);
		font-size: var(--dense);
		font-weight: 600;
	}
	.menus {
		background: var(--panel);
		color: var(--ink-3);
		font-weight: 400;
		font-size: var(--caption);
	}
	.strip {
		border-bottom: 1px solid var(--line-strong);
		background: var(--panel);
	}
	.tab {
		display: grid;
		place-items: center;
		border-bottom: 3px solid transparent;
		color: var(--ink-2);
		font-size: var(--dense);
		white-space: nowrap;
	}
	.tab.front {
		border-bottom-color: var(--ink);
		color: var(--ink);
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
		font-size: var(--caption);
		line-height: 16px;
		text-align: center;
		white-space: nowrap;
	}
	.folded {
		display: grid;
		place-items: center;
		height: 66px;
		font-size: var(--caption);
		text-align: center;
	}
	.bar {
		border: 1px solid var(--line);
		border-left: 4px double var(--line-strong);
		background: var(--panel);
	}
	.bar.across {
		border-top: 4px double var(--line-strong);
		border-left: 1px solid var(--line);
	}
	.bar.floats {
		border: 1px solid var(--control);
		box-shadow: 0 3px 10px rgb(0 0 0 / 0.2);
	}
	.more {
		position: absolute;
		right: 1px;
		bottom: 1px;
		color: var(--limonite);
		font-size: var(--caption);
		font-weight: 700;
	}
	.place:hover,
	.group:hover,
	.tab:hover {
		background: var(--azurite-wash);
	}
	.window > :global(.from-office) {
		box-shadow: inset 0 -2px 0 var(--s-office);
	}
	.window > :global(.from-personal) {
		box-shadow: inset 0 -2px 0 var(--s-personal);
	}
	.window > :global(.selected) {
		background: var(--azurite-wash);
		outline: 2px solid var(--azurite);
		outline-offset: -2px;
	}
	.window > :global(.differs) {
		outline: 2px dashed var(--limonite);
		outline-offset: -2px;
	}
	.window > :global(.mark-into) {
		outline: 2px solid var(--azurite);
		outline-offset: -2px;
	}
	.window > :global(.mark-before)::after,
	.window > :global(.mark-behind)::after {
		content: '';
		position: absolute;
		background: var(--azurite);
	}
	.window > :global(.along-x)::after {
		top: 0;
		bottom: 0;
		width: 4px;
	}
	.window > :global(.along-y)::after {
		right: 0;
		left: 0;
		height: 4px;
	}
	.window > :global(.mark-before.along-x)::after {
		left: 0;
	}
	.window > :global(.mark-behind.along-x)::after {
		right: 0;
	}
	.window > :global(.mark-before.along-y)::after {
		top: 0;
	}
	.window > :global(.mark-behind.along-y)::after {
		bottom: 0;
	}
	.monitor {
		display: grid;
		place-items: end center;
		padding-bottom: 8px;
		border-radius: 6px;
		background: var(--panel);
		box-shadow: 0 0 0 1px var(--control);
		color: var(--ink-3);
	}
	.opened {
		display: grid;
		place-items: center;
		border: 1px solid var(--control);
		border-radius: 3px;
		background: var(--raised);
		box-shadow: 0 4px 14px rgb(0 0 0 / 0.2);
		color: var(--ink-3);
		font-size: var(--caption);
	}
	.canvas {
		display: grid;
		/* where it is in sight in true size, too */
		place-items: start;
		padding: var(--space-10) var(--space-12);
		background: repeating-linear-gradient(45deg, transparent 0 22px, color-mix(in srgb, var(--line) 45%, transparent) 22px 23px);
		color: var(--ink-3);
		font-size: var(--body);
	}
	.to-top {
		box-shadow: inset 0 12px 0 var(--azurite-wash);
	}
	.to-bottom {
		box-shadow: inset 0 -12px 0 var(--azurite-wash);
	}
	.to-left {
		box-shadow: inset 12px 0 0 var(--azurite-wash);
	}
	.to-right {
		box-shadow: inset -12px 0 0 var(--azurite-wash);
	}
	.to-floating {
		outline: 2px dashed var(--azurite);
		outline-offset: -60px;
	}
	.canvas p {
		display: grid;
		padding: 6px 14px;
		background: var(--ground);
	}
	.canvas b {
		color: var(--ink);
	}
</style>
