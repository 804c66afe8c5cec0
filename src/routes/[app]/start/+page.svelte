<script lang="ts">
	import { formOf } from '$core/text/counted';
	import { Button } from 'flowbite-svelte';
	import { onMount } from 'svelte';
	import { SEVERITIES } from '$core/check/severity';
	import { countsOf } from '$core/check/groups';
	import type { Seat, SeatState } from '$core/release/release';
	import { ask } from '$lib/state/api';
	import { invalidate } from '$app/navigation';
	import { isFor, type Setup } from '$core/people/setup';
	import { SetupsDesk } from '$lib/state/setups.svelte';
	import { TourRun, useTours } from '$lib/state/tour.svelte';
	import { Visits } from '$lib/state/visits.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import { SIGNS } from '$lib/ui/findings/severity';
	import { TOURS, type TourOffer } from '$lib/ui/start/tours';
	import { FIRST_JOBS, MORE_JOBS, type Job } from '$lib/ui/start/jobs';

	const workspace = useWorkspace();
	const { id, name, version } = workspace.document.application;
	const visits = new Visits(id);
	let seats = $state.raw<readonly (Seat & { state: SeatState })[]>([]);
	const tours = useTours();
	/** Why a tour could not begin. */
	let noTour = $state('');

	function begin(offer: TourOffer) {
		const tour = offer.make(workspace);
		noTour = tour ? '' : `${name} has no key that this tour could use.`;
		if (tour) tours.running = new TourRun(tour, workspace);
	}

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

	const hrefOf = ({ to }: Job) => (to.startsWith('/') ? to : `/${id}/${to}`);
</script>

