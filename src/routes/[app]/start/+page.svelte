<script lang="ts">
	import { Button } from 'flowbite-svelte';
	import { onMount } from 'svelte';
	import { SEVERITIES } from '$core/check/severity';
	import { countsOf } from '$core/check/groups';
	import type { Seat, SeatState } from '$core/release/release';
	import { ask } from '$lib/state/api';
	import { invalidate } from '$app/navigation';
	import { isFor, type Setup } from '$core/people/setup';
	import { SetupsDesk } from '$lib/state/setups.svelte';
	import { Visits } from '$lib/state/visits.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import { SIGNS } from '$lib/ui/findings/severity';
	import { JOBS } from '$lib/ui/start/jobs';

	const workspace = useWorkspace();
	const { id, name, version } = workspace.document.application;
	const visits = new Visits(id);
	let seats = $state.raw<readonly (Seat & { state: SeatState })[]>([]);
	let isWalking = $state(false);
	let walk = $state<HTMLElement | undefined>(undefined);

	const setups = new SetupsDesk(workspace, () => invalidate('skarn:setup'));
	/** Setups that the office recommends to people like oneself, and that one has not got yet. */
	const offered = $derived(
		setups.others.filter(
			(setup) =>
				(setup.isRecommended || setup.isRequired) &&
				(!setup.audience || isFor(setup.audience, workspace.document.me)) &&
				!setups.mine.some(({ name }) => name === setup.name)
		)
	);
	async function takeUp(setup: Setup) {
		if (await setups.make(setup.name, setup, false)) await setups.load();
	}

	const counts = $derived(countsOf(workspace.findings.ofAll));
	const behind = $derived(seats.filter((s) => !['current', 'never', 'hidden'].includes(s.state)));
	const unheard = $derived(seats.filter((s) => s.state === 'never').length);
	const since = $derived(visits.seen === undefined ? [] : workspace.history.filter((e) => e.revision > visits.seen!));
	/** Changes that are told one by one. */
	const MOST_TOLD = 4;

	onMount(() => {
		// a window that is closed says no farewell
		Visits.see(id, workspace.revision);
		void setups.load().catch(() => undefined);
		void ask<{ seats: (Seat & { state: SeatState })[] }>(`${workspace.path}/seats`)
			.then((found) => (seats = found.seats))
			.catch(() => undefined);
		return () => Visits.see(id, workspace.revision);
	});
</script>

