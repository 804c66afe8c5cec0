<script lang="ts">
	import type { NodeId } from '$core/context/axis';
	import { favouritesOn } from '$core/chapters/modes/mode';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import Picker from './Picker.svelte';

	/** The situation as one choice for each axis. A choice that cannot occur together with the others moves them along. */
	const workspace = useWorkspace();
	const axes = $derived(workspace.space.axes);
	const current = $derived(workspace.space.situations[workspace.situation]!);

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
</script>

<div class="axes">
	{#each axes as axis, a (axis.id)}
		<Picker label={axis.label} items={choices[a]!} value={current[a] as string} onpick={(node) => choose(a, node)} />
	{/each}
</div>

<style>
	.axes {
		display: flex;
		gap: 0;
		min-width: 0;
	}
</style>
