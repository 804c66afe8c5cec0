<script lang="ts">
	import { Button, Input, Textarea } from 'flowbite-svelte';
	import { page } from '$app/state';
	import { onMount, untrack } from 'svelte';
	import { may } from '$core/people/may';
	import { told } from '$lib/state/api';
	import { ImpactDesk } from '$lib/state/impact-desk.svelte';
	import { ProposalsDesk } from '$lib/state/proposals-desk.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import ImpactTable from '$lib/ui/impact/ImpactTable.svelte';
	import Picker from '$lib/ui/Picker.svelte';
	import OneField from '$lib/ui/people/OneField.svelte';
	import ChangeParts from '$lib/ui/proposals/ChangeParts.svelte';
	import Compose from '$lib/ui/proposals/Compose.svelte';
	import { bandClass } from '$lib/ui/stratum-look';

	const workspace = useWorkspace();
	const desk = new ProposalsDesk(workspace);
	const impact = new ImpactDesk(workspace);
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
	const when = (at: string) => new Date(at).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' });

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

<div class="view">
	<section class="list" aria-label="All proposals">
		<header>
			<h1>Proposals</h1>
			<Button size="xs" onclick={() => (isComposing = !isComposing)} aria-expanded={isComposing}
				>Propose something of mine …</Button
			>
		</header>
		{#if desk.isRead && desk.list.length === 0}<p class="quiet">
				Nobody has proposed anything yet. What you say for yourself can be proposed to the office, a discipline or a project.
			</p>{/if}
		<div class="filter">
			<Input size="sm" type="search" bind:value={desk.words} placeholder="What, why or by whom" aria-label="Find proposals" />
			<Picker
				label="Which proposals"
				items={[
					{ value: 'all', name: 'all' },
					...(may(me, 'review') ? [{ value: 'decide', name: `for me to decide (${desk.toDecide})` }] : []),
					{ value: 'competing', name: `competing (${desk.competing.size})` },
					{ value: 'mine', name: 'mine' }
				]}
				value={desk.filter}
				onpick={(value) => (desk.filter = value as 'all')}
			/>
		</div>
		{#if desk.list.length > 0 && desk.sorted.length === 0}<p class="quiet">No proposal is like that.</p>{/if}
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
								><span class="toned">{proposal.state === 'open' ? '◇ open' : proposal.state}</span></span
							></span
						>
						<span class="quiet">{workspace.nameOf(proposal.person)} to {head?.name ?? proposal.stratum}, {when(proposal.at)}</span
						>{#if desk.competing.has(proposal.id)}<span class="tone-limonite"
								><span class="toned">▲ competes with another</span></span
							>{/if}
					</button>
				</li>
			{/each}
		</ul>
		{#if desk.before !== null}<button class="linkish" type="button" onclick={() => void desk.more()}>Show older ones</button>{/if}
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
					{head?.name} has changed since; the proposal follows it.
					{#if proposal.touched.length > 0}Others have changed meanwhile: {proposal.touched.join(', ')}.{/if}
					{#if proposal.lost.length > 0}Lost: {proposal.lost.join(', ')}.{/if}
				</p>
			{/if}
			{#if desk.competing.has(proposal.id)}
				<p class="callout tone-limonite">
					Others want the same key or name:
					{#each desk.competing.get(proposal.id)! as other (other.id)}<button
							class="linkish"
							type="button"
							onclick={() => desk.choose(other.id)}>{other.label} by {workspace.nameOf(other.person)}</button
						>
					{/each}
				</p>
			{/if}
			<ul class="parts" aria-label="What it changes">
				{#each desk.parts as part, i (i)}
					<li>
						<label>
							{#if decides}<input type="checkbox" checked={!desk.left.has(i)} onchange={() => desk.turn(i)} />{/if}
							<span class={part.sign === '−' ? 'tone-limonite' : 'tone-azurite'}><span class="toned">{part.sign}</span></span>
							{part.text} <span class="quiet">{part.words}</span>
							{#if proposal.state === 'taken'}<span class="quiet"
									>{!proposal.decision?.parts || proposal.decision.parts.includes(i) ? '✓ taken' : 'not taken'}</span
								>{/if}
						</label>
					</li>
				{/each}
			</ul>
			{#if decides && changing === proposal.id}
				<ChangeParts {desk} {proposal} ondone={() => (changing = undefined)} />
			{:else if decides}
				<p><Button size="xs" color="alternative" onclick={() => (changing = proposal.id)}>Change it …</Button></p>
			{/if}
			{#if proposal.decision}
				<p class="callout {proposal.state === 'taken' ? 'tone-epidote' : 'tone-garnet'}">
					{proposal.state} by {workspace.nameOf(proposal.decision.by)}, {when(proposal.decision.at)}{proposal.decision.revision
						? `, as revision ${proposal.decision.revision}`
						: ''}. {proposal.decision.reason}
				</p>
			{/if}
			{#if isOpen}<p>
					<Button size="xs" color="alternative" href="/{workspace.document.application.id}/bench?proposal={proposal.id}"
						>Try it on the bench</Button
					>
				</p>{/if}
			{#if isOpen && may(me, 'survey')}
				{#if impact.progress !== undefined}
					<p class="quiet" role="status">
						Checking everybody’s setups: {Math.round(impact.progress * 100)} % <Button
							size="xs"
							color="alternative"
							onclick={() => impact.stop()}>Stop</Button
						>
					</p>
				{:else if weighed === proposal.id && impact.impact}
					<h3>Whom it touches</h3>
					{#if impact.changes.length === 0 || impact.untouched.length === impact.people.length}<p>
							Nobody: it shows in nobody’s setups.
						</p>{:else}
						<ImpactTable desk={impact} chosen={impact.person} onchoose={(person) => (impact.person = person)} />
						{#if impact.person}
							<ul class="parts">
								{#each impact.of(impact.person).flatMap(({ coming }) => coming) as finding, i (i)}<li>
										{finding.sentence}
									</li>{/each}
								{#each impact.of(impact.person).flatMap(({ going }) => going) as finding, i (i)}<li class="quiet">
										Gone: {finding.sentence}
									</li>{/each}
							</ul>
						{/if}
					{/if}
				{:else}
					<p><Button size="xs" color="alternative" onclick={weigh}>Whom does it touch?</Button></p>
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
							? 'Take it in'
							: `Take ${proposal.changes.length - desk.left.size} of ${proposal.changes.length} parts in`}</Button
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
							aria-label="Why it is declined"
							placeholder="Why it is declined"
							bind:value={reason}
						/>
						<Button type="submit" size="sm" color="alternative" class="shrink-0" disabled={desk.busy || reason.trim().length < 3}
							>Decline</Button
						>
					</form>
				</div>
			{/if}
			{#if isOpen && desk.isMine(proposal)}<p>
					<Button size="xs" color="alternative" disabled={desk.busy} onclick={() => void desk.withdraw(proposal)}
						>Withdraw it</Button
					>
				</p>{/if}
			<h3>What is said of it</h3>
			{#if proposal.comments.length === 0}<p class="quiet">Nothing yet.</p>{/if}
			<ul class="comments">
				{#each proposal.comments as comment, i (i)}<li>
						<b>{workspace.nameOf(comment.by)}</b> <span class="quiet">{when(comment.at)}</span><br />{comment.text}
					</li>{/each}
			</ul>
			<OneField
				label="Say something of it"
				does="Say it"
				most={2000}
				disabled={desk.busy}
				ondone={(text) => desk.comment(proposal, text)}
			/>
		{/if}
	</section>
</div>

<style>
	.filter {
		display: grid;
		grid-template-columns: minmax(0, 1fr) auto;
		gap: 8px;
		margin: 8px 0;
	}
	.view {
		display: grid;
		grid-template-columns: 340px minmax(0, 1fr);
		height: 100%;
	}
	section {
		padding: 16px 18px;
		overflow-y: auto;
	}
	.list {
		background: var(--panel);
		border-right: 1px solid var(--line-strong);
	}
	header {
		display: grid;
		gap: 10px;
		justify-items: start;
		margin-bottom: 12px;
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
		padding: 8px 10px;
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
		gap: 10px;
		justify-content: space-between;
	}
	.one {
		display: flex;
		flex-direction: column;
		gap: 12px;
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
		padding: 5px 0;
		border-top: 1px solid var(--line);
	}
	.parts label {
		display: flex;
		gap: 8px;
		align-items: center;
	}
	.decide,
	.decide form {
		display: flex;
		flex-wrap: wrap;
		gap: 12px;
		align-items: center;
	}
</style>
