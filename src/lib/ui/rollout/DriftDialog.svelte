<script lang="ts">
	import { counted } from '$core/text/counted';
	import { Button, Checkbox, Modal } from 'flowbite-svelte';
	import { soundOf } from '$core/profile/problems';
	import { rebased } from '$core/profile/rebase';
	import { driftOf, type DriftItem } from '$core/hand-over/drift';
	import { strataInFile } from '$core/hand-over/profile-file';
	import type { DriftBeside } from '$core/release/release';
	import type { Profile } from '$core/strata/stratum';
	import { listed } from '$core/text/listed';
	import { ask } from '$lib/state/api';
	import type { RolloutSeat } from '$lib/state/rollout-desk.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import { chapterOf } from '$core/profile/chapters';

	/** What the file of a seat says otherwise than it was given, entry by entry: the office takes it over, or it is laid anew. */
	let {
		at,
		sits,
		onanew,
		onclose
	}: {
		at: RolloutSeat;
		/** User, with which setup; empty for nobody. */
		sits: string;
		onanew: () => void;
		onclose: () => void;
	} = $props();
	const workspace = useWorkspace();
	// the seat is read anew all the time; what it says then is not what is looked at
	// svelte-ignore state_referenced_locally
	const [seat, release] = [at.id, at.report?.release ?? null];
	// svelte-ignore state_referenced_locally
	const who = sits;
	const given = [...(release === null ? [] : [`release ${release}`]), ...(who ? [`the personal changes of ${who}`] : [])].join(
		' with '
	);
	let open = $state(true);
	let items = $state.raw<readonly DriftItem[] | undefined>(undefined);
	let base = $state.raw<Profile>([]);
	let isOfSeveral = $state(false);
	let chosen = $state.raw<ReadonlySet<DriftItem>>(new Set());
	let problem = $state('');
	const office = $derived(workspace.profile.find((s) => s.kind === 'office'));
	const wanted = $derived((items ?? []).filter((item) => chosen.has(item)).map(({ change }) => change));
	const SIGNS = { added: '+', changed: '≠', removed: '−' } as const;

	/** Whether the setup that is looked at has the stratum that would say it. */
	const isInReach = ({ change }: DriftItem) => workspace.profile.some(({ id }) => id === change.stratum);

	async function look() {
		const [drift] = await Promise.all([
			ask<DriftBeside>(`/api/seats/${seat}/drift`),
			// a file may hold texts of any shape
			import('$core/recipe/shapes/all')
		]);
		const laid = strataInFile(`the files that were installed at ${seat}`, drift.laid);
		isOfSeveral = laid.length > 1;
		base = workspace.profile.map((s) => ({ ...s, contents: (laid.find(({ id }) => id === s.id) ?? s).contents }));
		items = driftOf(`interface.json of ${seat}`, drift.text, laid, workspace.draft.names);
		chosen = new Set(items.filter(isInReach));
	}
	look().catch((error: unknown) => (problem = (error as Error).message));

	function choose(item: DriftItem, isIn: boolean) {
		const next = new Set(chosen);
		if (isIn) next.add(item);
		else next.delete(item);
		chosen = next;
	}

	/** Proposes what was edited locally to the strata of the office that would say it, instead of writing it. */
	async function propose() {
		const { profile, subject, path, revision } = workspace;
		const { sound } = soundOf(subject, profile, rebased(profile, wanted, base).changes);
		if (sound.length === 0)
			return void (problem = 'There is nothing to propose: the levels already contain these changes, or cannot contain them.');
		const strata = [...new Set(sound.map((change) => change.stratum))];
		const named = strata.map((id) => profile.find((one) => one.id === id)?.name ?? id);
		try {
			for (const stratum of strata)
				await ask(`${path}/proposals`, 'POST', {
					...{ stratum, base: revision, changes: sound.filter((change) => change.stratum === stratum) },
					...{ label: `Local edits at ${seat}`, reason: `Found as a local edit at ${seat}.` }
				});
			workspace.notice = { kind: 'done', text: `Proposed to ${listed(named)}: local edits at ${seat}` };
			onclose();
		} catch (error) {
			problem = (error as Error).message;
		}
	}

	async function adopt() {
		const { profile, subject } = workspace;
		const { changes, lost, conflicts } = rebased(profile, wanted, base);
		const { sound, stays } = soundOf(subject, profile, changes);
		const isDone = await workspace.edits.commit(`Adopt from ${seat}: ${counted(wanted.length, 'local edit')}`, sound);
		if (!isDone) return;
		const open = [...lost, ...stays, ...conflicts.map(() => 'text that the office has changed in the same lines')];
		if (open.length > 0) workspace.notice = { kind: 'failed', text: `Not adopted: ${open.join('; ')}.` };
		onclose();
	}
</script>

<Modal
	bind:open
	title="{seat}: local edits"
	aria-label="{seat}: local edits"
	size="md"
	{onclose}
	classes={{ body: 'p-4 md:p-4 space-y-3', header: 'p-4 md:p-4' }}
>
	{#if problem}
		<p class="callout tone-garnet" role="alert">{problem}</p>
	{:else if !items}
		<p class="quiet" role="status">Reading the file of {seat} …</p>
	{:else if items.length === 0}
		<p>The file has the same content as the release; only its format or order differs.</p>
	{:else}
		<p>
			{counted(items.length, 'difference')} from {given}. Adopted changes become an edit of {isOfSeveral
				? 'the level that contains the item'
				: (office?.name ?? 'the office')} and are part of the next release.
		</p>
		<ul>
			{#each items as item (item)}
				<li>
					<Checkbox
						checked={chosen.has(item)}
						disabled={!isInReach(item)}
						onchange={(event) => choose(item, (event.currentTarget as HTMLInputElement).checked)}
					>
						<span class="sign" title={item.kind}>{SIGNS[item.kind]}</span>
						<span>{item.about}</span>
						<small class="quiet"
							>{chapterOf(item.chapter).words.one}
							{item.kind}{#if isOfSeveral}, {item.stratum}{/if}{#if !isInReach(item)}: switch to a setup that contains it{/if}</small
						>
					</Checkbox>
				</li>
			{/each}
		</ul>
	{/if}
	{#snippet footer()}
		<Button
			color="alternative"
			onclick={() => {
				onanew();
				onclose();
			}}>Reinstall {release === null ? 'the release' : `release ${release}`}</Button
		>
		{#if items && items.length > 0}
			<Button disabled={chosen.size === 0 || workspace.role !== 'steward' || workspace.edits.busy} onclick={adopt}
				>Adopt {chosen.size === items.length ? 'all' : chosen.size}</Button
			>
			{#if workspace.document.isOpen}<Button color="alternative" disabled={chosen.size === 0} onclick={() => void propose()}
					>Propose</Button
				>{/if}
			{#if workspace.role !== 'steward'}<span class="small"
					>Only stewards can adopt: <button type="button" class="linkish" onclick={() => office && workspace.writeTo(office.id)}
						>switch to Office</button
					></span
				>{/if}
		{/if}
	{/snippet}
</Modal>

<style>
	ul {
		max-height: 46dvh;
		margin: 0;
		padding: 0;
		overflow: auto;
		list-style: none;
	}
	li {
		padding: 6px 0;
		border-top: 1px solid var(--line);
	}
	.sign {
		display: inline-block;
		width: 18px;
		font-family: var(--mono);
		text-align: center;
	}
	small {
		margin-left: var(--space-2);
	}
	.small {
		font-size: var(--dense);
	}
</style>