<div class="view">
	<section aria-label="Tasks">
		<header>
			<h1>What do you want to do with {name}?</h1>
			<p class="quiet">
				Customise keys, aliases, macros, toolbars and options of a program, check them for conflicts, and publish them to your
				office. You can undo every change.
			</p>
		</header>
		<ol class="first">
			{#each FIRST_JOBS as job (job.to)}
				<li><a class="task-card" href={hrefOf(job)}><b>{job.label}</b><span class="quiet">{job.how}</span></a></li>
			{/each}
		</ol>
		<section class="tours" aria-label="Tours">
			<h2>Tours</h2>
			<ul>
				{#each TOURS as offer (offer.name)}
					<li>
						<Button size="xs" color="alternative" disabled={tours.running !== undefined} onclick={() => begin(offer)}
							>{offer.name}</Button
						>
						<span class="quiet">{offer.line}</span>
					</li>
				{/each}
			</ul>
			{#if noTour}<p class="callout tone-limonite" role="alert">{noTour}</p>{/if}
		</section>
		<div class="more">
			{#each MORE_JOBS as { role, jobs } (role)}
				<div>
					<h2>{role}</h2>
					<ul>
						{#each jobs as job (job.to)}
							<li><a href={hrefOf(job)}>{job.label}</a> <span class="quiet">{job.how}</span></li>
						{/each}
					</ul>
				</div>
			{/each}
		</div>
	</section>
	<aside aria-label="Status">
		<h2>Status</h2>
		<ul class="stands">
			<li>
				<a href="/{id}/findings">Findings</a>
				<span class="counts"
					>{#each SEVERITIES as s (s)}<span class="tone-{SIGNS[s].tone}"
							><span class="toned">{SIGNS[s].shape} {counts[s]}</span> {formOf(counts[s], SIGNS[s].name, SIGNS[s].names)}</span
						>{/each}</span
				>
			</li>
			<li>
				<b>Draft</b>
				<span
					>{workspace.draft.againstFactory.length} from default{workspace.draft.againstRelease
						? `, ${workspace.draft.againstRelease.length} since release ${workspace.channel}`
						: '; nothing is published yet'}</span
				>
			</li>
			<li>
				<a href="/{id}/rollout">Seats</a>
				<span
					>{seats.length === 0
						? 'No seats use this program.'
						: behind.length > 0
							? behind.map((s) => `${s.id} is ${s.state}`).join(', ')
							: unheard === 0
								? `All ${seats.length} are up to date.`
								: unheard === seats.length
									? `None of ${seats.length} has connected yet.`
									: `${unheard} of ${seats.length} never connected, the others are up to date.`}</span
				>
			</li>
		</ul>
		{#if offered.length > 0}
			<h2>Recommended to you</h2>
			<ul>
				{#each offered as setup (setup.id)}<li>
						<b>{setup.name}</b>
						<span class="quiet"
							>{setup.isRequired ? 'its levels are required' : 'a setup'}, by {workspace.nameOf(setup.person)}</span
						>
						<button class="linkish" type="button" disabled={setups.busy} onclick={() => void takeUp(setup)}>Use</button>
					</li>{/each}
			</ul>
			{#if setups.said}<p class="callout tone-garnet" role="alert">{setups.said}</p>{/if}
		{/if}
		<h2>Since your last visit</h2>
		{#if visits.seen === undefined}<p class="quiet">This is your first visit to {name} {version}.</p>
		{:else if since.length === 0}<p class="quiet">No changes.</p>
		{:else}
			<ul>
				{#each since.slice(0, MOST_TOLD) as edit (edit.revision)}<li>
						{edit.label}
						<span class="quiet">by {workspace.document.isOpen ? workspace.nameOf(edit.by) : `the ${edit.role}`}</span>
					</li>{/each}
				{#if since.length > MOST_TOLD}<li class="quiet">and {since.length - MOST_TOLD} more</li>{/if}
			</ul>
		{/if}
		<h2>Recent</h2>
		{#if visits.list.length === 0}<p class="quiet">Views that you open are listed here.</p>{/if}
		<ul>
			{#each visits.list as { path, name: place } (path)}<li><a href="/{id}/{path}">{place}</a></li>{/each}
		</ul>
	</aside>
</div>

<style>
	.view {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 340px;
		height: 100%;
	}
	section {
		padding: var(--space-6) var(--space-8);
		overflow-y: auto;
	}
	header {
		display: grid;
		gap: var(--space-2);
		max-width: 700px;
		margin-bottom: var(--space-5);
	}
	ol,
	.more ul {
		margin: 0;
		padding: 0;
		list-style: none;
	}
	.first {
		display: grid;
		grid-template-columns: repeat(3, minmax(0, 1fr));
		gap: var(--space-4);
	}
	.tours {
		display: grid;
		gap: 6px;
		margin-top: var(--space-6);
		padding: 0;
	}
	.tours ul {
		display: flex;
		flex-wrap: wrap;
		gap: var(--space-2) var(--space-5);
		margin: 0;
		padding: 0;
		list-style: none;
		font-size: var(--dense);
	}
	.tours li {
		display: flex;
		align-items: center;
		gap: var(--space-2);
	}
	.more {
		display: grid;
		grid-template-columns: repeat(3, minmax(0, 1fr));
		gap: var(--space-4);
		margin-top: 28px;
	}
	.more li {
		padding: var(--space-1) 0;
	}
	.more h2 {
		margin-bottom: 6px;
	}
	.more a {
		color: var(--azurite);
	}
	.more .quiet {
		display: block;
		font-size: var(--dense);
	}
	@media (max-width: 760px) {
		.first,
		.more {
			grid-template-columns: 1fr;
		}
	}
	aside {
		display: flex;
		flex-direction: column;
		gap: var(--space-2);
		padding: var(--space-6) var(--space-5);
		background: var(--panel);
		border-left: 1px solid var(--line-strong);
		overflow-y: auto;
		font-size: var(--body);
	}
	aside h2 {
		margin-top: var(--space-3);
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
		gap: 2px var(--space-3);
	}
	aside a {
		color: var(--azurite);
	}
</style>
