<script lang="ts">
	import { untrack } from 'svelte';
	import type { ContextNode, NodeId } from '$core/context/axis';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import Chooser from './Chooser.svelte';
	import ModeSwitch from './ModeSwitch.svelte';
	import MenuBar from './MenuBar.svelte';
	import Ribbon from './Ribbon.svelte';
	import { benchOptions, readoutText, type Place } from './readout';
	import { statusOf } from './status';
	import type { BenchSession } from './session.svelte';
	import DrawingPane from './DrawingPane.svelte';
	import ContextMenu from './ContextMenu.svelte';
	import BenchBars from './BenchBars.svelte';
	import CursorBar from './CursorBar.svelte';
	import type { ItemOf } from '$core/chapters/bars/bar';
	import type { BarNode } from '$core/chapters/bars/tree';
	import { benchBars, ownMenus } from './bars';
	import { CONTENTS, menusOf, panesOf, ribbonOf } from './surfaces';

	/** The stand-in application's window. It takes keys and clicks as the application would, under the effective profile. */
	let { session, frame = $bindable() }: { session: BenchSession; frame?: HTMLElement | undefined } = $props();
	const workspace = useWorkspace();
	const axes = $derived(workspace.space.axes);
	const axisAt = (id: string) => axes.findIndex((axis) => axis.id === id);
	// an application keeps its axes; what is in them may come and go
	const [selectionAxis, paneAxis] = untrack(() => [axisAt('selection'), axisAt('pane')] as const);
	const ribbon = $derived(ribbonOf(workspace.index, workspace.situation, 3, 4));
	let width = $state(1000);
	/** The height of what stands between the bars at the top and at the bottom. */
	let body = $state(400);
	let front = $state.raw<ReadonlySet<string>>(new Set());
	/** The bars of the profile as this window shows them; undefined where it has none. */
	const bars = $derived(benchBars(workspace, { width, height: body }, front));
	const menus = $derived(ownMenus(bars?.tree, workspace) ?? menusOf(workspace.index));
	const situation = $derived(workspace.space.situations[workspace.situation]!);
	const pane = $derived(paneAxis < 0 ? undefined : situation[paneAxis]);
	const standing = $derived(axes[0]!.nodes.filter((n) => workspace.space.situations.some((s) => s[0] === n.id)));
	const options = $derived(benchOptions(workspace.document.application.rules.options ?? [], workspace.profile));
	/** Where the pointer is over the drawing, and what can catch it, both in units of the drawing. */
	let pointer = $state<Place | undefined>(undefined);
	const corners: readonly Place[] = [
		{ x: 54, y: 198 },
		{ x: 194, y: 168 },
		{ x: 304, y: 204 },
		{ x: 194, y: 40 }
	];
	let refused = $state('');

	/** Goes to the situation that differs in this axis; when it cannot occur, the first axis leads and the rest follows. */
	function stand(axis: number, node: string) {
		if (axis < 0) return;
		const wanted = situation.map((n, a) => (a === axis ? (node as NodeId) : n));
		const at = workspace.space.indexOf(wanted);
		refused = '';
		if (at >= 0) workspace.standIn(at);
		else if (axis === 0) {
			workspace.standIn(workspace.space.nearest(wanted, axis));
		} else {
			const named = axes[axis]!.nodes.find((n) => n.id === node)?.label.toLowerCase() ?? node;
			refused = `No ${named} can be selected in ${axes[0]!.nodes.find((n) => n.id === situation[0])?.label}.`;
		}
	}

	/** Where the context menu is open, in px of the pane. */
	let menu = $state<{ x: number; y: number } | undefined>(undefined);
	/** Where the pointer is over the pane of the drawing, in px. */
	let over = $state({ x: 120, y: 80 });
	/** The cursor bar that is open, and where. */
	let cursor = $state.raw<{ bar: BarNode<ItemOf<'bar'>>; at: { x: number; y: number } } | undefined>(undefined);
	untrack(() => session).onopen = (id) => {
		const bar = bars?.tree.bars.find((one) => one.id === id);
		if (bar) cursor = { bar, at: { ...over } };
	};

	function onkeydown(event: KeyboardEvent) {
		if ((event.target as HTMLElement).closest('button') && (event.key === 'Enter' || event.key === ' ' || event.key === 'Tab'))
			return;
		if (!session.press(event)) return;
		event.preventDefault();
		event.stopPropagation();
	}

	const status = $derived(refused || statusOf(session, workspace.index));

	const paneIs = (node: string) => (pane === node ? 'pane active' : 'pane');

	/** Where the window shows the contexts of the pane axis; what a pane lists is of the cabin that all stand-ins show. */
	const panes = $derived(panesOf(axes[paneAxis]?.nodes ?? []));
	/** A part of the cabin was clicked; an application that does not tell its kinds apart takes it as something selected. */
	function select(kind: string) {
		const kinds = axes[selectionAxis]?.nodes ?? [];
		stand(selectionAxis, (kinds.find((n) => n.id === kind) ?? kinds[kind === 'nothing' ? 0 : 1])?.id ?? kind);
	}
