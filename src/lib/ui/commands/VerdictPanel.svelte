<script lang="ts">
	import { ofShortcuts } from '$core/shortcut/change';
	import { Button, Radio } from 'flowbite-svelte';
	import { choices, type Choice, type ClosedChoice } from '$core/answer/choices';
	import { consequences, type Consequences } from '$core/answer/consequences';
	import { verdict } from '$core/answer/verdict';
	import type { CommandId } from '$core/application/command';
	import type { Scope } from '$core/context/scope';
	import type { Binding } from '$core/shortcut/effective';
	import { readable, type Keys } from '$core/stroke/stroke';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import KeyCaps from '../KeyCaps.svelte';
	import Recorder from '../Recorder.svelte';
	import StratumChip from '../StratumChip.svelte';
	import { bothText, consequenceText, keptText, labelOf, meetingText, situations, verdictText } from '../wording';

	/** What stands in the way of a proposed shortcut, and the ways to go on, each with what it would do. */
	let {
		command,
		keys,
		scope,
		instead,
		onassigned,
		onanother
	}: {
		command: CommandId;
		keys: Keys;
		scope: Scope;
		/** A shortcut of the command that the new one replaces, as when it is moved. */
		instead?: Binding | undefined;
		onassigned: () => void;
		onanother: () => void;
	} = $props();
	const workspace = useWorkspace();
	const SHOWN = 5;
	let moveTo = $state<Keys | undefined>(undefined);
	let picked = $state<Choice['kind'] | undefined>(undefined);

	const found = $derived(verdict(workspace.index, { command, keys, scope }));
	const kept = $derived(workspace.office.kept(keys));
	const keeps = $derived(found.kind === 'free' ? undefined : keptText(keys, kept));
	const headline = $derived(verdictText(workspace.index, found, kept));
	const ways = $derived(choices(workspace.index, workspace.profile, workspace.targetId, found, moveTo, instead));
	const way = $derived<Choice | ClosedChoice | undefined>(
		ways.find((w) => w.kind === picked) ?? ways.find((w) => !isClosed(w)) ?? ways[0]
	);
	/** The verdict stands on screen first; what would change is worked out right after that frame. */
	let preview = $state.raw<Consequences | undefined>(undefined);
	$effect(() => {
		const changes = way && !isClosed(way) ? way.changes : undefined;
		const { index, profile } = workspace;
		const timer = setTimeout(() => (preview = changes && consequences(index, profile, changes)), 60);
		return () => clearTimeout(timer);
	});
	const label = $derived(labelOf(workspace.index, command));

	function isClosed(w: Choice | ClosedChoice): w is ClosedChoice {
		return 'closed' in w;
	}

	export async function apply() {
		if (!way || isClosed(way)) return;
		const said =
			way.kind === 'assign' || way.kind === 'keep-both' || way.kind === 'narrow'
				? `${keys} for ${label}`
				: `${way.label}, for ${label}`;
		if (await workspace.edits.commit(said, ofShortcuts(way.changes))) onassigned();
	}
</script>

<div class="verdict">
	<div class="callout tone-{headline.tone}" role="status">
		<p><strong class="toned"><span aria-hidden="true">{headline.shape}</span></strong> {headline.text}</p>
		{#if keeps}<p class="beside tone-limonite toned">{keeps}</p>{/if}
		{#if found.typed > 0}
			<p class="beside quiet">In {situations(found.typed)} letter keys type text, so this shortcut does not work there.</p>
		{/if}
	</div>

	{#if ways.length > 0}
		{#if ways.length > 1}
			<fieldset>
				<legend class="visually-hidden">Options</legend>
				{#each ways as w (w.kind)}
					<Radio
						name="way"
						value={w.kind}
						group={way?.kind}
						disabled={isClosed(w) && w.kind !== 'move-other'}
						onchange={() => (picked = w.kind)}
					>
						<span
							>{w.label}{#if isClosed(w)}<small class="quiet">&nbsp;{w.closed}</small>{/if}</span
						>
					</Radio>
					{#if w.kind === 'move-other' && w === way}
						<div class="inner">
							<Recorder
								label="New keys for {labelOf(workspace.index, found.meetings[0]!.binding.command)}"
								atOnce
								onheard={(heard) => (moveTo = heard)}
								onaccept={apply}
								onleave={() => (picked = undefined)}
							/>
						</div>
					{/if}
				{/each}
			</fieldset>
		{/if}
		<div class="actions">
			<Button size="sm" disabled={!way || isClosed(way) || workspace.edits.busy} onclick={apply}>
				{way?.kind === 'assign' || !way ? readable(`${way?.label ?? 'Assign'} ${instead ? 'to ' : ''}${keys}`) : way.label}
			</Button>
			<Button size="sm" color="alternative" onclick={onanother}>Choose another key</Button>
		</div>
		{#if preview}
			<div class="preview">
				<h3>Effect</h3>
				<ul>
					{#each preview.changes.slice(0, 6) as consequence, i (i)}
						<li class={consequence.after.kind === 'chooser' || consequence.after.kind === 'undecided' ? 'tone-garnet toned' : ''}>
							{consequenceText(workspace.index, consequence)}
						</li>
					{/each}
					{#if preview.changes.length > 6}<li class="quiet">and {preview.changes.length - 6} more</li>{/if}
					{#if preview.changes.length === 0}<li class="quiet">No shortcut changes its effect.</li>{/if}
					{#each preview.stranded as id (id)}<li class="tone-limonite toned">
							{labelOf(workspace.index, id)} has no shortcut left.
						</li>{/each}
				</ul>
			</div>
		{/if}
	{/if}
	{#if found.meetings.length > 0}
		<section class="why" aria-label="Current use">
			<h3>Current use</h3>
			{#each found.meetings.slice(0, SHOWN) as meeting (meeting.binding.key + meeting.relation)}
				<p class="meeting">
					<StratumChip id={meeting.binding.stratum} /><KeyCaps keys={meeting.binding.keys} />
					<span>{meetingText(workspace.index, found, meeting)}</span>
				</p>
			{/each}
			{#if found.meetings.length > SHOWN}<p class="meeting quiet">and {found.meetings.length - SHOWN} more</p>{/if}
			{#if found.kind === 'meets' && found.meetings.some((m) => m.relation === 'same')}<p class="meeting">
					{bothText(workspace.index)}
				</p>{/if}
		</section>
	{/if}
</div>

<style>
	.verdict {
		display: grid;
		gap: var(--space-2);
	}
	.callout {
		display: grid;
		gap: 6px;
	}
	.beside,
	.meeting {
		font-size: var(--dense);
	}
	.why {
		display: grid;
		gap: 6px;
	}
	.meeting :global(.chip),
	.meeting :global(.keys) {
		margin-right: var(--space-1);
	}
	fieldset {
		border: 0;
		margin: 0;
		padding: 0;
		display: grid;
		gap: 2px;
	}
	fieldset :global(label) {
		font-weight: 500;
		color: var(--ink);
		font-size: var(--body);
		padding: 2px 0;
	}
	small {
		margin-left: var(--space-2);
		font-size: var(--caption);
		font-weight: 400;
	}
	.inner {
		padding: 2px 0 6px var(--space-6);
	}
	h3 {
		font-size: var(--dense);
		color: var(--ink-2);
	}
	ul {
		margin: 2px 0 0;
		padding: 0;
		list-style: none;
		font-size: var(--dense);
	}
	li {
		padding: 2px 0 2px var(--space-3);
		border-left: 2px solid var(--line-strong);
	}
	.actions {
		display: flex;
		gap: var(--space-2);
		flex-wrap: wrap;
	}
</style>
