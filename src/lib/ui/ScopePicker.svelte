<script lang="ts">
	import { Button, Checkbox, Dropdown } from 'flowbite-svelte';
	import { ChevronDownOutline } from 'flowbite-svelte-icons';
	import type { Axis, AxisId, NodeId } from '$core/context/axis';
	import type { Scope } from '$core/context/scope';
	import { useWorkspace } from '$lib/state/workspace.svelte';

	/** What a shortcut is limited to: for each axis, any context or some. */
	let { scope, onchange }: { scope: Scope; onchange: (scope: Scope) => void } = $props();
	const workspace = useWorkspace();
	const id = $props.id();

	function toggle(axis: AxisId, node: NodeId, isIn: boolean) {
		const nodes = isIn ? [...(scope[axis] ?? []), node] : (scope[axis] ?? []).filter((n) => n !== node);
		const { [axis]: _, ...rest } = scope;
		onchange(nodes.length > 0 ? { ...rest, [axis]: nodes } : rest);
	}

	function depth(axis: Axis, node: NodeId): number {
		const parent = axis.nodes.find((n) => n.id === node)?.parent;
		return parent === undefined ? 0 : 1 + depth(axis, parent);
	}

	const summary = (axis: Axis) =>
		scope[axis.id]?.map((node) => axis.nodes.find((n) => n.id === node)?.label ?? node).join(', ') ?? 'any';
</script>

<div class="scope" role="group" aria-label="Limited to">
	{#each workspace.space.axes as axis, a (axis.id)}
		<Button id="{id}-{a}" size="xs" color="alternative" class="scope-axis" aria-haspopup="true">
			<span class="axis">{axis.label}:</span> <span class="value">{summary(axis)}</span>
			<ChevronDownOutline class="h-3 w-3" />
		</Button>
		<Dropdown simple triggeredBy="#{CSS.escape(`${id}-${a}`)}" class="scope-menu">
			{#each axis.nodes as node (node.id)}
				<li class="choice depth-{Math.min(3, depth(axis, node.id))}">
					<Checkbox
						checked={scope[axis.id]?.includes(node.id) ?? false}
						onchange={(event) => toggle(axis.id, node.id, (event.currentTarget as HTMLInputElement).checked)}
						>{node.label}</Checkbox
					>
				</li>
			{/each}
		</Dropdown>
	{/each}
</div>

<style>
	.scope {
		display: flex;
		flex-wrap: wrap;
		gap: var(--space-1);
	}
	.scope :global(.scope-axis) {
		padding: 2px var(--space-2);
		height: 26px;
		gap: var(--space-1);
		font-size: var(--caption);
		font-weight: 500;
		border-color: var(--control);
		max-width: 100%;
	}
	.axis {
		color: var(--ink-3);
	}
	.value {
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	.choice {
		padding: var(--space-1) var(--space-3);
		list-style: none;
	}
	.depth-1 {
		padding-left: var(--space-8);
	}
	.depth-2 {
		padding-left: var(--space-12);
	}
	.depth-3 {
		padding-left: 66px;
	}
	.choice :global(label) {
		font-weight: 400;
		color: var(--ink);
		font-size: var(--dense);
	}
</style>