<div class="view">
	<section aria-label="Jobs">
		<header>
			<h1>What do you want to do with {name}?</h1>
			<p class="quiet">
				Skarn shapes how a program takes keys, typed names, macros and options, proves that nothing clashes, and hands the result
				to the people who work with it. Nothing here is more than one undo away.
			</p>
			<p bind:this={walk}>
				<Button size="sm" color="alternative" onclick={() => (isWalking = true)}>Take the walk, seven steps</Button>
			</p>
		</header>
		<ol>
			{#each JOBS as { said, how, to } (to)}
				<li><a href={to.startsWith('/') ? to : `/${id}/${to}`}><b>{said}</b><span class="quiet">{how}</span></a></li>
			{/each}
		</ol>
	</section>
	<aside aria-label="What stands">
		<h2>What stands</h2>
		<ul class="stands">
			<li>
				<a href="/{id}/findings">Findings</a>
				<span class="counts"
					>{#each SEVERITIES as s (s)}<span class="tone-{SIGNS[s].tone}"
							><span class="toned">{SIGNS[s].shape} {counts[s]}</span> {counts[s] === 1 ? SIGNS[s].name : SIGNS[s].names}</span
						>{/each}</span
				>
			</li>
			<li>
				<b>Draft</b>
				<span
					>{workspace.draft.againstFactory.length} against factory{workspace.draft.againstRelease
						? `, ${workspace.draft.againstRelease.length} against release ${workspace.channel}`
						: '; nothing is published yet'}</span
				>
			</li>
			<li>
				<a href="/{id}/rollout">Seats</a>
				<span
					>{seats.length === 0
						? 'None follow this program.'
						: behind.length > 0
							? behind.map((s) => `${s.id} is ${s.state}`).join(', ')
							: unheard === 0
								? `All ${seats.length} are as they should be.`
								: `${unheard} of ${seats.length} not heard of yet; nothing is wrong with the others.`}</span
				>
			</li>
		</ul>
		{#if offered.length > 0}
			<h2>Recommended to you</h2>
			<ul>
				{#each offered as setup (setup.id)}<li>
						<b>{setup.name}</b>
						<span class="quiet"
							>{setup.isRequired ? 'what is in it is required' : 'a setup'}, by {workspace.nameOf(setup.person)}</span
						>
						<button class="linkish" type="button" disabled={setups.busy} onclick={() => void takeUp(setup)}>Use it</button>
					</li>{/each}
			</ul>
			{#if setups.said}<p class="callout tone-garnet" role="alert">{setups.said}</p>{/if}
		{/if}
		<h2>Since you were here</h2>
		{#if visits.seen === undefined}<p class="quiet">This is your first visit to {name} {version}.</p>
		{:else if since.length === 0}<p class="quiet">Nothing has changed.</p>
		{:else}
			<ul>
				{#each since.slice(0, MOST_TOLD) as edit (edit.revision)}<li>
						{edit.label}
						<span class="quiet">by {workspace.document.isOpen ? workspace.nameOf(edit.by) : `the ${edit.role}`}</span>
					</li>{/each}
				{#if since.length > MOST_TOLD}<li class="quiet">and {since.length - MOST_TOLD} more</li>{/if}
			</ul>
		{/if}
		<h2>Your last places</h2>
		{#if visits.list.length === 0}<p class="quiet">Where you have been is listed here.</p>{/if}
		<ul>
			{#each visits.list as { path, name: place } (path)}<li><a href="/{id}/{path}">{place}</a></li>{/each}
		</ul>
	</aside>
</div>
{#if isWalking}
	{#await import('$lib/ui/start/Walk.svelte') then { default: Walk }}
		<Walk onclose={() => ((isWalking = false), walk?.querySelector('button')?.focus())} />
	{/await}
{/if}

<style>
	.view {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 340px;
		height: 100%;
	}
	section {
		padding: 26px 30px;
		overflow-y: auto;
	}
	header {
		display: grid;
		gap: 10px;
		max-width: 700px;
		margin-bottom: 20px;
	}
	ol {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(270px, 1fr));
		gap: 0 26px;
		margin: 0;
		padding: 0;
		list-style: none;
	}
	ol a {
		display: grid;
		align-content: start;
		gap: 2px;
		height: 100%;
		padding: 12px 10px 12px 14px;
		border-left: 3px solid var(--line-strong);
		color: var(--ink);
		text-decoration: none;
	}
	ol li {
		padding: 7px 0;
	}
	ol a:hover {
		border-color: var(--azurite);
		background: var(--azurite-wash);
	}
	ol b {
		font-size: 16px;
	}
	ol span {
		font-size: 13px;
	}
	aside {
		display: flex;
		flex-direction: column;
		gap: 8px;
		padding: 24px 20px;
		background: var(--panel);
		border-left: 1px solid var(--line-strong);
		overflow-y: auto;
		font-size: 13.5px;
	}
	aside h2 {
		margin-top: 14px;
	}
	aside h2:first-child {
		margin-top: 0;
	}
	aside ul {
		display: grid;
		gap: 6px;
		margin: 0;
		padding: 0;
		list-style: none;
	}
	.stands li {
		display: grid;
		gap: 1px;
	}
	.counts {
		display: flex;
		flex-wrap: wrap;
		gap: 2px 12px;
	}
	aside a {
		color: var(--azurite);
	}
</style>
