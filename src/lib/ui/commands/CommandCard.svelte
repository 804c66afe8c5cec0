<script lang="ts">
	import { Button } from 'flowbite-svelte';
	import { SHORTCUTS, shortcutsIn } from '$core/shortcut/entry';
	import { oppositeOffer } from '$core/answer/opposite';
	import { clearing } from '$core/profile/differences';
	import { pathText, type Command } from '$core/application/command';
	import { EVERYWHERE, scopeText, type Scope } from '$core/context/scope';
	import type { Binding } from '$core/shortcut/effective';
	import { readable, strokesOf, type Keys } from '$core/stroke/stroke';
	import { CardEdits } from '$lib/state/card-edits';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import CommandIcon from '../CommandIcon.svelte';
	import KeyCaps from '../KeyCaps.svelte';
	import Pips from '../Pips.svelte';
	import Recorder from '../Recorder.svelte';
	import ScopePicker from '../ScopePicker.svelte';
	import Blame from '../Blame.svelte';
	import StratumChip from '../StratumChip.svelte';
	import VerdictPanel from './VerdictPanel.svelte';
	import Ways from './Ways.svelte';

	/** One command: what it is, its shortcuts with their origin, and the recorder for another. */
	let { command, onleave }: { command: Command; onleave: () => void } = $props();
	const workspace = useWorkspace();
	const edits = new CardEdits(workspace, () => command);
	let keys = $state<Keys | undefined>(undefined);
	let scope = $state.raw<Scope>(EVERYWHERE);
	let limiting = $state.raw<Binding | undefined>(undefined);
	let limitTo = $state.raw<Scope>(EVERYWHERE);
	let recorder = $state<Recorder | undefined>(undefined);
	let panel = $state<VerdictPanel | undefined>(undefined);
	let field = $state<HTMLElement | undefined>(undefined);

	const bindings = $derived(workspace.index.of(command.id));
	/** Whether it is one's own, so that it can be proposed to all. */
	const isOwn = ({ stratum }: Binding) =>
		workspace.document.isOpen &&
		workspace.document.layers.some(({ id, person }) => id === stratum && person === workspace.document.me.id);
	const removed = $derived([...workspace.effective.removed.values()].filter((r) => r.binding.command === command.id));
	const findings = $derived((workspace.findings.byCommand.get(command.id) ?? []).slice(0, 40).map(workspace.findings.tell));
	const namesakes = $derived(workspace.document.commands.filter((c) => c.label === command.label && c.id !== command.id));
	const opposite = $derived(command.opposite && workspace.catalogue.get(command.opposite));
	const offer = $derived(oppositeOffer(workspace.index, command.id));
	const isChanged = $derived(workspace.draft.changedCommands.has(command.id));
	const saysHere = $derived([...shortcutsIn(workspace.target).values()].some((e) => e.command === command.id));
	/** An everywhere binding of a command that exists in some contexts alone takes more of the key than it needs. */
	const suggested = $derived(scopeText(scope) === '' ? command.contexts.filter((one) => scopeText(one) !== '').slice(0, 3) : []);
	const kinds = {
		'one-shot': 'runs immediately',
		toggle: 'toggles',
		interactive: 'asks for input on the canvas',
		dialog: 'opens a dialog'
	} as const;

	export function record() {
		recorder?.listen();
		field?.scrollIntoView({ block: 'nearest' });
	}

	async function limit(binding: Binding) {
		if (await edits.limit(binding, limitTo)) limiting = undefined;
	}

	function toneOf(binding: Binding) {
		const own = findings.filter(
			(f) => f.bindings[0]?.key === binding.key || (f.severity === 'error' && f.bindings.some((b) => b.key === binding.key))
		);
		return own.some((f) => f.severity === 'error') ? 'garnet' : own.length > 0 ? 'limonite' : undefined;
	}
</script>

