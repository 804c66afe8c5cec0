<script lang="ts">
	import { Button, Radio } from 'flowbite-svelte';
	import { consequences } from '$core/answer/consequences';
	import type { Change } from '$core/shortcut/change';
	import { SHORTCUTS } from '$core/shortcut/entry';
	import { isAccepted } from '$core/check/acceptance';
	import type { AnyFinding, Looking } from '$core/check/finding';
	import { differencesBetween } from '$core/profile/differences';
	import { applyEdit } from '$core/profile/edit';
	import { captionText } from '$core/chapter/keyed';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import KeyCaps from '../KeyCaps.svelte';
	import StratumChip from '../StratumChip.svelte';
	import { consequenceText, labelOf, situations } from '../wording';
	import LetStand from './LetStand.svelte';
	import BarProof from './BarProof.svelte';
	import MacroProof from './MacroProof.svelte';
	import MendAll from './MendAll.svelte';
	import { SIGNS } from './severity';
	import SmallBench from './SmallBench.svelte';
	import TypedProof from './TypedProof.svelte';

	/** One finding: what it is, the proof, the ways out, and how to let it stand. */
	let {
		finding,
		looking,
		alike,
		isCurrent,
		onsettled
	}: {
		finding: AnyFinding;
		/** What the finding was found in. */
		looking: Looking;
		/** The open findings of the same rule, this one among them. */
		alike: readonly AnyFinding[];
		/** Whether it is found in the profile as it is now; nothing is done about one that may be gone. */
		isCurrent: boolean;
		onsettled: () => void;
	} = $props();
	const workspace = useWorkspace();
	const circumstances = $derived(looking.circumstances);
	const { index } = $derived(circumstances);
	const pen = $derived({ profile: workspace.profile, target: workspace.targetId });
	const sentence = $derived(finding.sentence());
	const count = $derived(finding.count());
	const acceptable = $derived(finding.acceptable());
	const fixes = $derived(isCurrent ? finding.fixes(pen) : []);
	let picked = $state(0);
	const fix = $derived(fixes[picked] ?? fixes[0]);
	const ofKeys = $derived(fix ? (fix.changes.filter((c) => c.chapter === SHORTCUTS) as unknown as Change[]) : []);
	const preview = $derived(ofKeys.length > 0 ? consequences(index, workspace.profile, ofKeys) : undefined);
	/** What the way out makes otherwise, where it is not about keys. */
	const differs = $derived(
		fix && ofKeys.length === 0
			? differencesBetween(workspace.profile, applyEdit(workspace.profile, fix.changes), workspace.draft.names)
			: []
	);
	const sign = $derived(SIGNS[finding.severity]);
	const accepted = $derived(isAccepted(circumstances.accepted, acceptable));
	const home = $derived(`/${workspace.document.application.id}`);
	let isMendingAll = $state(false);
	let form = $state<HTMLElement | undefined>(undefined);

	$effect(() => {
		void finding.id;
		picked = 0;
		isMendingAll = false;
	});

	export function applyFix(at = picked) {
		const chosen = fixes[at];
		if (!chosen) return;
		void workspace.edits.commit(chosen.label, chosen.changes).then((stored) => stored && onsettled());
	}

	export function focusFixes() {
		form?.querySelector<HTMLElement>('input, button')?.focus();
	}
</script>

