<script lang="ts">
	import { Picking, type DrawingProps } from './picking.svelte';

	/** A plan of the cabin, seen from above, to select things on: what a drawing office looks at. */
	const props: DrawingProps = $props();
	const { frameNumbers = false, edges: weight = 'plain' } = $derived(props);
	const { pick, isOn, part: partOf } = new Picking(() => props, 'hatch0');
	const nameOf = (kind: string, i: number) => `${kind === 'symbol' ? 'placed symbol' : kind} ${i + 1}`;

	/** What the program tells apart, with what of the plan is such. */
	const curves = [
		'M130 70H420V230H130Z',
		'M142 82H408V218H142Z',
		'M230 70V82M320 70V82M230 218V230M320 218V230',
		'M408 120H420M408 180H420'
	];
	const symbols = [
		'M275 150m-16 0a16 16 0 1 0 32 0a16 16 0 1 0-32 0M275 134V166M259 150H291',
		'M152 100h26v34h-26zM152 166h26v34h-26z',
		'M372 100h26v34h-26zM372 166h26v34h-26z'
	];
	const hatches = ['M130 70H142V230H130ZM408 70H420V120H408ZM408 180H420V230H408Z'];
	const dimensions = ['M130 252H420M130 244V260M420 244V260', 'M448 70V230M440 70H456M440 230H456'];
	const texts = [
		{ x: 275, y: 268, said: '2 900' },
		{ x: 462, y: 154, said: '1 600' },
		{ x: 275, y: 200, said: 'hanger arm' }
	];
	const frames = [142, 230, 320, 408];
</script>

{#snippet part(kind: string, i: number, d: string)}
	{@const id = `${kind}${i}`}
	<g class={kind} class:on={isOn(kind, id)} {...partOf(kind, id, nameOf(kind, i))}>
		<title>Select a {kind === 'symbol' ? 'placed symbol' : kind}</title><path class="hit" {d} /><path class="line" {d} />
	</g>
{/snippet}

<!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_noninteractive_element_interactions -->
<svg
	viewBox="96 30 400 260"
	class={weight}
	role="group"
	aria-label="Plan of the cabin; click a part to select it, or go from part to part with the arrow keys"
	onclick={(event) => pick(event, 'nothing', 'nothing')}
>
	<path class="axis" d="M110 150H440" />
	{#each hatches as d, i (d)}{@render part('hatch', i, d)}{/each}
	{#each curves as d, i (d)}{@render part('curve', i, d)}{/each}
	{#each symbols as d, i (d)}{@render part('symbol', i, d)}{/each}
	{#each dimensions as d, i (d)}{@render part('dimension', i, d)}{/each}
	{#each texts as { x, y, said }, i (said)}
		<text class="text" class:on={isOn('text', `text${i}`)} {x} {y} {...partOf('text', `text${i}`, `the text ${said}`)}
			>{said}</text
		>
	{/each}
	{#if frameNumbers}{#each frames as x, i (x)}<text class="frame" {x} y="62">F{i + 1}</text>{/each}{/if}
</svg>

<style>
	svg {
		display: block;
		width: 100%;
		height: 100%;
		--weight: 1.5;
	}
	.thin {
		--weight: 0.8;
	}
	.bold {
		--weight: 2.6;
	}
	path {
		fill: none;
		stroke: var(--ink-2);
		stroke-width: var(--weight);
	}
	[data-part]:focus-visible {
		outline: 2px solid var(--azurite);
		outline-offset: 2px;
	}
	.axis {
		stroke: var(--garnet);
		stroke-width: 0.8;
		stroke-dasharray: 14 4 3 4;
	}
	.hit {
		stroke: transparent;
		stroke-width: 10;
	}
	.hatch .line {
		fill: var(--line-strong);
		stroke: none;
	}
	.dimension .line {
		stroke: var(--ink-3);
		stroke-width: 0.9;
	}
	text {
		font-size: var(--caption);
		text-anchor: middle;
		fill: var(--ink-2);
		cursor: default;
	}
	.frame {
		font-size: var(--caption);
		fill: var(--azurite);
	}
	g:hover .line {
		stroke: var(--azurite);
	}
	.on .line {
		stroke: var(--azurite);
		stroke-width: 3.4;
	}
	.hatch.on .line {
		fill: var(--azurite);
		fill-opacity: 0.4;
	}
	text.on {
		fill: var(--azurite);
		font-weight: 650;
	}
</style>
