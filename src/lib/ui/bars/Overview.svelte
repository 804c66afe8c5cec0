<script lang="ts">
	import type { BarDesk } from '$lib/state/bar-desk.svelte';
	import type { WindowZoom } from './zoom.svelte';

	/** The whole window, small, with the part that is in sight. Dragging in it moves that part. */
	let { desk, zoom, room, at }: { desk: BarDesk; zoom: WindowZoom; room: HTMLElement; at: { x: number; y: number } } = $props();
	const WIDTH = 168;
	const { layout } = $derived(desk);
	const scale = $derived(WIDTH / zoom.whole.width);
	const strips = $derived([...layout.ribbons.map(({ rect }) => rect), ...layout.toolbars.map(({ rect }) => rect)]);

	function move(event: PointerEvent) {
		if (event.buttons !== 1) return;
		const box = (event.currentTarget as Element).getBoundingClientRect();
		const factor = zoom.scale / scale;
		room.scrollTo(
			(event.clientX - box.x) * factor - room.clientWidth / 2,
			(event.clientY - box.y) * factor - room.clientHeight / 2
		);
	}
</script>

<svg
	aria-hidden="true"
	width={WIDTH}
	height={zoom.whole.height * scale}
	viewBox="0 0 {zoom.whole.width} {zoom.whole.height}"
	onpointerdown={move}
	onpointermove={move}
>
	<rect class="window" width={layout.width} height={layout.height} />
	{#each strips as { x, y, width, height }, i (i)}<rect class="strip" {x} {y} {width} {height} />{/each}
	<rect
		class="sight"
		x={at.x / zoom.scale}
		y={at.y / zoom.scale}
		width={zoom.room.width / zoom.scale}
		height={zoom.room.height / zoom.scale}
		style="stroke-width:{2 / scale}"
	/>
</svg>

<style>
	svg {
		position: absolute;
		right: 14px;
		bottom: 14px;
		border: 1px solid var(--control);
		border-radius: var(--radius);
		background: var(--panel);
		box-shadow: 0 2px 8px rgb(0 0 0 / 0.2);
		cursor: move;
		touch-action: none;
	}
	.window {
		fill: var(--ground);
	}
	.strip {
		fill: var(--line-strong);
	}
	.sight {
		fill: var(--azurite);
		fill-opacity: 0.12;
		stroke: var(--azurite);
	}
</style>
