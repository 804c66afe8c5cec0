<script lang="ts">
	import { Button, Radio } from 'flowbite-svelte';
	import { consequences } from '$core/answer/consequences';
	import { acceptable, isAccepted } from '$core/check/acceptance';
	import type { Circumstances } from '$core/check/circumstances';
	import { fixAll, type FixAll } from '$core/check/fix-all';
	import { fixesOf } from '$core/check/fixes';
	import type { Finding, Told } from '$core/check/finding';
	import { CHECK_RULES } from '$core/check/rules/rules';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import KeyCaps from '../KeyCaps.svelte';
	import StratumChip from '../StratumChip.svelte';
	import { consequenceText, labelOf, situations } from '../wording';
	import LetStand from './LetStand.svelte';
	import { SIGNS } from './severity';
	import SmallBench from './SmallBench.svelte';

	/** One finding: what it is, the proof, the ways out, and how to let it stand. */
	let {
		told,
		circumstances,
		alike,
		onsettled
	}: {
		told: Told;
		circumstances: Circumstances;
		/** The open findings of the same rule, this one among them. */
		alike: readonly Finding[];
		onsettled: () => void;
	} = $props();
	const workspace = useWorkspace();
	const { index } = $derived(circumstances);
	const pen = $derived({ profile: workspace.profile, target: workspace.targetId });
	const fixes = $derived(fixesOf(circumstances, told, pen));
	let picked = $state(0);
	const fix = $derived(fixes[picked] ?? fixes[0]);
	const preview = $derived(fix && consequences(index, workspace.profile, fix.changes));
	const sign = $derived(SIGNS[told.severity]);
	const accepted = $derived(isAccepted(index.effective, told));
	let all = $state.raw<FixAll | undefined>(undefined);
	let form = $state<HTMLElement | undefined>(undefined);

	$effect(() => {
		void told.id;
		picked = 0;
		all = undefined;
	});

	export function applyFix(at = picked) {
		const chosen = fixes[at];
		if (!chosen) return;
		void workspace.commit(chosen.label, chosen.changes).then((stored) => stored && onsettled());
	}

	export function focusFixes() {
		form?.querySelector<HTMLElement>('input, button')?.focus();
	}

	const lookAtAll = () => (all = fix && fixAll(circumstances, alike, fix.kind, pen));

	async function applyAll() {
		if (!all || !fix) return;
		const label = `${all.steps.length} × ${CHECK_RULES[told.rule].title.toLowerCase()}: ${fix.kind}`;
		if (await workspace.commit(label, all.changes)) onsettled();
	}
</script>