<article>
	<header>
		<p class="tone-{sign.tone} kind">
			<span class="toned" aria-hidden="true">{sign.shape}</span>
			{finding.title}
			<span class="quiet">{finding.rule}, {sign.name}</span>
		</p>
		<h1>{sentence}</h1>
		<p class="quiet">
			{#if count > 0}Shows in {situations(count)}.{/if}
			{#if index.catalogue.has(finding.command)}<a href="{home}/commands?command={encodeURIComponent(finding.command)}"
					>Show {labelOf(index, finding.command)}</a
				>{/if}
			{#if finding.witness.kind === 'keys'}<a href="{home}/bench?finding={encodeURIComponent(finding.id)}">Replay on the bench</a>
			{:else if finding.witness.kind === 'typed'}<a href="{home}/aliases">Show line {finding.witness.line} in the file</a>
			{:else if finding.witness.kind === 'option'}<a href="{home}/options">Show in Options</a>
			{:else if finding.witness.kind === 'mode'}<a href="{home}/bars?modes">Show in Toolbars, Modes</a>
			{:else if finding.witness.kind === 'bar'}<a href="{home}/bars?item={encodeURIComponent(finding.witness.item)}"
					>Show in Toolbars</a
				>
			{:else if finding.witness.kind === 'macro'}<a href="{home}/macros?macro={encodeURIComponent(finding.witness.macro)}"
					>Show in Macros</a
				>{/if}
		</p>
	</header>

	<div class="halves">
		<section aria-label="Fixes" bind:this={form}>
			<h2>Fixes <small class="quiet">in <StratumChip id={workspace.targetId} named /></small></h2>
			{#if accepted}<LetStand finding={acceptable} {sentence} acceptances={circumstances.accepted} />{/if}
			{#if isMendingAll && fix}
				<MendAll findings={alike} kind={fix.kind} {looking} {onsettled} onclose={() => (isMendingAll = false)} />
			{:else if fixes.length > 0}
				<fieldset>
					<legend class="visually-hidden">Fixes</legend>
					{#each fixes as way, i (i)}
						<Radio name="fix" value={i} group={picked} onchange={() => (picked = i)}
							>{#if i < 9}<kbd aria-hidden="true">{i + 1}</kbd>{/if}<span>{way.label}</span></Radio
						>
					{/each}
				</fieldset>
				{#if preview}
					<h3>Effect</h3>
					<ul class="preview">
						{#each preview.changes.slice(0, 5) as consequence, i (i)}<li>{consequenceText(index, consequence)}</li>{:else}
							<li class="quiet">No shortcut changes its effect.</li>
						{/each}
						{#if preview.changes.length > 5}<li class="quiet">and {preview.changes.length - 5} more</li>{/if}
						{#each preview.stranded as id (id)}<li class="tone-limonite toned">
								{labelOf(index, id)} has no shortcut left.
							</li>{/each}
					</ul>
				{/if}
				{#if differs.length > 0}
					<h3>Effect</h3>
					<ul class="preview">
						{#each differs.slice(0, 5) as { id, kind, caption } (id)}<li>
								{captionText(caption)}
								{kind === 'removed' ? 'goes' : kind === 'added' ? 'comes' : 'changes'}
							</li>{/each}
					</ul>
				{/if}
				<div class="acts">
					<Button size="sm" disabled={workspace.edits.busy} onclick={() => applyFix()}>Apply</Button>
					{#if alike.length > 1}<Button size="sm" color="alternative" onclick={() => (isMendingAll = true)}
							>Fix all {alike.length} like this…</Button
						>{/if}
				</div>
			{:else if !isCurrent}
				<p class="quiet" role="status">Checking again after a change.</p>
			{:else}
				<p class="quiet">
					No fix in {workspace.target.name} solves this without breaking something else. Edit another level, or accept the finding.
				</p>
			{/if}
			{#if !accepted}
				<div class="accept">
					<h3>Accept</h3>
					<LetStand finding={acceptable} {sentence} acceptances={circumstances.accepted} {onsettled} />
				</div>
			{/if}
		</section>
		<section aria-label="Proof">
			<h2>
				Proof {#if finding.witness.kind === 'keys'}<KeyCaps keys={finding.witness.keys} />{/if}
			</h2>
			{#if finding.witness.kind === 'typed'}
				<TypedProof text={finding.witness.text} {index} profile={workspace.profile} />
			{:else if finding.witness.kind === 'option'}
				<p class="mono">{finding.witness.path}</p>
			{:else if finding.witness.kind === 'bar'}
				<BarProof item={finding.witness.item} situation={finding.witness.situation} />
			{:else if finding.witness.kind === 'macro'}
				<MacroProof macro={finding.witness.macro} step={finding.witness.step} {index} profile={workspace.profile} />
			{:else}
				<SmallBench
					witness={{
						keys: finding.witness.kind === 'keys' ? finding.witness.keys : undefined,
						situation: finding.witness.situation
					}}
					{index}
				/>
			{/if}
		</section>
	</div>
</article>

<style>
	article {
		padding: var(--space-4) var(--space-4);
	}
	.kind {
		font-size: var(--dense);
		font-weight: 600;
	}
	h1 {
		margin: var(--space-1) 0 6px;
		font-size: var(--heading);
		line-height: 1.3;
	}
	header a {
		margin-left: var(--space-2);
		color: var(--azurite);
	}
	.halves {
		display: grid;
		grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
		gap: var(--space-6);
		margin-top: var(--space-3);
	}
	h2 {
		display: flex;
		gap: var(--space-2);
		align-items: center;
		margin-bottom: var(--space-2);
	}
	h2 small {
		font-weight: 400;
		font-size: var(--dense);
	}
	h3 {
		margin-top: var(--space-2);
		font-size: var(--dense);
		color: var(--ink-2);
	}
	fieldset {
		display: grid;
		gap: var(--space-1);
		margin: 0;
		padding: 0;
		border: 0;
	}
	fieldset :global(label) {
		font-weight: 500;
		font-size: var(--body);
		color: var(--ink);
		align-items: flex-start;
	}
	kbd {
		margin-right: 6px;
		padding: 0 var(--space-1);
		border: 1px solid var(--line-strong);
		border-radius: 3px;
		font-family: var(--font);
		font-size: var(--caption);
		color: var(--ink-3);
	}
	.preview {
		margin: 3px 0 0;
		padding: 0;
		list-style: none;
		font-size: var(--dense);
	}
	.preview li {
		padding: 2px 0 2px var(--space-3);
		border-left: 2px solid var(--line-strong);
	}
	.acts {
		display: flex;
		flex-wrap: wrap;
		gap: var(--space-2);
		margin-top: var(--space-2);
	}
	.accept {
		margin-top: var(--space-4);
		padding-top: var(--space-3);
		border-top: 1px solid var(--line);
	}
	.accept h3 {
		margin: 0 0 var(--space-2);
	}
	@media (max-width: 1180px) {
		.halves {
			grid-template-columns: 1fr;
		}
	}
</style>
