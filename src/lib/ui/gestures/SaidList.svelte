<script lang="ts">
	import { SHORTCUTS } from '$core/shortcut/entry';
	import type { Binding } from '$core/shortcut/effective';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import KeyCaps from '../KeyCaps.svelte';
	import Blame from '../Blame.svelte';
	import StratumChip from '../StratumChip.svelte';

	/** What is said of an input: who says it, the command with its card, where. */
	let {
		bindings,
		none,
		caps = false,
		takeOff
	}: {
		bindings: readonly Binding[];
		/** What stands there where nothing is said. */
		none: string;
		/** Whether the input itself is shown. */
		caps?: boolean;
		/** Takes one away; `from` names what it is taken from. */
		takeOff?: { readonly from: string; readonly run: (binding: Binding) => void } | undefined;
	} = $props();
	const workspace = useWorkspace();
	const labelOf = ({ command }: Binding) => workspace.catalogue.get(command)?.label ?? command;
</script>

<ul>
	{#each bindings as binding (binding.key)}
		<li>
			<StratumChip id={binding.stratum} />
			<a href="commands?command={encodeURIComponent(binding.command)}">{labelOf(binding)}</a>
			{#if caps}<KeyCaps keys={binding.keys} />{/if}
			<span class="quiet">{workspace.space.scopeLabel(binding.scope)}</span>
			<Blame stratum={binding.stratum} chapter={SHORTCUTS} thing={binding.key} />
			{#if takeOff}
				<button
					class="linkish"
					type="button"
					aria-label="Remove {takeOff.from}: {labelOf(binding)}"
					onclick={() => takeOff.run(binding)}>Remove</button
				>
			{/if}
		</li>
	{:else}<li class="quiet">{none}</li>{/each}
</ul>

<style>
	ul {
		margin: 0;
		padding: 0;
		font-size: var(--body);
		list-style: none;
	}
	li {
		display: flex;
		flex-wrap: wrap;
		gap: var(--space-1) var(--space-2);
		align-items: center;
		padding: 3px 0;
	}
</style>
