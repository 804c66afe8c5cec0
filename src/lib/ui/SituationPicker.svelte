<script lang="ts">
	import { ChevronDownOutline } from 'flowbite-svelte-icons';
	import type { NodeId } from '$core/context/axis';
	import { favouritesOn } from '$core/chapters/modes/mode';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import { hotkeys } from './hotkeys.svelte';
	import Picker from './Picker.svelte';

	/** The situation by its whole name; it opens one choice for each axis. A choice that cannot occur together with the others moves them along. */
	const workspace = useWorkspace();
	const id = $props.id();
	const axes = $derived(workspace.space.axes);
	const current = $derived(workspace.space.situations[workspace.situation]!);
	const name = $derived(workspace.space.labelOf(workspace.situation));
	let isOpen = $state(false);
	let home = $state<HTMLElement | undefined>(undefined);
	let sheet = $state<HTMLElement | undefined>(undefined);

	/** Contexts of an axis that a situation can stand on, in the axis's order. */
	const choices = $derived(
		axes.map((axis, a) => {
			const standing = new Set(workspace.space.situations.map((s) => s[a]));
			const favourites = favouritesOn(workspace.profile, axis.id).map(({ entry }) => entry.id);
			// favourite modes stand first
			const nodes = [...favourites.flatMap((id) => axis.nodes.find((n) => n.id === id) ?? []), ...axis.nodes];
			return [...new Set(nodes)].filter((n) => standing.has(n.id)).map((n) => ({ value: n.id as string, name: n.label }));
		})
	);

	const choose = (a: number, node: string) => workspace.standIn(workspace.space.nearest(current.with(a, node as NodeId), a));

	$effect(() => sheet?.querySelector('select')?.focus());
	$effect(() =>
		hotkeys.add(() => ({
			title: 'Situation',
			keys: [],
			acts: () => [{ name: 'Change the situation …', run: () => (isOpen = true) }]
		}))
	);

	function close() {
		isOpen = false;
		home?.querySelector('button')?.focus();
	}

	function onkeydown(event: KeyboardEvent) {
		if (!isOpen || event.key !== 'Escape') return;
		event.stopPropagation();
		close();
	}
</script>

<svelte:window onpointerdown={(event) => isOpen && !home?.contains(event.target as Node) && (isOpen = false)} />

<!-- svelte-ignore a11y_no_static_element_interactions -->
<span
	class="home"
	bind:this={home}
	{onkeydown}
	onfocusout={(event) => event.relatedTarget && !home?.contains(event.relatedTarget as Node) && (isOpen = false)}
>
	<button
		type="button"
		aria-label="Situation: {name}"
		aria-expanded={isOpen}
		aria-controls={isOpen ? id : undefined}
		title="The situation that answers are given for"
		onclick={() => (isOpen = !isOpen)}><span class="name">{name}</span> <ChevronDownOutline class="h-3 w-3 shrink-0" /></button
	>
	{#if isOpen}
		<div class="sheet" {id} role="group" aria-label="Situation" bind:this={sheet}>
			{#each axes as axis, a (axis.id)}
				<span class="axis" aria-hidden="true">{axis.label}</span>
				<Picker label={axis.label} items={choices[a]!} value={current[a] as string} onpick={(node) => choose(a, node)} />
			{/each}
		</div>
	{/if}
</span>

<style>
	.home {
		position: relative;
		flex: none;
	}
	button {
		display: flex;
		align-items: center;
		gap: var(--space-2);
		height: 32px;
		padding: 0 var(--space-2);
		border: 1px solid var(--control);
		border-radius: var(--radius);
		background: var(--raised);
		color: var(--ink);
		font: inherit;
		font-size: var(--dense);
		white-space: nowrap;
	}
	button:hover,
	button[aria-expanded='true'] {
		border-color: var(--azurite);
	}
	.sheet {
		position: absolute;
		z-index: 40;
		top: calc(100% + 4px);
		left: 0;
		display: grid;
		grid-template-columns: max-content 1fr;
		align-items: center;
		gap: var(--space-2) var(--space-3);
		min-width: 100%;
		padding: var(--space-3);
		border: 1px solid var(--control);
		border-radius: var(--radius);
		background: var(--raised);
		box-shadow: 0 4px 14px rgb(0 0 0 / 0.2);
	}
	.axis {
		color: var(--ink-2);
		font-size: var(--caption);
	}
	@media (max-width: 760px) {
		button {
			white-space: normal;
			height: auto;
			text-align: left;
		}
	}
</style>
