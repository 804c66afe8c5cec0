<script lang="ts">
	import { Button } from 'flowbite-svelte';
	import { takeAway } from '$core/answer/choices';
	import { SHORTCUTS } from '$core/shortcut/entry';
	import { ofShortcuts } from '$core/shortcut/change';
	import { OutOfReachError } from '$core/strata/change';
	import type { Command } from '$core/application/command';
	import type { Face, Plane } from '$core/answer/key-face';
	import type { Binding } from '$core/shortcut/effective';
	import { readable, type Keys } from '$core/stroke/stroke';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import KeyCaps from '../KeyCaps.svelte';
	import Blame from '../Blame.svelte';
	import StratumChip from '../StratumChip.svelte';
	import { keptText, labelOf, outcomeMark, outcomeText } from '../wording';
	import CommandPick from '../CommandPick.svelte';

	/** Everything on one key: what its eight planes do here, and what is on it in other situations. */
	let {
		face,
		at,
		legend,
		onplane,
		onassign,
		onmove
	}: {
		face: Face;
		at: number;
		legend: string;
		onplane: (plane: Plane) => void;
		onassign: (command: Command, keys: Keys) => void;
		onmove: (binding: Binding) => void;
	} = $props();
	const workspace = useWorkspace();
	const SHOWN = 24;
	const plane = $derived(face.planes[at]!);
	const here = $derived(face.planes.filter((p) => p.keys !== undefined));
	const elsewhere = $derived(
		here.flatMap((p) => [
			...workspace.index.on(p.keys!).filter((b) => b.key !== p.binding?.key),
			...workspace.index.longer(p.keys!)
		])
	);

	function remove(binding: Binding) {
		try {
			void workspace.edits.commit(
				`Remove ${binding.keys} from ${labelOf(workspace.index, binding.command)}`,
				ofShortcuts(takeAway(workspace.index, workspace.profile, workspace.targetId, binding))
			);
		} catch (error) {
			if (!(error instanceof OutOfReachError)) throw error;
			workspace.notice = { kind: 'failed', text: error.message };
		}
	}
</script>

<section aria-label="{legend} here">
	<h2>{legend} <small class="quiet">here: {workspace.space.labelOf(workspace.situation)}</small></h2>
	{#if plane.keys !== undefined}
		{@const keys = plane.keys}
		<CommandPick label={readable(`Assign a command to ${keys}`)} onpick={(command) => onassign(command, keys)} />
	{/if}
	{#if here.length === 0}<p class="quiet">This key cannot be a shortcut by itself.</p>{/if}
	<ul>
		{#each here as p (p.keys)}
			{@const mark = outcomeMark(p.outcome!)}
			<li class:current={p === plane}>
				<button type="button" class="plane" aria-pressed={p === plane} onclick={() => onplane(p)}>
					<span class="tone-{mark.tone}"><span class="toned" aria-hidden="true">{mark.shape}</span></span>
					<KeyCaps keys={p.keys!} />
					<span class="what" class:quiet={!p.binding} title={keptText(p.keys!, workspace.office.kept(p.keys!))}
						>{p.binding
							? outcomeText(workspace.index, p.outcome!)
							: (keptText(p.keys!, workspace.office.kept(p.keys!)) ?? 'free here')}</span
					>
				</button>
				{#if p === plane && p.binding}
					<span class="acts">
						<StratumChip id={p.binding.stratum} />
						<Blame stratum={p.binding.stratum} chapter={SHORTCUTS} thing={p.binding.key} />
						<Button size="xs" color="alternative" class="act" onclick={() => onmove(p.binding!)}>Move…</Button>
						<Button size="xs" color="alternative" class="act" onclick={() => remove(p.binding!)}>Remove</Button>
					</span>
				{/if}
			</li>
		{/each}
	</ul>
</section>
<section aria-label="{legend} elsewhere">
	<h2>{legend} <small class="quiet">in other situations, and longer sequences</small></h2>
	<ul>
		{#each elsewhere.slice(0, SHOWN) as binding (binding.key)}
			<li>
				<StratumChip id={binding.stratum} />
				<KeyCaps keys={binding.keys} />
				<a href="/{workspace.document.application.id}/commands?command={encodeURIComponent(binding.command)}"
					>{labelOf(workspace.index, binding.command)}</a
				>
				<span class="quiet scope">{workspace.space.scopeLabel(binding.scope)}</span>
			</li>
		{:else}
			<li class="quiet">This key has no use in other situations.</li>
		{/each}
		{#if elsewhere.length > SHOWN}<li class="quiet">
				and {elsewhere.length - SHOWN} more; choose modifiers or a situation to see them
			</li>{/if}
	</ul>
</section>

<style>
	section {
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		gap: var(--space-2);
		align-content: start;
		min-width: 0;
	}
	h2 small {
		font-size: var(--dense);
		font-weight: 400;
	}
	ul {
		margin: 0;
		padding: 0;
		list-style: none;
	}
	li {
		display: flex;
		flex-wrap: wrap;
		gap: 2px var(--space-2);
		align-items: center;
		min-height: 30px;
		border-top: 1px solid var(--line);
		font-size: var(--body);
	}
	.current {
		background: var(--azurite-wash);
	}
	.plane {
		display: flex;
		flex: 1 1 170px;
		gap: var(--space-2);
		align-items: center;
		min-width: 0;
		padding: 3px 2px;
		border: 0;
		background: none;
		color: var(--ink);
		font: inherit;
		text-align: left;
	}
	.what,
	.scope {
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	.scope {
		margin-left: auto;
		font-size: var(--dense);
	}
	.acts {
		display: flex;
		gap: var(--space-1);
		align-items: center;
		margin-left: auto;
		padding-bottom: 2px;
	}
	a {
		color: inherit;
	}
</style>
