<script lang="ts">
	import type { ItemId } from '$core/chapters/bars/bar';
	import { first } from '$core/context/bits';
	import { isIn, whereShown } from '$core/chapters/bars/boxes';
	import { openedFor, rectIn } from '$core/chapters/bars/opened';
	import { layoutFor, settingOn } from '$core/chapters/bars/setting';
	import { barTree, pathTo } from '$core/chapters/bars/tree';
	import { narrowestOf } from '$core/keyboard/office-screens';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import { loadSymbols, pageColours, pictureOf } from '../bars/pictures';

	/** The window of the office's smallest screen where a finding of bars shows, with what it is about framed. */
	let { item, situation }: { item: string; situation: number } = $props();
	const workspace = useWorkspace();
	let symbols = $state.raw<ReadonlyMap<string, string>>(new Map());
	$effect(() => void loadSymbols().then((loaded) => (symbols = loaded)));

	const id = $derived(item as ItemId);
	const proof = $derived.by(() => {
		const { profile, catalogue, space, office, index } = workspace;
		const tree = barTree(profile);
		const [bar] = pathTo(tree, id);
		if (!bar || bar.item.kind !== 'bar') return undefined;
		const there = isIn(space, bar.item, situation) ? situation : first(whereShown(space, bar.item));
		if (there < 0) return undefined;
		const screen = narrowestOf(office.desks);
		const { layout } = layoutFor(settingOn(index, tree, there, screen), id);
		const opened = openedFor(tree, layout, catalogue, id);
		const place = opened?.places.find((one) => one.place.id === id)?.rect;
		const tabRect = layout.ribbons.flatMap((ribbon) => ribbon.tabs).find((one) => one.tab.id === id)?.rect;
		return { tree, layout, screen, there, framed: rectIn(layout, id) ?? tabRect ?? place ?? opened?.rect };
	});
	const address = $derived(
		proof &&
			`data:image/svg+xml;charset=utf-8,${encodeURIComponent(pictureOf(proof.layout, proof.tree, workspace.catalogue, symbols, pageColours()))}`
	);
	const percent = (part: number, whole: number) => `${((100 * part) / whole).toFixed(2)}%`;
</script>

{#if proof && address}
	{@const { layout, screen, framed, there } = proof}
	<figure>
		<div class="window">
			<img src={address} alt="The window on {screen.name}" />
			{#if framed}<span
					class="frame"
					style="left:{percent(framed.x, layout.width)};top:{percent(framed.y, layout.height)};width:{percent(
						framed.width,
						layout.width
					)};height:{percent(framed.height, layout.height)}"
				></span>{/if}
		</div>
		<figcaption class="quiet">{workspace.space.labelOf(there)}, on {screen.name}</figcaption>
	</figure>
{:else}
	<p class="quiet">It is not visible on any screen, so there is no picture.</p>
{/if}

<style>
	figure {
		margin: 0;
	}
	.window {
		position: relative;
	}
	img {
		display: block;
		width: 100%;
		border: 1px solid var(--line-strong);
		border-radius: 3px;
	}
	.frame {
		position: absolute;
		outline: 3px solid var(--garnet);
		outline-offset: 3px;
		border-radius: 2px;
	}
	figcaption {
		margin-top: var(--space-1);
		font-size: var(--dense);
	}
</style>
