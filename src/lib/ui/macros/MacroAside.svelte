<script lang="ts">
	import type { PlacedMacro } from '$core/chapters/macros/table';
	import type { MacroDesk } from '$lib/state/macro-desk.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import FindingsHere from '../findings/FindingsHere.svelte';
	import KeyCaps from '../KeyCaps.svelte';
	import StratumChip from '../StratumChip.svelte';
	import MacroRun from './MacroRun.svelte';

	/** How the macro in hand is reached, what is wrong with it, and a trial run. */
	let { desk, placed, at = $bindable() }: { desk: MacroDesk; placed: PlacedMacro; at: number } = $props();
	const workspace = useWorkspace();
	const macro = $derived(placed.macro);
	const routes = $derived(workspace.index.of(macro.id));
</script>

<aside>
	<section>
		<h2>Routes</h2>
		{#each routes as binding (binding.key)}
			<p class="route">
				<KeyCaps keys={binding.keys} /><span class="quiet">{workspace.space.scopeLabel(binding.scope)}</span>
			</p>
		{/each}
		<p class="route">
			{#if routes.length === 0}<span class="quiet">No shortcut yet.</span>{/if}
			<a href="commands?command={encodeURIComponent(macro.id)}">Assign a key</a>
		</p>
	</section>
	<FindingsHere
		findings={desk.findings}
		name="Findings of this macro"
		onshow={({ witness }) => (at = (witness.kind === 'macro' && witness.step) || 0)}
	/>
	<section><MacroRun {macro} {at} onchoose={(step) => (at = step)} /></section>
	{#each desk.idle as { stratum, reason, by } (stratum.id)}
		<p class="quiet other">
			<StratumChip id={stratum.id} />
			{stratum.name}’s version has no effect: {reason === 'locked'
				? `${by?.name} has locked it`
				: `${by?.name}’s version is used`}.
			{#if stratum.id === workspace.targetId}<button class="linkish" type="button" onclick={() => void desk.bringBack(macro.id)}
					>Delete</button
				>{/if}
		</p>
	{/each}
</aside>

<style>
	aside {
		display: flex;
		flex-direction: column;
		gap: var(--space-4);
		padding: var(--space-3) var(--space-4);
		border-left: 1px solid var(--line-strong);
		background: var(--panel);
		overflow-y: auto;
	}
	h2 {
		margin-bottom: 6px;
	}
	.route {
		display: flex;
		gap: var(--space-2);
		align-items: center;
		padding: 2px 0;
		font-size: var(--dense);
	}
	a {
		color: var(--azurite);
	}
	.other {
		font-size: var(--dense);
	}
</style>
