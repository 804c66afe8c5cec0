<script lang="ts">
	import { Button, Input } from 'flowbite-svelte';
	import { tick } from 'svelte';
	import type { Command } from '$core/application/command';
	import { aliasKey, aliasProblem, type AliasInput } from '$core/application/command-line';
	import { suggestAliases } from '$core/chapters/aliases/suggest';
	import type { AliasTable } from '$core/chapters/aliases/table';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import CommandPick from '../CommandPick.svelte';

	/** A new alias: the command by its name, then what is typed for it; what stands against that is said at once. */
	let {
		table,
		input,
		onadd
	}: { table: AliasTable; input: AliasInput; onadd: (alias: string, command: Command) => Promise<void> } = $props();
	const workspace = useWorkspace();
	let typed = $state('');
	let chosen = $state<Command | undefined>(undefined);
	let field = $state<HTMLElement | undefined>(undefined);
	let form = $state<HTMLFormElement | undefined>(undefined);
	const alias = $derived(typed.trim());
	const problem = $derived(alias === '' ? undefined : aliasProblem(alias, input));
	const suggestions = $derived(chosen ? suggestAliases(table, workspace.catalogue, chosen).slice(0, 6) : []);
	/** Who uses the name already. */
	const taken = $derived.by(() => {
		if (alias === '' || problem) return undefined;
		const found = table.inForce.get(aliasKey(alias, input));
		if (!found) return undefined;
		const label = workspace.catalogue.get(found.command as Command['id'])?.label ?? found.command;
		return found.stratum.id === workspace.targetId
			? `${alias} is ${label} already; the new line would be a duplicate`
			: `${found.stratum.name} uses ${alias} for ${label}; yours would replace it`;
	});

	async function pick(command: Command) {
		chosen = command;
		await tick();
		field?.querySelector('input')?.focus();
	}

	async function add() {
		if (alias === '' || !chosen || problem) return;
		const command = chosen;
		const name = alias;
		typed = '';
		chosen = undefined;
		await onadd(name, command);
		await tick();
		form?.querySelector<HTMLElement>('[role="combobox"]')?.focus();
	}
</script>

<form class="add" bind:this={form} onsubmit={(event) => (event.preventDefault(), void add())}>
	<div class="command">
		{#if chosen}<button type="button" class="pill" aria-pressed="true" onclick={() => (chosen = undefined)}
				>{chosen.label} <span aria-hidden="true">×</span><span class="visually-hidden">choose another</span></button
			>{:else}<CommandPick label="Add an alias for the command …" onpick={(command) => void pick(command)} />{/if}
	</div>
	<span bind:this={field}
		><Input size="sm" bind:value={typed} placeholder="alias" aria-label="New alias" class="mono" disabled={!chosen} /></span
	>
	<Button size="sm" type="submit" disabled={!chosen || alias === '' || problem !== undefined}>Add</Button>
</form>
{#if chosen && suggestions.length > 0}
	<p class="suggested" role="group" aria-label="Suggested">
		<span class="quiet">free:</span>
		{#each suggestions as { alias: free, reason, seconds } (free)}
			<button class="pill tone-fluorite" type="button" title="{reason}; {seconds.toFixed(1)} s" onclick={() => (typed = free)}
				><span class="mono">{free}</span></button
			>
		{/each}
	</p>
{/if}
{#if problem}<p class="problem tone-garnet" role="status"><span class="toned">◆</span> {problem}.</p>
{:else if taken}<p class="problem tone-limonite" role="status"><span class="toned">▲</span> {taken}.</p>{/if}

<style>
	.add {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 110px auto;
		gap: var(--space-2);
		align-items: center;
		padding: var(--space-2) var(--space-3) var(--space-1);
	}
	.suggested {
		display: flex;
		flex-wrap: wrap;
		gap: 6px;
		align-items: center;
		padding: var(--space-1) var(--space-3);
		font-size: var(--dense);
	}
	.problem {
		padding: 2px var(--space-3);
		font-size: var(--dense);
	}
</style>