<article>
	<header>
		<p class="tone-{sign.tone} kind">
			<span class="toned" aria-hidden="true">{sign.shape}</span>
			{CHECK_RULES[told.rule].title}
			<span class="quiet">{told.rule}, {sign.name}</span>
		</p>
		<h1>{told.sentence}</h1>
		<p class="quiet">
			{#if told.count > 0}Shows in {situations(told.count)}.{/if}
			<a href="/{workspace.document.application.id}/commands?command={encodeURIComponent(told.command)}"
				>Card of {labelOf(index, told.command)}</a
			>
			{#if told.witness.keys}<a href="/{workspace.document.application.id}/bench?finding={encodeURIComponent(told.id)}"
					>Replay on the bench</a
				>{/if}
		</p>
	</header>

	<div class="halves">
		<section aria-label="Ways out" bind:this={form}>
			<h2>Ways out <small class="quiet">written to <StratumChip id={workspace.targetId} named /></small></h2>
			{#if accepted}<LetStand finding={acceptable(told)} sentence={told.sentence} effective={index.effective} />{/if}
			{#if all}
				<p><strong>{all.steps.length} edits</strong> would mend {all.steps.length} of {alike.length} findings like this:</p>
				<ol class="all">
					{#each all.steps.slice(0, 30) as step, i (i)}<li>{step.fix.label}</li>{/each}
				</ol>
				{#if all.steps.length > 30}<p class="quiet">and {all.steps.length - 30} more</p>{/if}
				{#if all.left.length > 0}<p class="quiet">{all.left.length} have no sound way of this kind and stay.</p>{/if}
				<div class="acts">
					<Button size="sm" disabled={all.steps.length === 0 || workspace.busy} onclick={applyAll}
						>Apply all {all.steps.length}</Button
					>
					<Button size="sm" color="alternative" onclick={() => (all = undefined)}>Back</Button>
				</div>
			{:else if fixes.length > 0}
				<fieldset>
					<legend class="visually-hidden">Ways out</legend>
					{#each fixes as way, i (i)}
						<Radio name="fix" value={i} group={picked} onchange={() => (picked = i)}
							>{#if i < 9}<kbd aria-hidden="true">{i + 1}</kbd>{/if}<span>{way.label}</span></Radio
						>
					{/each}
				</fieldset>
				{#if preview}
					<h3>What changes</h3>
					<ul class="preview">
						{#each preview.changes.slice(0, 5) as consequence, i (i)}<li>{consequenceText(index, consequence)}</li>{:else}
							<li class="quiet">No input does anything else than now.</li>
						{/each}
						{#if preview.changes.length > 5}<li class="quiet">and {preview.changes.length - 5} more</li>{/if}
						{#each preview.stranded as id (id)}<li class="tone-limonite toned">
								{labelOf(index, id)} is left without a shortcut.
							</li>{/each}
					</ul>
				{/if}
				<div class="acts">
					<Button size="sm" disabled={workspace.busy} onclick={() => applyFix()}>Apply</Button>
					{#if alike.length > 1}<Button size="sm" color="alternative" onclick={lookAtAll}
							>Fix all {alike.length} like this…</Button
						>{/if}
				</div>
			{:else}
				<p class="quiet">
					No way out can be written to {workspace.target.name} that removes it and breaks nothing else. Write to another stratum, or
					let it stand.
				</p>
			{/if}
			{#if !accepted}
				<div class="accept">
					<h3>Or let it stand</h3>
					<LetStand finding={acceptable(told)} sentence={told.sentence} effective={index.effective} {onsettled} />
				</div>
			{/if}
		</section>
		<section aria-label="Proof">
			<h2>
				Proof {#if told.witness.keys}<KeyCaps keys={told.witness.keys} />{/if}
			</h2>
			<SmallBench witness={told.witness} {index} />
		</section>
	</div>
</article>

<style>
	article {
		padding: 16px 18px;
	}
	.kind {
		font-size: 13px;
		font-weight: 600;
	}
	h1 {
		margin: 4px 0 6px;
		font-size: 18px;
		line-height: 1.3;
	}
	header a {
		margin-left: 10px;
		color: var(--azurite);
	}
	.halves {
		display: grid;
		grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
		gap: 22px;
		margin-top: 14px;
	}
	h2 {
		display: flex;
		gap: 8px;
		align-items: center;
		margin-bottom: 8px;
	}
	h2 small {
		font-weight: 400;
		font-size: 13px;
	}
	h3 {
		margin-top: 10px;
		font-size: 13px;
		color: var(--ink-2);
	}
	fieldset {
		display: grid;
		gap: 5px;
		margin: 0;
		padding: 0;
		border: 0;
	}
	fieldset :global(label) {
		font-weight: 500;
		font-size: 13.5px;
		color: var(--ink);
		align-items: flex-start;
	}
	kbd {
		margin-right: 6px;
		padding: 0 5px;
		border: 1px solid var(--line-strong);
		border-radius: 3px;
		font-family: var(--font);
		font-size: 12px;
		color: var(--ink-3);
	}
	.preview,
	.all {
		margin: 3px 0 0;
		padding: 0;
		list-style: none;
		font-size: 13px;
	}
	.all {
		max-height: 220px;
		overflow-y: auto;
	}
	.preview li,
	.all li {
		padding: 2px 0 2px 12px;
		border-left: 2px solid var(--line-strong);
	}
	.acts {
		display: flex;
		flex-wrap: wrap;
		gap: 8px;
		margin-top: 10px;
	}
	.accept {
		margin-top: 18px;
		padding-top: 12px;
		border-top: 1px solid var(--line);
	}
	.accept h3 {
		margin: 0 0 8px;
	}
	@media (max-width: 1180px) {
		.halves {
			grid-template-columns: 1fr;
		}
	}
</style>