</script>

{#snippet side(node: ContextNode)}
	<button type="button" class={paneIs(node.id)} aria-pressed={pane === node.id} onclick={() => stand(paneAxis, node.id)}>
		<b>{node.label}</b>
		{#each CONTENTS[node.id] ?? [] as line (line)}<span>{line}</span>{/each}
		{#if pane === node.id && session.typed}<span class="text">{session.typed}</span>{/if}
	</button>
{/snippet}

{#snippet edge(at: 'top' | 'left' | 'right' | 'bottom' | 'floating')}
	{@const region = bars!.regions[at]}
	{#if region.width > 0 && region.height > 0}
		<BenchBars
			edge={at}
			layout={bars!.layout}
			tree={bars!.tree}
			{region}
			aliases={session.aliases}
			onrun={(id, from) => session.run(id, from)}
			onfront={(tab) => (front = new Set([tab]))}
		/>
	{/if}
{/snippet}

<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
<div
	class="window"
	bind:clientWidth={width}
	bind:this={frame}
	role="application"
	aria-label="{workspace.document.application.name}, stand-in. Takes every key; Tab moves on."
	tabindex="0"
	{onkeydown}
>
	<div class="tabs" role="group" aria-label={axes[0]!.label}>
		<span class="title">{workspace.document.application.name}</span>
		{#each standing as node (node.id)}
			<button type="button" aria-pressed={situation[0] === node.id} onclick={() => stand(0, node.id)}>{node.label}</button>
		{/each}
	</div>
	<MenuBar {menus} onrun={(id) => session.run(id, 'menu')} />
	{#if bars}{@render edge('top')}{:else}<Ribbon groups={ribbon} onrun={(id) => session.run(id, 'ribbon')} />{/if}
	<div class="body" bind:clientHeight={body}>
		{#if bars?.layout.toolbars.some(({ bar }) => bar.dock.edge === 'floating')}{@render edge('floating')}{/if}
		{#if bars}{@render edge('left')}{/if}
		{#if panes.left.length > 0}
			<div class="side">
				{#each panes.left as node (node.id)}{@render side(node)}{/each}
			</div>
		{/if}
		<DrawingPane
			{session}
			{options}
			selection={selectionAxis < 0 ? undefined : situation[selectionAxis]}
			isActive={pane !== undefined && pane === panes.main?.id}
			hasMenus={bars !== undefined}
			bind:pointer
			bind:over
			onenter={() => {
				if (panes.main) stand(paneAxis, panes.main.id);
				frame?.focus();
			}}
			onselect={(kind) => {
				if (panes.main) stand(paneAxis, panes.main.id);
				select(kind);
				session.pick(kind === 'nothing' ? '' : kind);
			}}
			onmenu={(at) => (menu = at)}
		>
			{#if menu && bars}
				<ContextMenu
					tree={bars.tree}
					at={menu}
					onrun={(id) => {
						session.run(id, 'context menu');
						frame?.focus();
					}}
					onclose={() => (menu = undefined)}
				/>
			{/if}
			{#if cursor && bars}
				<CursorBar
					bar={cursor.bar}
					tree={bars.tree}
					at={cursor.at}
					onrun={(id) => session.run(id, cursor?.bar.item.name)}
					onclose={() => {
						cursor = undefined;
						frame?.focus();
					}}
				/>
			{/if}
			{#if session.offered.length > 0}
				<Chooser {session} ontake={() => frame?.focus()} />
			{/if}
		</DrawingPane>
		{#if panes.right.length > 0}
			<div class="side">
				{#each panes.right as node (node.id)}{@render side(node)}{/each}
			</div>
		{/if}
		{#if bars}{@render edge('right')}{/if}
	</div>
	{#if bars}{@render edge('bottom')}{/if}
	{#if panes.text}
		{@const text = panes.text}
		<button
			type="button"
			class="{paneIs(text.id)} console"
			aria-pressed={pane === text.id}
			onclick={() => stand(paneAxis, text.id)}
		>
			<span class="visually-hidden">{text.label}</span>
			<span class="mono"
				>&gt; {session.typed}{#if session.offers.length > 0}<span class="quiet offers"
						>{session.offers.map((o) => o.text).join('  ')}</span
					>{/if}</span
			>
		</button>
	{/if}
	<div class="status">
		<ModeSwitch />
		<p aria-live="polite">{status}</p>
		{#if options.readout}<span class="num readout">{pointer ? readoutText(pointer, corners, options) : ''}</span>{/if}
		<span class="quiet">{workspace.space.labelOf(workspace.situation)}</span>
	</div>
</div>

<style>
	.window {
		display: grid;
		grid-template-rows: auto auto auto minmax(0, 1fr) auto auto auto;
		height: 100%;
		min-height: 0;
		border: 1px solid var(--control);
		border-radius: 6px;
		background: var(--ground);
		overflow: clip;
	}
	.window:focus-visible,
	.window:focus {
		outline: 2px solid var(--azurite);
		outline-offset: 1px;
	}
	.tabs {
		display: flex;
		gap: 2px;
		align-items: end;
		padding: 6px 8px 0;
		background: var(--line);
	}
	.title {
		margin-right: 12px;
		padding-bottom: 5px;
		font-weight: 650;
	}
	.tabs button {
		padding: 3px 10px;
		border: 0;
		border-radius: 3px 3px 0 0;
		background: none;
		color: var(--ink-2);
		font: inherit;
		font-size: var(--dense);
		font-stretch: 86%;
	}
	.tabs [aria-pressed='true'] {
		background: var(--ground);
		color: var(--ink);
		font-weight: 600;
	}
	.body {
		position: relative;
		display: flex;
		min-height: 0;
		gap: 1px;
		background: var(--line);
	}
	.side {
		display: flex;
		flex-direction: column;
		width: 128px;
		gap: 1px;
	}
	.side > :global(.pane) {
		flex: 1;
	}
	.pane {
		position: relative;
		display: flex;
		flex-direction: column;
		align-items: flex-start;
		gap: 4px;
		min-height: 0;
		padding: 8px;
		border: 0;
		background: var(--ground);
		color: var(--ink-2);
		font: inherit;
		font-size: var(--dense);
		text-align: left;
	}
	.pane.active {
		box-shadow: inset 0 0 0 2px var(--azurite);
		color: var(--ink);
	}
	.console {
		height: 34px;
		justify-content: center;
		border-top: 1px solid var(--line);
	}
	.offers {
		margin-left: 18px;
		white-space: pre;
	}
	.text {
		border-bottom: 1px solid var(--control);
		min-width: 90px;
		min-height: 18px;
	}
	.status {
		display: flex;
		gap: 14px;
		align-items: center;
		padding: 4px 10px;
		border-top: 1px solid var(--line-strong);
		background: var(--panel);
		font-size: var(--dense);
	}
	.status p {
		flex: 1;
		overflow: hidden;
		min-width: 0;
		margin: 0;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
</style>
