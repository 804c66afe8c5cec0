<script lang="ts" module>
	import type { Trigger } from '$core/chapters/gestures/gesture';

	/** What was drawn on a pad: from the button down until it was let go. */
	export interface Drawn {
		readonly trigger: Trigger;
		/** In px of the window. */
		readonly path: readonly number[];
		readonly ms: number;
	}
</script>

<script lang="ts">
	import { BUTTONS } from '$core/stroke/mouse';
	import { heldIn } from '../heard';

	/** A place to draw on with any button, or a finger, which says what the left button says. */
	let {
		label,
		hint,
		ondraw,
		note = ''
	}: { label: string; hint: string; ondraw: (drawn: Drawn) => void; note?: string } = $props();
	let pad = $state<HTMLElement | undefined>(undefined);
	let path = $state.raw<readonly number[]>([]);
	let isLost = $state(false);
	let press: { readonly trigger: Trigger; readonly at: number; readonly pointer: number } | undefined;
	const ink = $derived.by(() => {
		if (path.length < 2 || !pad) return '';
		const { left, top } = pad.getBoundingClientRect();
		return path.map((value, i) => value - (i % 2 === 0 ? left : top)).join(' ');
	});

	function down(event: PointerEvent) {
		const button = BUTTONS[event.button];
		if (press || !button) return;
		event.preventDefault();
		pad!.setPointerCapture(event.pointerId);
		isLost = false;
		press = { trigger: { button, modifiers: heldIn(event) }, at: event.timeStamp, pointer: event.pointerId };
		path = [event.clientX, event.clientY];
	}

	function move(event: PointerEvent) {
		if (event.pointerId !== press?.pointer) return;
		const between = event.getCoalescedEvents?.() ?? [event];
		path = [...path, ...between.flatMap(({ clientX, clientY }) => [clientX, clientY])];
	}

	function up(event: PointerEvent) {
		if (event.pointerId !== press?.pointer) return;
		const drawn = { trigger: press.trigger, path: [...path, event.clientX, event.clientY], ms: event.timeStamp - press.at };
		press = undefined;
		ondraw(drawn);
	}

	/** The pointer was taken away in the middle: it does not count. */
	function lose() {
		if (!press) return;
		press = undefined;
		path = [];
		isLost = true;
	}
</script>

<div
	class="pad"
	role="img"
	aria-label={label}
	bind:this={pad}
	onpointerdown={down}
	onpointermove={move}
	onpointerup={up}
	onpointercancel={lose}
	onlostpointercapture={lose}
	oncontextmenu={(event) => event.preventDefault()}
>
	{#if ink}<svg aria-hidden="true"><polyline points={ink} /></svg>{:else}<p class="quiet">{hint}</p>{/if}
</div>
{#if note || isLost}<p class="note" role="status">
		{isLost ? 'The pointer left the window. This stroke does not count.' : note}
	</p>{/if}

<style>
	.pad {
		position: relative;
		display: grid;
		place-items: center;
		flex: none;
		height: 150px;
		padding: var(--space-3);
		border: 1px dashed var(--control);
		border-radius: 4px;
		background: var(--ground);
		touch-action: none;
		cursor: crosshair;
	}
	.pad p {
		max-width: 30ch;
		margin: 0;
		font-size: var(--dense);
		text-align: center;
		pointer-events: none;
	}
	svg {
		position: absolute;
		inset: 0;
		width: 100%;
		height: 100%;
	}
	polyline {
		fill: none;
		stroke: var(--azurite);
		stroke-width: 2.5;
		stroke-linecap: round;
		stroke-linejoin: round;
	}
	.note {
		margin: 0;
		color: var(--limonite-ink, var(--ink-2));
		font-size: var(--dense);
	}
</style>
