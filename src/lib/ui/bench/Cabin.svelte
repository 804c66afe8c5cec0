<script lang="ts">
	import { drawnCabin, FIRST_LOOK } from './cabin';
	import { Picking, type DrawingProps } from './picking.svelte';

	/** A cable-car cabin's frame, to select things on. Each part says what kind of thing it is. */
	const props: DrawingProps = $props();
	const { frameNumbers = false, edges: weight = 'plain' } = $derived(props);
	const { pick, isOn, part } = new Picking(() => props, 'component');

	const drawn = $derived(drawnCabin(props.camera ?? FIRST_LOOK));
</script>

{#snippet hanger()}
	<g class="component" class:on={isOn('component', 'component')} {...part('component', 'component', 'the hanger')}>
		<title>Select the hanger</title>
		<path class="rope" d={drawn.hanger.rope} /><path d={drawn.hanger.arm} /><path d={drawn.hanger.foot} /><circle
			cx={drawn.hanger.wheel.x}
			cy={drawn.hanger.wheel.y}
			r="9"
		/>
	</g>
{/snippet}

{#snippet floor()}
	<g class="body" class:on={isOn('body', 'body')} {...part('body', 'body', 'the floor body')}>
		<title>Select the floor body</title>
		<path d={drawn.floor} />
	</g>
{/snippet}

<!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_noninteractive_element_interactions -->
<svg
	viewBox="96 8 356 300"
	class={weight}
	role="group"
	aria-label="Cabin frame; click a part to select it, or go from part to part with the arrow keys"
	onclick={(event) => pick(event, 'nothing', 'nothing')}
>
	{#if drawn.isFromAbove}{@render floor()}{:else}{@render hanger()}{/if}
	{#each drawn.faces as { id, d } (id)}
		<path class="face" class:on={isOn('face', `face${id}`)} {d} {...part('face', `face${id}`, `face ${id + 1}`)}
			><title>Select a face</title></path
		>
	{/each}
	{#each drawn.panes as d, i (i)}<path class="pane" {d} />{/each}
	{#each drawn.edges as { id, d } (id)}
		<g class="edge" class:on={isOn('edge', `edge${id}`)} {...part('edge', `edge${id}`, `edge ${id + 1}`)}
			><title>Select an edge</title><path class="hit" {d} /><path class="line" {d} /></g
		>
	{/each}
	{#each drawn.vertices as { id, x, y } (id)}
		<g class="vertex" class:on={isOn('vertex', `vertex${id}`)} {...part('vertex', `vertex${id}`, `vertex ${id + 1}`)}
			><title>Select a vertex</title><circle class="hit" cx={x} cy={y} r="9" /><circle class="dot" cx={x} cy={y} r="3.2" /></g
		>
	{/each}
	{#if drawn.isFromAbove}{@render hanger()}{:else}{@render floor()}{/if}
	{#if frameNumbers}{#each drawn.vertices as { id, x, y } (id)}<text x={x + 8} y={y - 8}>F{id + 1}</text>{/each}{/if}
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
		font-size: var(--caption);
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
