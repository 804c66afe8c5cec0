<script lang="ts">
	import { counted } from '$core/text/counted';
	import { Button } from 'flowbite-svelte';
	import { limitingAll, removingAll } from '$core/profile/many';
	import type { CommandId } from '$core/application/command';
	import type { Scope } from '$core/context/scope';
	import { takingBack } from '$core/profile/differences';
	import type { AnyChange } from '$core/profile/edit';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import KeyCaps from '../KeyCaps.svelte';
	import ScopePicker from '../ScopePicker.svelte';

	/** What can be done to several commands at once, each as one edit, with what would stay told before. */
	let { commands, onclear }: { commands: ReadonlySet<CommandId>; onclear: () => void } = $props();
	const workspace = useWorkspace();
	let scope = $state.raw<Scope>({});
	const count = $derived(commands.size);
	const bindings = $derived([...commands].flatMap((id) => workspace.index.of(id)));
	const said = $derived(counted(bindings.length, 'shortcut'));
	const target = $derived(workspace.target.name);

	interface Doing {
		readonly changes: readonly AnyChange[];
		readonly stays: readonly { readonly reason: string }[];
	}
	const ground = $derived({ index: workspace.index, profile: workspace.profile });
	const reset = $derived.by((): Doing => {
		const { profile, targetId: to, draft } = workspace;
		const mine = draft.againstFactory.filter(({ command }) => command !== undefined && commands.has(command));
		return takingBack(mine, ground, { profile, target: to });
	});
	const removal = $derived(removingAll(ground, workspace.targetId, commands));
	const limit = $derived(limitingAll(ground, workspace.targetId, commands, scope));
	const going = $derived(counted(bindings.length - removal.stays.length, 'shortcut'));
	const where = $derived(workspace.space.scopeLabel(scope));
</script>

{#snippet does(name: string, label: string, doing: Doing, nothing: string)}
	<div class="does">
		<Button
			color="alternative"
			size="sm"
			disabled={workspace.edits.busy || doing.changes.length === 0}
			onclick={() => void workspace.edits.commit(label, doing.changes)}>{name}</Button
		>
		<span class="quiet">
			{#if doing.changes.length === 0 && doing.stays.length === 0}{nothing}
			{:else if doing.stays.length > 0}<span class="tone-limonite"
					><span class="toned">▲</span>
					{counted(doing.stays.length, 'stays', 'stay')}: {doing.stays[0]!.reason}.</span
				>{/if}
		</span>
	</div>
{/snippet}

<header>
	<h1>{count} commands</h1>
	<button type="button" class="linkish" onclick={onclear}>Unmark all</button>
</header>
<p class="quiet">They have {said}. All changes are one edit of {target}.</p>
{@render does('Reset to default', `Reset to default: ${count} commands`, reset, 'All have their default shortcuts.')}
{@render does(`Remove ${going}`, `Remove ${going} of ${count} commands`, removal, 'There is nothing to remove.')}
<h2>Limit all to</h2>
<ScopePicker {scope} onchange={(to) => (scope = to)} />
{@render does(`Limit to ${where}`, `Limit ${said} of ${count} commands to ${where}`, limit, 'They already have this limit.')}
<ul>
	{#each commands as id (id)}
		<li>
			<span>{workspace.catalogue.get(id)?.label ?? id}</span>
			<span class="keys"
				>{#each workspace.index.of(id) as binding (binding.key)}<KeyCaps keys={binding.keys} />{/each}</span
			>
		</li>
	{/each}
</ul>

<style>
	header {
		display: flex;
		align-items: baseline;
		justify-content: space-between;
	}
	h1 {
		font-size: var(--title);
	}
	h2 {
		margin: var(--space-4) 0 6px;
		font-size: var(--body);
	}
	.does {
		display: grid;
		gap: var(--space-1);
		justify-items: start;
		margin-top: var(--space-3);
		font-size: var(--dense);
	}
	ul {
		margin: var(--space-4) 0 0;
		padding: 0;
		border-top: 1px solid var(--line-strong);
		list-style: none;
	}
	li {
		display: flex;
		gap: var(--space-2);
		justify-content: space-between;
		padding: var(--space-1) 0;
		border-bottom: 1px solid var(--line);
		font-size: var(--body);
	}
	.keys {
		display: flex;
		flex-wrap: wrap;
		gap: var(--space-1);
	}
</style>
