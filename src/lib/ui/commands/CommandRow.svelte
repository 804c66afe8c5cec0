<script lang="ts">
	import { counted } from '$core/text/counted';
	import { pathText } from '$core/application/command';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import CommandIcon from '../CommandIcon.svelte';
	import KeyCaps from '../KeyCaps.svelte';
	import StratumChip from '../StratumChip.svelte';
	import type { Row } from './listing';
	import Marked from './Marked.svelte';

	let { row, query }: { row: Row; query: string } = $props();
	const workspace = useWorkspace();
	const findings = $derived(workspace.findings.byCommand.get(row.command.id) ?? []);
	const isBroken = $derived(findings.some((f) => f.severity === 'error'));
	const heading = $derived(counted(findings.length, 'finding'));
	const shown = $derived(row.bindings.slice(0, 3));

	const where = $derived(
		row.command.contexts.length === 0
			? 'Everywhere'
			: row.command.contexts.map((scope) => workspace.space.scopeLabel(scope)).join(', ')
	);
</script>

<span class="sign"><CommandIcon command={row.command} /></span>
<span class="names">
	<span class="label"
		><Marked text={row.command.label} {query} />{#if row.synonym}<small class="quiet">
				<Marked text={row.synonym} {query} /></small
			>{/if}</span
	>
	<span class="path narrow" class:loud={row.isShared}>{pathText(row.command)} <span class="mono">{row.command.id}</span></span>
</span>
<span class="mark">
	{#if isBroken}<span class="tone-garnet" title={heading}
			><span class="toned" aria-hidden="true">◆</span><span class="visually-hidden">Broken</span></span
		>
	{:else if findings.length > 0}<span class="tone-limonite" title={heading}
			><span class="toned" aria-hidden="true">▲</span><span class="visually-hidden">Attention</span></span
		>{/if}
</span>
<span class="bindings">
	{#each shown as binding (binding.key)}
		<span class="binding"><StratumChip id={binding.stratum} /><KeyCaps keys={binding.keys} /></span>
	{:else}
		<span class="quiet">–</span>
	{/each}
	{#if row.bindings.length > shown.length}<span class="quiet">+{row.bindings.length - shown.length}</span>{/if}
</span>
<span class="where narrow quiet" title={where}>{where}</span>

<style>
	.sign {
		display: grid;
		place-items: center;
	}
	.names {
		min-width: 0;
		display: grid;
		line-height: 1.22;
	}
	.label,
	.path,
	.where {
		white-space: nowrap;
		overflow: hidden;
		text-overflow: ellipsis;
	}
	.path {
		font-size: var(--caption);
		color: var(--ink-3);
	}
	.path .mono {
		font-size: var(--caption);
		margin-left: var(--space-1);
	}
	.loud {
		color: var(--ink-2);
		font-weight: 600;
	}
	.loud .mono {
		font-weight: 400;
	}
	.mark {
		text-align: center;
	}
	.bindings {
		display: flex;
		gap: var(--space-2);
		align-items: center;
		overflow: hidden;
	}
	.binding {
		display: inline-flex;
		gap: var(--space-1);
		align-items: center;
	}
	.where {
		font-size: var(--dense);
	}
</style>
