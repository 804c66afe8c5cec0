<script lang="ts">
	import { Button } from 'flowbite-svelte';
	import { untrack } from 'svelte';
	import { ImpactDesk, isUntouched } from '$lib/state/impact-desk.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import KeyCaps from '$lib/ui/KeyCaps.svelte';
	import Confirm from '$lib/ui/Confirm.svelte';
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
	const count = (n: number, one: string, many: string) => `${n} ${n === 1 ? one : many}`;
</script>

{#if desk.warning}
	{@const { change, errors } = desk.warning}
	<Confirm
		title="Remove “{change.difference.caption.label}” from the release"
		does="Remove it all the same"
		onconfirm={() => void desk.takeOut(change, true)}
		onclose={() => (desk.warning = undefined)}
	>
		<p>Without it everyone gets {count(errors.length, 'error', 'errors')}:</p>
		<ul>
			{#each errors.slice(0, 6) as sentence (sentence)}<li>{sentence}</li>{/each}
			{#if errors.length > 6}<li>{errors.length - 6} more</li>{/if}
		</ul>
	</Confirm>
{/if}

<div class="screen">
	<div class="view">
		<section aria-label="What the release does">
			<header>
				<h1>Release {next}, {isWide ? 'before it goes out' : 'what it will do to you'}</h1>
				{#if desk.progress !== undefined}
					<p class="quiet" role="status">
						Checking {isWide ? 'everybody’s' : 'your'} setups: {Math.round(desk.progress * 100)} %
					</p>
					<progress max="1" value={desk.progress} aria-label="How far it is"></progress>
					<Button size="xs" color="alternative" onclick={() => desk.stop()}>Stop</Button>
				{:else if desk.impact}
					<p class="quiet">
						{count(desk.impact.setups.length, 'setup', 'setups')}{isWide
							? ` of ${count(desk.people.length, 'person', 'people')}`
							: ' of yours'}, before and after, checked in
						{desk.seconds.toFixed(1)} s
					</p>
					<Button size="xs" color="alternative" onclick={() => void desk.start()}
						>{desk.isCurrent ? 'Check again' : 'Check again: something was written since'}</Button
					>
					{#if desk.untouched.length < desk.people.length}<Button size="xs" color="alternative" onclick={() => window.print()}
							>Print what each must learn</Button
						>{/if}
				{:else}
					<Button size="xs" color="alternative" onclick={() => void desk.start()}
						>Check {isWide ? 'everybody’s' : 'your'} setups</Button
					>
				{/if}
			</header>
			{#if workspace.may('release')}<GoingOut />{/if}
			{#if desk.problem}<p class="callout tone-garnet" role="alert">{desk.problem}</p>{/if}
			{#if desk.impact}
				{#if desk.changes.length === 0}
					<p class="none">What would go out is what people have: nobody is touched.</p>
				{:else}
					<ImpactTable {desk} chosen={shown} onchoose={(person) => (desk.person = person)} />
					<p class="told">
						{!isWide
							? ''
							: desk.untouched.length === 0
								? 'Everybody is touched.'
								: desk.untouched.length === desk.people.length
									? 'Nobody is touched: what changes shows in nobody’s setups.'
									: `Not touched: ${desk.untouched.map((person) => desk.nameOf(person)).join(', ')}.`}
						<span class="quiet"
							>A habit is a key that does something else then; it weighs as much as its command is run a day, as the office has
							estimated.</span
						>
					</p>
					{#if isWide && dearest && desk.runs > 0}
						<p class="told tone-fluorite">
							<span class="toned" aria-hidden="true">◇</span>
							<b
								>Without “{dearest.difference.caption.label}” the release moves {desk.runs - dearest.runs} instead of {desk.runs} runs
								a day.</b
							>
							{#if desk.mayTakeOut(dearest)}<button
									class="pill"
									type="button"
									disabled={workspace.edits.busy}
									onclick={() => void desk.takeOut(dearest)}>Take it out</button
								>{/if}
						</p>
					{/if}
				{/if}
			{/if}
		</section>
		<aside aria-label="Who gets what">
			{#if desk.impact && shown}
				<h2>{desk.nameOf(shown)}</h2>
				{#each desk.of(shown) as one (one.setup.id)}
					<h3>{one.setup.name}</h3>
					{#if isUntouched(one)}<p class="quiet">Nothing changes here.</p>{/if}
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
								<span class="toned" title="goes away">✓</span> <span class="quiet">Gone: {finding.sentence}</span>
							</li>
						{/each}
					</ul>
				{/each}
			{:else if desk.impact}
				<p class="quiet">Choose somebody in the table to see what they get.</p>
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
		gap: 14px;
		padding: 16px 18px;
		overflow: auto;
	}
	header {
		display: flex;
		flex-wrap: wrap;
		gap: 12px;
		align-items: center;
	}
	aside {
		padding: 16px 18px;
		background: var(--panel);
		border-left: 1px solid var(--line-strong);
		overflow-y: auto;
	}
	h3 {
		margin-top: 12px;
		color: var(--ink-2);
	}
	ul {
		margin: 4px 0 0;
		padding: 0;
		list-style: none;
	}
	li {
		padding: 6px 0;
		border-top: 1px solid var(--line);
		font-size: 13px;
	}
	.none {
		padding: 40px 0;
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
