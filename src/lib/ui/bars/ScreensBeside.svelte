<script lang="ts">
	import type { BarDesk } from '$lib/state/bar-desk.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import { loadSymbols, pageColours, pictureOf } from './pictures';

	/** The same bars on up to three screens of the office; one of them can be taken to be shaped. */
	let { desk, onpick }: { desk: BarDesk; onpick: () => void } = $props();
	const workspace = useWorkspace();
	let symbols = $state.raw<ReadonlyMap<string, string>>(new Map());
	$effect(() => void loadSymbols().then((loaded) => (symbols = loaded)));
	/** The one with least room, the one with most, and one between. */
	const chosen = $derived.by(() => {
		const last = desk.screens.length - 1;
		return [...new Set([0, Math.round(last / 2), last])];
	});
	const windows = $derived(
		chosen.map((at) => {
			const layout = desk.layoutOn(at);
			const svg = pictureOf(layout, desk.tree, workspace.catalogue, symbols, pageColours());
			return { at, screen: desk.screens[at]!, layout, src: `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}` };
		})
	);
</script>

<div class="beside" role="group" aria-label="Compare screens">
	{#each windows as { at, screen, layout, src } (at)}
		<figure>
			<button
				type="button"
				aria-label="Edit the toolbars on {screen.name}"
				onclick={() => {
					desk.screenAt = at;
					onpick();
				}}><img {src} alt="The window on {screen.name}" /></button
			>
			<figcaption><b>{screen.name}</b>, {(layout.share * 100).toFixed(1)} % canvas</figcaption>
		</figure>
	{/each}
</div>

<style>
	.beside {
		display: grid;
		flex: 1;
		grid-template-columns: repeat(auto-fit, minmax(340px, 1fr));
		gap: var(--space-3);
		align-content: start;
		min-height: 0;
		overflow-y: auto;
	}
	figure {
		margin: 0;
	}
	button {
		width: 100%;
		padding: 0;
		border: 0;
		background: none;
		text-align: left;
	}
	img {
		display: block;
		width: 100%;
		border: 1px solid var(--line-strong);
		border-radius: 3px;
	}
	button:hover img {
		border-color: var(--azurite);
	}
	figcaption {
		margin-top: var(--space-1);
		font-size: var(--dense);
	}
</style>
