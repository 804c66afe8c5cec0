<script lang="ts">
	import { Button, Modal } from 'flowbite-svelte';
	import type { BarDesk } from '$lib/state/bar-desk.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import { loadSymbols, pageColours, pictureOf } from './pictures';

	/** The window as it is and in the other style, with what each leaves of the drawing, before one of them is taken. */
	let { desk, onclose }: { desk: BarDesk; onclose: () => void } = $props();
	const workspace = useWorkspace();
	let open = $state(true);
	let symbols = $state.raw<ReadonlyMap<string, string>>(new Map());
	const NAMES = { ribbon: 'a ribbon', toolbars: 'toolbars' } as const;
	const other = $derived(desk.otherStyle);
	const shown = $derived([
		{ name: `Now, as ${NAMES[desk.style]}`, layout: desk.layout },
		{ name: `As ${NAMES[other.style]}`, layout: other.layout }
	]);
	const address = (layout: typeof desk.layout) =>
		`data:image/svg+xml;charset=utf-8,${encodeURIComponent(pictureOf(layout, desk.tree, workspace.catalogue, symbols, pageColours()))}`;

	$effect(() => void loadSymbols().then((loaded) => (symbols = loaded)));

	async function take() {
		await desk.takeStyle(other.style);
		open = false;
	}
</script>

<Modal bind:open title="The same commands in the other style" aria-label="Switch style" size="xl" {onclose}>
	<div class="two">
		{#each shown as { name, layout } (name)}
			<figure>
				<img src={address(layout)} alt="The window of {desk.screen.name}, {name}" />
				<figcaption>
					<b>{name}</b>: {(layout.share * 100).toFixed(1)} % canvas on {desk.screen.name}
				</figcaption>
			</figure>
		{/each}
	</div>
	<p class="quiet">
		The commands stay the same; only the style changes in {workspace.target.name}. You can switch back at any time.
	</p>
	{#snippet footer()}
		<Button data-autofocus disabled={workspace.edits.busy} onclick={() => void take()}>Switch to {NAMES[other.style]}</Button>
		<Button color="alternative" onclick={() => (open = false)}>Cancel</Button>
	{/snippet}
</Modal>

<style>
	.two {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: var(--space-4);
	}
	figure {
		margin: 0;
	}
	img {
		width: 100%;
		border: 1px solid var(--line-strong);
		border-radius: 3px;
	}
	figcaption {
		margin-top: 6px;
		font-size: var(--body);
	}
</style>
