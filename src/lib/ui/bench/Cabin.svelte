<script lang="ts">
	import { Picking, type DrawingProps } from './picking.svelte';

	/** A cable-car cabin's frame, to select things on. Each part says what kind of thing it is. */
	const props: DrawingProps = $props();
	const { frameNumbers = false, edges: weight = 'plain' } = $derived(props);
	const { pick, isOn, part } = new Picking(() => props, 'component');

	const faces = ['M150 110 290 140 290 268 150 232Z', 'M290 140 400 104 400 226 290 268Z', 'M150 110 262 78 400 104 290 140Z'];
	const windows = ['M166 128 216 139 216 186 166 174Z', 'M228 142 276 152 276 202 228 189Z', 'M306 150 384 124 384 168 306 197Z'];
	const edges = [
		'M150 110V232',
		'M290 140V268',
		'M400 104V226',
		'M150 110 290 140',
		'M290 140 400 104',
		'M150 232 290 268',
		'M290 268 400 226'
	];
	const vertices = [
		[150, 110],
		[290, 140],
		[400, 104],
		[290, 268]
	] as const;
</script>

<!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_noninteractive_element_interactions -->
<svg
	viewBox="96 8 356 300"
	class={weight}
	role="group"
	aria-label="Cabin frame; click a part to select it, or go from part to part with the arrow keys"
	onclick={(event) => pick(event, 'nothing', 'nothing')}
>
	<path class="ground" d="M96 290H452" />
	<g class="component" class:on={isOn('component', 'component')} {...part('component', 'component', 'the hanger')}>
		<title>Select the hanger</title>
		<path d="M268 92V44q0-14 14-14h40" /><path d="M252 92h34" /><circle cx="330" cy="30" r="9" /><path
			class="rope"
			d="M100 40 450 20"
		/>
	</g>
	<g class="body" class:on={isOn('body', 'body')} {...part('body', 'body', 'the floor body')}>
		<title>Select the floor body</title>
		<path d="M144 236 290 274 406 231 406 244 290 288 144 249Z" />
	</g>
	{#each faces as d, i (d)}
		<path class="face" class:on={isOn('face', `face${i}`)} {d} {...part('face', `face${i}`, `face ${i + 1}`)}
			><title>Select a face</title></path
		>
	{/each}
	{#each windows as d (d)}<path class="pane" {d} />{/each}
	{#each edges as d, i (d)}
		<g class="edge" class:on={isOn('edge', `edge${i}`)} {...part('edge', `edge${i}`, `edge ${i + 1}`)}
			><title>Select an edge</title><path class="hit" {d} /><path class="line" {d} /></g
		>
	{/each}
	{#each vertices as [cx, cy], i (i)}
		<g class="vertex" class:on={isOn('vertex', `vertex${i}`)} {...part('vertex', `vertex${i}`, `vertex ${i + 1}`)}
			><title>Select a vertex</title><circle class="hit" {cx} {cy} r="9" /><circle class="dot" {cx} {cy} r="3.2" /></g
		>
	{/each}
	{#if frameNumbers}{#each vertices as [x, y], i (i)}<text x={x + 8} y={y - 8}>F{i + 1}</text>{/each}{/if}
</svg>

<style>
	svg {
		width: 100%;
		height: 100%;
		display: block;
	}
	path,
	circle {
		fill: none;
		stroke: var(--ink-2);
		stroke-width: 1.4;
		stroke-linejoin: round;
	}
	[data-part]:focus-visible {
		outline: 2px solid var(--azurite);
		outline-offset: 2px;
	}
	.ground {
		stroke: var(--line-strong);
		stroke-dasharray: 6 5;
	}
	.rope {
		stroke-width: 2.6;
		stroke: var(--ink-3);
	}
	.component path,
	.component circle {
		stroke-width: 3;
	}
	.face {
		fill: var(--panel);
	}
	.face:hover {
		fill: var(--line);
	}
	.pane {
		fill: var(--azurite-wash);
		stroke: var(--control);
		pointer-events: none;
	}
	.body path {
		fill: var(--line-strong);
	}
	.hit {
		stroke: transparent;
		stroke-width: 11;
		fill: transparent;
	}
	.vertex .hit {
		stroke-width: 0;
	}
	text {
		font-size: 11px;
		fill: var(--azurite);
	}
	.line {
		stroke-width: 1.8;
	}
	.thin .line {
		stroke-width: 0.9;
	}
	.bold .line {
		stroke-width: 3.2;
	}
	.dot {
		fill: var(--ink-2);
		stroke: none;
	}
	.edge:hover .line,
	.component:hover path {
		stroke: var(--azurite);
	}
	.face.on,
	.body.on path {
		fill: var(--azurite);
		fill-opacity: 0.35;
		stroke: var(--azurite);
	}
	.edge.on .line {
		stroke: var(--azurite);
		stroke-width: 4;
	}
	.vertex.on .dot {
		fill: var(--azurite);
		r: 6px;
	}
	.component.on path:not(.rope),
	.component.on circle {
		stroke: var(--azurite);
	}
</style>
