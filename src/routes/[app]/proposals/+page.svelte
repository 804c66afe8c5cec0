<script lang="ts">
	import { moment } from '$lib/ui/when';
	import { Button, Input, Textarea } from 'flowbite-svelte';
	import { page } from '$app/state';
	import { onMount, untrack } from 'svelte';
	import { may } from '$core/people/may';
	import { told } from '$lib/state/api';
	import { ImpactDesk } from '$lib/state/impact-desk.svelte';
	import { ProposalsDesk } from '$lib/state/proposals-desk.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import ImpactTable from '$lib/ui/impact/ImpactTable.svelte';
	import ViewActs from '$lib/ui/kit/ViewActs.svelte';
	import Picker from '$lib/ui/Picker.svelte';
	import OneField from '$lib/ui/people/OneField.svelte';
	import ChangeParts from '$lib/ui/proposals/ChangeParts.svelte';
	import Compose from '$lib/ui/proposals/Compose.svelte';
	import NoProposals from '$lib/ui/proposals/NoProposals.svelte';
	import { bandClass } from '$lib/ui/stratum-look';

	const workspace = useWorkspace();
	const desk = new ProposalsDesk(workspace);
	const impact = new ImpactDesk(workspace);
	const STATES = { open: 'open', taken: 'accepted', declined: 'declined', withdrawn: 'withdrawn' } as const;
	let reason = $state('');
	/** Something of one's own that the address speaks of is proposed. */
	const wanted = page.url.searchParams.get('mine') ?? undefined;
	let isComposing = $state(wanted !== undefined);
	/** The proposal that somebody is changing. */
	let changing = $state<number | undefined>(undefined);
	let weighed = $state<number | undefined>(undefined);
	onMount(() => {
		return () => impact.stop();
	});
	// what others propose, decide and say is heard as it happens; what they write moves the places of a proposal
	$effect(() => {
		void [workspace.news.proposals, workspace.revision];
		untrack(() => desk.load().catch((error: unknown) => (workspace.notice = { kind: 'failed', text: told(error) })));
	});
	const { me } = $derived(workspace.document);

	async function decline() {
		if (desk.chosen && (await desk.decline(desk.chosen, reason))) reason = '';
	}
	function weigh() {
		if (!desk.chosen) return;
		weighed = desk.chosen.id;
		const changes = desk.chosen.changes.filter((_, i) => !desk.left.has(i));
		void impact.start({ stratum: desk.chosen.stratum, changes });
	}
</script>

<ViewActs>
	<Button size="sm" onclick={() => (isComposing = !isComposing)} aria-expanded={isComposing}>Propose a change …</Button>
</ViewActs>

