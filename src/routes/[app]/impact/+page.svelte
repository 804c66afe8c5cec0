<script lang="ts">
	import { counted } from '$core/text/counted';
	import { Button } from 'flowbite-svelte';
	import { untrack } from 'svelte';
	import { ImpactDesk, isUntouched } from '$lib/state/impact-desk.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import KeyCaps from '$lib/ui/KeyCaps.svelte';
	import Confirm from '$lib/ui/Confirm.svelte';
	import ViewActs from '$lib/ui/kit/ViewActs.svelte';
	import GoingOut from '$lib/ui/rollout/GoingOut.svelte';
	import ImpactTable from '$lib/ui/impact/ImpactTable.svelte';
	import LearningSheets from '$lib/ui/impact/LearningSheets.svelte';
	import { SIGNS } from '$lib/ui/findings/severity';

	const workspace = useWorkspace();
	const desk = new ImpactDesk(workspace);
	/** Whether it is about everybody, or about oneself alone. */
	const isWide = $derived(workspace.may('survey'));
	/** In seconds. */
	const QUICK = 3;
	const next = $derived((workspace.releases.at(-1)?.number ?? 0) + 1);
	/** As a text, so that a list that says the same is the same. */
	const goingOut = $derived(workspace.next.besides.join(' '));
	// another choice of what goes out is another question
	$effect(() => {
		void goingOut;
		untrack(() => void desk.start());
		return () => desk.stop();
	});
	// what somebody writes meanwhile is followed where that takes no longer than it takes to read this
	$effect(() => {
		if (!desk.impact || desk.isCurrent || desk.progress !== undefined || desk.seconds > QUICK) return;
		const later = setTimeout(() => void desk.start(), 1000);
		return () => clearTimeout(later);
	});
	const dearest = $derived(desk.changes.find(({ runs }) => runs > 0));
	const labelOf = (command: string) => workspace.catalogue.get(command as never)?.label ?? command;
	const shown = $derived(desk.person ?? desk.people.find((person) => desk.of(person).some((one) => !isUntouched(one))));
</script>