<article class:recording={keys !== undefined}>
	<header>
		<CommandIcon {command} size={26} />
		<div>
			<h1>{command.label}</h1>
			<p class="quiet">{pathText(command)} <span class="mono">{command.id}</span></p>
		</div>
	</header>
	<p>{command.description}</p>
	<p class="facts">
		{kinds[command.kind][0]!.toUpperCase() + kinds[command.kind].slice(1)}{command.nested ? ', also inside another command' : ''}.
		Exists in
		{command.contexts.length === 0 ? 'every context' : command.contexts.map((s) => workspace.space.scopeLabel(s)).join(', ')}.
		{#if opposite}Opposite: <a href="?command={encodeURIComponent(opposite.id)}">{opposite.label}</a>.{/if}
		{#if command.synonyms.length > 0}Also found as {command.synonyms.join(', ')}.{/if}
	</p>
	{#if namesakes.length > 0}
		<p class="facts">
			Commands with the same name: {#each namesakes as other, i (other.id)}{i > 0 ? ', ' : ''}<a
					href="?command={encodeURIComponent(other.id)}">{pathText(other)}</a
				>{/each}.
		</p>
	{/if}

	<section aria-label="Shortcuts">
		<h2>Shortcuts</h2>
		{#each bindings as binding (binding.key)}
			<div class="binding" role="group" aria-label="{readable(binding.keys)}, {workspace.space.scopeLabel(binding.scope)}">
				<StratumChip id={binding.stratum} />
				<KeyCaps keys={binding.keys} tone={toneOf(binding)} />
				<span class="where"
					>{workspace.space.scopeLabel(binding.scope)}{#if binding.lockedBy}<small class="quiet"
							>locked by {workspace.profile.find((s) => s.id === binding.lockedBy)?.name}</small
						>{/if}&#32;<Blame stratum={binding.stratum} chapter={SHORTCUTS} thing={binding.key} /></span
				>
				<span class="acts">
					{#if isOwn(binding)}<Button
							size="xs"
							color="alternative"
							class="act"
							aria-label="Propose {binding.keys} to the office"
							href="/{workspace.document.application.id}/proposals?mine={encodeURIComponent(`shortcuts\n${binding.key}`)}"
							>Propose</Button
						>{/if}
					<Button
						size="xs"
						color="alternative"
						class="act"
						aria-label="Limit {binding.keys} to a scope"
						onclick={() => ((limiting = limiting === binding ? undefined : binding), (limitTo = binding.scope))}>Limit</Button
					>
					{#if workspace.role === 'steward' && (!binding.lockedBy || binding.lockedBy === workspace.targetId)}<Button
							size="xs"
							color="alternative"
							class="act"
							aria-label="{binding.lockedBy ? 'Unlock' : 'Lock'} {binding.keys}"
							title="{binding.lockedBy ? 'Unlock for the levels above' : 'Lock for the levels above'} {workspace.target.name}"
							onclick={() => edits.lock(binding, !binding.lockedBy)}>{binding.lockedBy ? 'Unlock' : 'Lock'}</Button
						>{/if}
					<Button
						size="xs"
						color="alternative"
						class="act"
						aria-label="Remove {binding.keys}"
						onclick={() => edits.remove(binding)}>Remove</Button
					>
				</span>
			</div>
			{#if limiting === binding}
				<div class="limit">
					<ScopePicker scope={limitTo} onchange={(next) => (limitTo = next)} />
					<Button size="xs" class="act" onclick={() => limit(binding)}>Limit to {workspace.space.scopeLabel(limitTo)}</Button>
				</div>
			{/if}
		{:else}
			<p class="quiet none">No shortcuts yet. Press a key below.</p>
		{/each}
		{#each removed as { binding, by } (binding.key)}
			<div class="binding gone" role="group" aria-label="{readable(binding.keys)}, removed">
				<StratumChip id={by} />
				<s><KeyCaps keys={binding.keys} /></s>
				<span class="where"
					>removed in {workspace.profile.find((s) => s.id === by)?.name}
					<Blame stratum={by} chapter={SHORTCUTS} thing={binding.key} /></span
				>
				<span class="acts"
					><Button
						size="xs"
						color="alternative"
						class="act"
						aria-label="Restore {binding.keys}"
						onclick={() => edits.restore(binding)}>Restore</Button
					></span
				>
			</div>
		{/each}
		{#if offer}
			{@const { command: other, has, keys: shifted } = offer}
			<p class="facts">
				{workspace.catalogue.get(has)?.label} has a key, but its opposite has none. {readable(shifted)} is free:
				<button class="linkish" type="button" disabled={workspace.edits.busy} onclick={() => edits.giveOpposite(offer)}
					>{readable(shifted)} for {workspace.catalogue.get(other)?.label}</button
				>
			</p>
		{/if}
		{#each findings as finding (finding.id)}
			<p class="callout {finding.severity === 'error' ? 'tone-garnet' : 'tone-limonite'}">
				<span class="toned" aria-hidden="true">{finding.severity === 'error' ? '◆' : '▲'}</span>
				{finding.sentence}
				<button class="linkish" type="button" onclick={() => workspace.standIn(finding.witness.situation)}>Switch there</button>
			</p>
		{/each}
	</section>

	<section aria-label="New shortcut">
		<h2>New shortcut <small class="quiet">to <StratumChip id={workspace.targetId} named /></small></h2>
		<Recorder
			bind:this={recorder}
			bind:field
			label="Press the key for {command.label}"
			onheard={(heard) => (keys = heard)}
			onaccept={() => panel?.apply()}
			{onleave}
		/>
		{#if keys}
			<VerdictPanel
				bind:this={panel}
				command={command.id}
				{keys}
				{scope}
				onassigned={() => recorder?.clear()}
				onanother={() => (recorder?.clear(), record())}
			/>
			<div class="planes"><span class="quiet">On this key, here</span><Pips key={strokesOf(keys).at(-1)!.key} /></div>
		{/if}
		<ScopePicker {scope} onchange={(next) => (scope = next)} />
		{#if suggested.length > 0}
			<p class="suggested">
				<span class="quiet">Limit to the contexts of the command:</span>
				{#each suggested as one (scopeText(one))}
					<button class="linkish" type="button" onclick={() => (scope = one)}>{workspace.space.scopeLabel(one)}</button>
				{/each}
			</p>
		{/if}
	</section>

	<Ways {command} />

	{#if isChanged || saysHere}
		<footer>
			{#if saysHere}<Button
					size="xs"
					color="alternative"
					onclick={() =>
						void workspace.edits.commit(
							`Clear ${command.label} in ${workspace.target.name}`,
							clearing(workspace.target, (id) => id === command.id)
						)}>Clear in {workspace.target.name}</Button
				>{/if}
			{#if isChanged}<Button size="xs" color="alternative" onclick={() => void edits.backToFactory()}>Reset to default</Button
				>{/if}
		</footer>
	{/if}
</article>

<style>
	article {
		display: grid;
		gap: var(--space-2);
	}
	header {
		display: flex;
		gap: var(--space-2);
		align-items: flex-start;
	}
	/* in a low window the description makes room for what comes of the keys */
	@media (max-height: 760px) {
		.recording > p {
			display: none;
		}
	}
	.facts {
		font-size: var(--dense);
		color: var(--ink-2);
	}
	a {
		color: var(--azurite);
	}
	section {
		display: grid;
		gap: var(--space-2);
		padding-top: var(--space-2);
		border-top: 1px solid var(--line-strong);
	}
	h2 small {
		font-weight: 400;
		font-size: var(--dense);
	}
	.binding {
		display: grid;
		grid-template-columns: 12px auto 1fr auto;
		gap: var(--space-2);
		align-items: center;
		min-height: 32px;
	}
	.where {
		font-size: var(--dense);
		color: var(--ink-2);
		min-width: 0;
	}
	.where small {
		display: block;
		font-size: var(--caption);
	}
	.gone {
		color: var(--ink-3);
	}
	.acts {
		display: flex;
		gap: var(--space-1);
	}
	article :global(.act) {
		padding: 1px var(--space-2);
		height: 24px;
		font-size: var(--caption);
		font-weight: 500;
	}
	.limit {
		display: grid;
		gap: var(--space-2);
		justify-items: start;
		padding: var(--space-2) 0 var(--space-2) var(--space-5);
	}
	.suggested {
		display: flex;
		flex-wrap: wrap;
		gap: 2px var(--space-2);
		font-size: var(--dense);
	}
	.none {
		padding: var(--space-1) 0;
	}
	.planes {
		display: flex;
		justify-content: space-between;
		align-items: center;
		gap: var(--space-2);
		font-size: var(--dense);
	}
	footer {
		display: flex;
		gap: var(--space-2);
		padding-top: var(--space-2);
		border-top: 1px solid var(--line-strong);
	}
</style>
