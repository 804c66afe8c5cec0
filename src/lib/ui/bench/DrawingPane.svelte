<script lang="ts">
	import { untrack, type Snippet } from 'svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import Cabin from './Cabin.svelte';
	import CabinPlan from './CabinPlan.svelte';
	import HeldRose from './HeldRose.svelte';
	import { Pointing } from './pointing.svelte';
	import type { BenchOptions, Place } from './readout';
	import type { BenchSession } from './session.svelte';

	/** The pane with the drawing: what the mouse says over it is told apart as the program tells it. */
	let {
		session,
		options,
		selection,
		isActive,
		hasMenus,
		pointer = $bindable(),
		over = $bindable(),
		onenter,
		onselect,
		onmenu,
		children
	}: {
		session: BenchSession;
		options: BenchOptions;
		/** The kind of thing that is selected. */
		selection: string | undefined;
		isActive: boolean;
		/** Whether a click of the right button opens a menu of the program. */
		hasMenus: boolean;
		/** Where the pointer is over the drawing, in its units, and over the pane, in px. */
		pointer: Place | undefined;
		over: { x: number; y: number };
		/** Something was pressed here: keys belong to the window again. */
		onenter: () => void;
		onselect: (kind: string) => void;
		/** The context menu is to open at this place of the pane, in px. */
		onmenu: (at: { x: number; y: number }) => void;
		children?: Snippet;
	} = $props();
	const workspace = useWorkspace();
	/** Drawings are plans; all else is modelled in space. */
	const Drawing = untrack(() =>
		workspace.space.axes.some((axis) => axis.nodes.some((node) => node.id === 'plan')) ? CabinPlan : Cabin
	);
	const pointing = new Pointing(
		workspace,
		untrack(() => session)
	);
	let pane = $state<HTMLElement | undefined>(undefined);
	/** What the browser would open by itself; the right button itself opens the menu when it is let go. */
	let isPressed = false;
	/** A press that was told to be something else than a click selects nothing. */
	let isTaken = false;

	pointing.middle = () => {
		const { left, top, width, height } = pane!.getBoundingClientRect();
		return { x: left + width / 2, y: top + height / 2 };
	};

	const inPane = ({ clientX, clientY }: Pick<PointerEvent, 'clientX' | 'clientY'>) => {
		const { left, top } = pane!.getBoundingClientRect();
		return { x: clientX - left, y: clientY - top };
	};

	const held = $derived.by(() => {
		const { shown } = pointing;
		if (!shown || !pane) return undefined;
		const { left, top } = pane.getBoundingClientRect();
		return { ...shown, x: shown.x - left, y: shown.y - top };
	});
	const ink = $derived.by(() => {
		if (pointing.ink.length < 4 || !pane) return '';
		const { left, top } = pane.getBoundingClientRect();
		return pointing.ink.map((value, i) => value - (i % 2 === 0 ? left : top)).join(' ');
	});

	/** From the lower left corner of the drawing. */
	function placeOf(event: PointerEvent): Place | undefined {
		const svg = pane?.querySelector('svg');
		const matrix = svg?.getScreenCTM();
		if (!svg || !matrix) return undefined;
		const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
		const { x: left, y: top, height } = svg.viewBox.baseVal;
		return { x: x - left, y: top + height - y };
	}

	/** The key for it opens the context menu of what is selected, and so does the right button where it is clicked. */
	function openMenu(event: MouseEvent) {
		if (!hasMenus && !isPressed) return;
		event.preventDefault();
		if (!isPressed) onmenu(inPane(event));
	}

	function press(event: PointerEvent) {
		if (event.target instanceof Element && event.target.closest('button, [role="menu"], [role="toolbar"]')) return;
		isPressed = event.button === 2;
		isTaken = false;
		if (!pointing.down(event)) return;
		event.preventDefault();
		onenter();
		// what is only clicked with the left button goes to what lies under it
		if (event.button !== 0) pane?.setPointerCapture(event.pointerId);
	}

	function move(event: PointerEvent) {
		pointing.move(event, event.getCoalescedEvents?.());
		if (pointing.isMoving && !pane!.hasPointerCapture(event.pointerId)) pane!.setPointerCapture(event.pointerId);
		isTaken ||= pointing.isMoving;
		pointer = placeOf(event);
		over = inPane(event);
	}

	function release(event: PointerEvent) {
		const opens = pointing.up(event);
		if (opens && hasMenus) onmenu(inPane(event));
		// what the browser says of the same press comes after it
		setTimeout(() => (isPressed = false));
	}

	function clicked(event: MouseEvent) {
		if (isTaken) return;
		onenter();
		if (event.target === pane) session.pick('');
	}
</script>

<!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_static_element_interactions -->
<div
	class={isActive ? 'pane active' : 'pane'}
	bind:this={pane}
	onpointerdown={press}
	onpointerup={release}
	onpointercancel={() => pointing.lose()}
	onlostpointercapture={() => pointing.lose()}
	onwheel={(event) => pointing.wheel(event) && event.preventDefault()}
	onpointermove={move}
	onpointerleave={() => (pointer = undefined)}
	oncontextmenu={openMenu}
	onclick={clicked}
>
	<div class="looked" style="transform:translate({pointing.look.x}px,{pointing.look.y}px) scale({pointing.look.scale})">
		<Drawing
			frameNumbers={options.frameNumbers}
			edges={options.edges}
			camera={pointing.look.camera}
			{selection}
			onselect={(kind) => {
				if (!isTaken) onselect(kind);
			}}
		/>
	</div>
	{#if ink}<svg class="ink" aria-hidden="true"><polyline points={ink} /></svg>{/if}
	{#if held}<HeldRose rose={held.rose} x={held.x} y={held.y} />{/if}
	{@render children?.()}
</div>

<style>
	.pane {
		position: relative;
		display: flex;
		flex: 1;
		flex-direction: column;
		gap: 4px;
		align-items: flex-start;
		min-height: 0;
		padding: 8px;
		background: var(--ground);
		color: var(--ink-2);
		font-size: var(--dense);
		overflow: clip;
		touch-action: none;
	}
	.pane.active {
		box-shadow: inset 0 0 0 2px var(--azurite);
		color: var(--ink);
	}
	.looked {
		width: 100%;
		height: 100%;
		min-height: 0;
	}
	.ink {
		position: absolute;
		inset: 0;
		width: 100%;
		height: 100%;
		pointer-events: none;
	}
	.ink polyline {
		fill: none;
		stroke: var(--azurite);
		stroke-width: 2.5;
		stroke-linecap: round;
		stroke-linejoin: round;
	}
</style>