<div class="view">
	<section class="list" aria-label="All proposals">
		{#if desk.isRead && desk.list.length === 0}<p class="quiet">
				No proposals yet. You can propose a personal change to the office, a discipline or a project.
			</p>{:else}<div class="filter">
				<Input
					size="sm"
					type="search"
					bind:value={desk.words}
					placeholder="Title, reason or author"
					aria-label="Find proposals"
				/>
				<Picker
					label="Filter proposals"
					items={[
						{ value: 'all', name: 'All' },
						...(may(me, 'review') ? [{ value: 'decide', name: `For me to decide (${desk.toDecide})` }] : []),
						{ value: 'competing', name: `Competing (${desk.competing.size})` },
						{ value: 'mine', name: 'Mine' }
					]}
					value={desk.filter}
					onpick={(value) => (desk.filter = value as 'all')}
				/>
			</div>{/if}
		{#if desk.list.length > 0 && desk.sorted.length === 0}<p class="quiet">
				No proposals match. Change the search or the filter.
			</p>{/if}
		<ul>
			{#each desk.sorted as proposal (proposal.id)}
				{@const head = desk.headOf(proposal.stratum)}
				<li>
					<button
						type="button"
						aria-pressed={!isComposing && proposal.id === desk.chosen?.id}
						onclick={() => ((isComposing = false), desk.choose(proposal.id))}
					>
						<span class="top"
							><b>{proposal.label}</b><span
								class="state {proposal.state === 'open' ? 'tone-fluorite' : proposal.state === 'taken' ? 'tone-epidote' : ''}"
								><span class="toned">{proposal.state === 'open' ? '◇ open' : STATES[proposal.state]}</span></span
							></span
						>
						<span class="quiet"
							>{workspace.nameOf(proposal.person)} to {head?.name ?? proposal.stratum}, {moment(proposal.at)}</span
						>{#if desk.competing.has(proposal.id)}<span class="tone-limonite"
								><span class="toned">▲ competes with another</span></span
							>{/if}
					</button>
				</li>
			{/each}
		</ul>
		{#if desk.before !== null}<button class="linkish" type="button" onclick={() => void desk.more()}>Show older</button>{/if}
	</section>
	<section class="one" aria-label={isComposing ? 'A new proposal' : 'The proposal'}>
		{#if isComposing}
			<Compose {desk} {wanted} ondone={() => (isComposing = false)} />
		{:else if desk.chosen}
			{@const proposal = desk.chosen}
			{@const head = desk.headOf(proposal.stratum)}
			{@const isOpen = proposal.state === 'open'}
			{@const decides = isOpen && may(me, 'review') && desk.mayDecide(proposal)}
			<h2>{proposal.label}</h2>
			<p class="quiet">
				{#if head}<i class={bandClass(head.kind)}></i>{/if}
				Number {proposal.id}, by {workspace.nameOf(proposal.person)}, for {head?.name ?? proposal.stratum}
			</p>
			<p>{proposal.reason}</p>
			{#if proposal.isMoved}
				<p class="callout tone-limonite">
					{head?.name} has changed since. The proposal was updated.
					{#if proposal.touched.length > 0}Changed by others since: {proposal.touched.join(', ')}.{/if}
					{#if proposal.lost.length > 0}No longer possible: {proposal.lost.join(', ')}.{/if}
				</p>
			{/if}
			{#if desk.competing.has(proposal.id)}
				<p class="callout tone-limonite">
					Competing proposals for the same key or name:
					{#each desk.competing.get(proposal.id)! as other (other.id)}<button
							class="linkish"
							type="button"
							onclick={() => desk.choose(other.id)}>{other.label} by {workspace.nameOf(other.person)}</button
						>
					{/each}
				</p>
			{/if}
			<ul class="parts" aria-label="Changes">
				{#each desk.parts as part, i (i)}
					<li>
						<label>
							{#if decides}<input type="checkbox" checked={!desk.left.has(i)} onchange={() => desk.turn(i)} />{/if}
							<span class={part.sign === '−' ? 'tone-limonite' : 'tone-azurite'}><span class="toned">{part.sign}</span></span>
							{part.text} <span class="quiet">{part.words}</span>
							{#if proposal.state === 'taken'}<span class="quiet"
									>{!proposal.decision?.parts || proposal.decision.parts.includes(i) ? '✓ accepted' : 'not accepted'}</span
								>{/if}
						</label>
					</li>
				{/each}
			</ul>
			{#if decides && changing === proposal.id}
				<ChangeParts {desk} {proposal} ondone={() => (changing = undefined)} />
			{:else if decides}
				<p><Button size="xs" color="alternative" onclick={() => (changing = proposal.id)}>Change …</Button></p>
			{/if}
			{#if proposal.decision}
				<p class="callout {proposal.state === 'taken' ? 'tone-epidote' : 'tone-garnet'}">
					{STATES[proposal.state]} by {workspace.nameOf(proposal.decision.by)}, {moment(proposal.decision.at)}{proposal.decision
						.revision
						? `, as revision ${proposal.decision.revision}`
						: ''}. {proposal.decision.reason}
				</p>
			{/if}
			{#if isOpen}<div>
					<Button size="xs" color="alternative" href="/{workspace.document.application.id}/bench?proposal={proposal.id}"
						>Try it on the bench</Button
					>
				</div>{/if}
			{#if isOpen && may(me, 'survey')}
				{#if impact.progress !== undefined}
					<p class="quiet" role="status">
						Checking everyone’s setups: {Math.round(impact.progress * 100)} % <Button
							size="xs"
							color="alternative"
							onclick={() => impact.stop()}>Stop</Button
						>
					</p>
				{:else if weighed === proposal.id && impact.impact}
					<h3>Affected people</h3>
					{#if impact.changes.length === 0 || impact.untouched.length === impact.people.length}<p>
							No one: no setup contains this change.
						</p>{:else}
						<ImpactTable desk={impact} chosen={impact.person} onchoose={(person) => (impact.person = person)} />
						{#if impact.person}
							<ul class="parts">
								{#each impact.of(impact.person).flatMap(({ coming }) => coming) as finding, i (i)}<li>
										{finding.sentence}
									</li>{/each}
								{#each impact.of(impact.person).flatMap(({ going }) => going) as finding, i (i)}<li class="quiet">
										Solved: {finding.sentence}
									</li>{/each}
							</ul>
						{/if}
					{/if}
				{:else}
					<p><Button size="xs" color="alternative" onclick={weigh}>Check who is affected</Button></p>
				{/if}
				{#if impact.problem}<p class="callout tone-garnet" role="alert">{impact.problem}</p>{/if}
			{/if}
			{#if decides}
				<div class="decide">
					<Button
						size="sm"
						disabled={desk.busy || desk.left.size === proposal.changes.length}
						onclick={() => void desk.take(proposal)}
						>{desk.left.size === 0
							? 'Accept'
							: `Accept ${proposal.changes.length - desk.left.size} of ${proposal.changes.length} parts`}</Button
					>
					<form
						onsubmit={(event) => {
							event.preventDefault();
							void decline();
						}}
					>
						<Textarea
							rows={1}
							class="w-64"
							aria-label="Reason for declining"
							placeholder="Reason for declining"
							bind:value={reason}
						/>
						<Button type="submit" size="sm" color="alternative" class="shrink-0" disabled={desk.busy || reason.trim().length < 3}
							>Decline</Button
						>
					</form>
				</div>
			{/if}
			{#if isOpen && desk.isMine(proposal)}<p>
					<Button size="xs" color="alternative" disabled={desk.busy} onclick={() => void desk.withdraw(proposal)}>Withdraw</Button
					>
				</p>{/if}
			<h3>Comments</h3>
			{#if proposal.comments.length === 0}<p class="quiet">No comments yet.</p>{/if}
			<ul class="comments">
				{#each proposal.comments as comment, i (i)}<li>
						<b>{workspace.nameOf(comment.by)}</b> <span class="quiet">{moment(comment.at)}</span><br />{comment.text}
					</li>{/each}
			</ul>
			<OneField
				label="Add a comment"
				does="Post"
				most={2000}
				disabled={desk.busy}
				ondone={(text) => desk.comment(proposal, text)}
			/>
		{:else if desk.isRead && desk.list.length === 0}
			<NoProposals level={desk.targets[0]?.name ?? 'the office'} />
		{/if}
	</section>
</div>

<style>
	.filter {
		display: grid;
		grid-template-columns: minmax(0, 1fr) auto;
		gap: var(--space-2);
		margin: var(--space-2) 0;
	}
	.view {
		display: grid;
		grid-template-columns: 340px minmax(0, 1fr);
		height: 100%;
	}
	section {
		padding: var(--space-4) var(--space-4);
		overflow-y: auto;
	}
	.list {
		background: var(--panel);
		border-right: 1px solid var(--line-strong);
	}
	ul {
		margin: 0;
		padding: 0;
		list-style: none;
	}
	.list li button {
		display: grid;
		gap: 2px;
		width: 100%;
		padding: var(--space-2) var(--space-2);
		border: 0;
		border-left: 4px solid transparent;
		border-top: 1px solid var(--line);
		background: none;
		color: var(--ink);
		text-align: left;
	}
	.list li button[aria-pressed='true'] {
		border-left-color: var(--azurite);
		background: var(--ground);
	}
	.state {
		white-space: nowrap;
	}
	.top {
		display: flex;
		gap: var(--space-2);
		justify-content: space-between;
	}
	.one {
		display: flex;
		flex-direction: column;
		gap: var(--space-3);
	}
	.one i {
		display: inline-block;
		width: 14px;
		height: 14px;
		border-radius: 7px;
		vertical-align: -2px;
	}
	.one p {
		max-width: 80ch;
	}
	.parts li,
	.comments li {
		padding: var(--space-1) 0;
		border-top: 1px solid var(--line);
	}
	.parts label {
		display: flex;
		gap: var(--space-2);
		align-items: center;
	}
	/* in sight while the proposal is longer than the page */
	.decide {
		position: sticky;
		bottom: -16px;
		padding: var(--space-2) 0;
		border-top: 1px solid var(--line);
		background: var(--ground);
	}
	.decide,
	.decide form {
		display: flex;
		flex-wrap: wrap;
		gap: var(--space-3);
		align-items: center;
	}
</style>