{#if desk.warning}
	{@const { change, errors } = desk.warning}
	<Confirm
		title="Remove “{change.difference.caption.label}” from the release"
		does="Remove anyway"
		onconfirm={() => void desk.takeOut(change, true)}
		onclose={() => (desk.warning = undefined)}
	>
		<p>Without it everyone gets {counted(errors.length, 'error', 'errors')}:</p>
		<ul>
			{#each errors.slice(0, 6) as sentence (sentence)}<li>{sentence}</li>{/each}
			{#if errors.length > 6}<li>{errors.length - 6} more</li>{/if}
		</ul>
	</Confirm>
{/if}

<ViewActs>
	{#if desk.progress !== undefined}
		<Button size="sm" color="alternative" onclick={() => desk.stop()}>Stop</Button>
	{:else if desk.impact}
		<Button size="sm" color="alternative" onclick={() => void desk.start()}
			>{desk.isCurrent ? 'Check again' : 'Check again: there are newer changes'}</Button
		>
		{#if desk.untouched.length < desk.people.length}<Button size="sm" color="alternative" onclick={() => window.print()}
				>Print learning sheets</Button
			>{/if}
	{:else}
		<Button size="sm" color="alternative" onclick={() => void desk.start()}>Check {isWide ? 'everyone’s' : 'your'} setups</Button>
	{/if}
</ViewActs>

<div class="screen">
	<div class="view">
		<section aria-label="Impact of the release">
			<header>
				<h2>{isWide ? `Release ${next}: effect on everyone` : `Release ${next}: your changes`}</h2>
				{#if desk.progress !== undefined}
					<p class="quiet" role="status">
						Checking {isWide ? 'everyone’s' : 'your'} setups: {Math.round(desk.progress * 100)} %
					</p>
					<progress max="1" value={desk.progress} aria-label="Progress"></progress>
				{:else if desk.impact}
					<p class="quiet">
						{counted(desk.impact.setups.length, 'setup', 'setups')}{isWide
							? ` of ${counted(desk.people.length, 'person', 'people')}`
							: ' of yours'}, before and after, checked in
						{desk.seconds.toFixed(1)} s
					</p>
				{/if}
			</header>
			{#if workspace.may('release')}<GoingOut />{/if}
			{#if desk.problem}<p class="callout tone-garnet" role="alert">{desk.problem}</p>{/if}
			{#if desk.impact}
				{#if desk.changes.length === 0}
					<p class="none">The release changes nothing. No one is affected.</p>
				{:else}
					<ImpactTable {desk} chosen={shown} onchoose={(person) => (desk.person = person)} />
					<p class="told">
						{!isWide
							? ''
							: desk.untouched.length === 0
								? 'Everyone is affected.'
								: desk.untouched.length === desk.people.length
									? 'No one is affected: no setup uses these changes.'
									: `Not affected: ${desk.untouched.map((person) => desk.nameOf(person)).join(', ')}.`}
						<span class="quiet"
							>A habit is a key that people use today and that would do something else. It counts with the estimated runs per day
							of its command.</span
						>
					</p>
					{#if isWide && dearest && desk.runs > 0}
						<p class="told tone-fluorite">
							<span class="toned" aria-hidden="true">◇</span>
							<b
								>Without “{dearest.difference.caption.label}” the release changes {desk.runs - dearest.runs} instead of {desk.runs}
								runs per day.</b
							>
							{#if desk.mayTakeOut(dearest)}<button
									class="pill"
									type="button"
									disabled={workspace.edits.busy}
									onclick={() => void desk.takeOut(dearest)}>Remove from release</button
								>{/if}
						</p>
					{/if}
				{/if}
			{/if}
		</section>
		<aside aria-label="Changes of one person">
			{#if desk.impact && shown}
				<h2>{desk.nameOf(shown)}</h2>
				{#each desk.of(shown) as one (one.setup.id)}
					<h3>{one.setup.name}</h3>
					{#if isUntouched(one)}<p class="quiet">No changes.</p>{/if}
					<ul>
						{#each one.habits as habit (`${habit.command} ${habit.keys} ${habit.scope}`)}
							<li>
								<KeyCaps keys={habit.keys} /> ran <b>{labelOf(habit.command)}</b> ({habit.scope.toLowerCase()}){habit.runs > 0
									? `, ${habit.runs === 1 ? 'once' : `${habit.runs} times`} a day`
									: ''}; then {habit.then.length > 0 ? habit.then.map(labelOf).join(' or ') : 'nothing'}.
								{#if habit.instead.length > 0}Instead: {#each habit.instead as keys (keys)}<KeyCaps {keys} />
									{/each}{/if}
							</li>
						{/each}
						{#each one.coming as finding (finding.id)}
							<li class="tone-{SIGNS[finding.severity].tone}">
								<span class="toned">{SIGNS[finding.severity].shape}</span>
								{finding.sentence}
							</li>
						{/each}
						{#each one.going as finding (finding.id)}
							<li class="tone-epidote">
								<span class="toned" title="disappears">✓</span> <span class="quiet">Solved: {finding.sentence}</span>
							</li>
						{/each}
					</ul>
				{/each}
			{:else if desk.impact}
				<p class="quiet">Choose a person in the table to see their changes.</p>
			{/if}
		</aside>
	</div>
</div>
{#if desk.impact}<LearningSheets {desk} release={next} />{/if}

<style>
	.view {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 330px;
		height: 100%;
	}
	section {
		display: flex;
		flex-direction: column;
		gap: var(--space-3);
		padding: var(--space-4) var(--space-4);
		overflow: auto;
	}
	header {
		display: flex;
		flex-wrap: wrap;
		gap: var(--space-3);
		align-items: center;
	}
	aside {
		padding: var(--space-4) var(--space-4);
		background: var(--panel);
		border-left: 1px solid var(--line-strong);
		overflow-y: auto;
	}
	h3 {
		margin-top: var(--space-3);
		color: var(--ink-2);
	}
	ul {
		margin: var(--space-1) 0 0;
		padding: 0;
		list-style: none;
	}
	li {
		padding: 6px 0;
		border-top: 1px solid var(--line);
		font-size: var(--dense);
	}
	.none {
		padding: var(--space-10) 0;
	}
	.told {
		max-width: 90ch;
	}
	.screen {
		height: 100%;
	}
	/* the general rules of print show every view; here only the pages for people are printed */
	@media print {
		.screen {
			display: none;
		}
	}
	progress {
		width: 160px;
		accent-color: var(--azurite);
	}
</style>
