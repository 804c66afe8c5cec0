<script lang="ts">
	import { untrack } from 'svelte';
	import { goto, invalidate } from '$app/navigation';
	import { page } from '$app/state';
	import { Workspace, provideWorkspace } from '$lib/state/workspace.svelte';
	import DraftBar from '$lib/ui/DraftBar.svelte';
	import Header from '$lib/ui/Header.svelte';
	import Notices from '$lib/ui/Notices.svelte';
	import type { CommandId } from '$core/application/command';
	import { ApiError } from '$lib/state/api';
	import { hearChanges } from '$lib/state/live.svelte';
	import { LAST_PROGRAM } from '$lib/state/last-program';
	import { remember } from '$lib/state/remembered';
	import { provideTours } from '$lib/state/tour.svelte';
	import { Visits } from '$lib/state/visits.svelte';
	import { keepFocus } from '$lib/ui/focus-keeper';
	import { hotkeys } from '$lib/ui/hotkeys.svelte';
	import Palette from '$lib/ui/Palette.svelte';
	import Rail from '$lib/ui/Rail.svelte';
	import ViewHead, { provideHead } from '$lib/ui/kit/ViewHead.svelte';
	import { START, views } from '$lib/ui/views';

	let { data, children } = $props();
	const workspace = $derived(new Workspace(data.document));
	provideWorkspace(() => workspace);
	provideHead();
	const application = $derived(workspace.document.application.id);
	const tours = provideTours();
	// a tour is of one program and setup
	$effect(() => {
		void workspace;
		return () => (tours.running = undefined);
	});
	$effect(() => () => workspace.findings.checks.stop());
	const items = views.flatMap((v) => [...v.items]);
	const here = $derived([START, ...items].find((i) => page.url.pathname.split('/')[2] === i.path));
	$effect(() => remember(LAST_PROGRAM, application));

	// the last places, for Start
	const visits = $derived(new Visits(application));
	$effect(() => {
		const { pathname, search, searchParams } = page.url;
		if (!here || here === START) return;
		const command = searchParams.get('command') as CommandId | null;
		const label = command && untrack(() => workspace.catalogue.get(command)?.label);
		const path = `${pathname.split('/').at(-1)}${label ? search : ''}`;
		untrack(() => visits.add({ path, name: label ? `${here.name}: ${label}` : here.name }));
	});

	$effect(() => keepFocus());

	/** Does it and says nothing of what fails, but that nobody is signed in here any more. */
	const quietly = (work: Promise<unknown>) =>
		void work.catch((error: unknown) => {
			if (error instanceof ApiError && error.status === 401)
				void goto(`/sign-in?to=${encodeURIComponent(page.url.pathname + page.url.search)}`);
		});
	// other windows and programs are heard at once; what waited is sent as soon as the server is there
	$effect(() => {
		const here = workspace;
		quietly(untrack(() => here.edits.resume()));
		return hearChanges(application, {
			changed: (heard) => quietly(here.hear(heard)),
			reached: () => quietly(here.catchUp())
		});
	});
	$effect(() => {
		if (!workspace.edits.busy && workspace.heard > workspace.revision) quietly(workspace.catchUp());
	});
	// with other commands everything is made anew, once nothing is being written
	$effect(() => {
		if (workspace.isOutdated && !workspace.edits.busy && !workspace.edits.merge) quietly(invalidate('skarn:setup'));
	});
	// as long as something waits, the server is asked again and again
	$effect(() => {
		if (workspace.edits.waiting.list.length === 0) return;
		const timer = setInterval(() => quietly(workspace.edits.sendWaiting()), 5_000);
		return () => clearInterval(timer);
	});

	let isGoing = $state(false);
	let isHelping = $state(false);
	/** The control that the help was asked about. */
	let focused = $state.raw<Element | null>(null);

	function help() {
		focused = document.activeElement;
		isHelping = true;
	}

	function toSearch() {
		const field = document.querySelector<HTMLInputElement>('main :is(input[type="search"], input[role="combobox"])');
		field?.select();
		field?.focus();
		return field !== null;
	}

	$effect(() =>
		hotkeys.add(() => ({
			title: 'Everywhere',
			keys: [
				{ keys: 'Ctrl K', does: 'go to a view, a command or an action', run: () => (isGoing = true) },
				...[START, ...items].map((view) => ({
					keys: `Alt ${view.key}`,
					does: view.name,
					run: () => goto(`/${workspace.document.application.id}/${view.path}`)
				})),
				{ keys: '/', does: 'to the search of the view, where it has one', run: toSearch },
				{ keys: '?', does: 'explain the control, the view and the keys', run: help }
			]
		}))
	);
</script>

<svelte:head><title>{here?.name ?? 'Skarn'} · {workspace.document.application.name} · Skarn</title></svelte:head>
<svelte:window
	onkeydown={(event) => hotkeys.press(event)}
	onfocus={() => quietly(workspace.catchUp())}
	ononline={() => quietly(workspace.catchUp())}
/>

{#key workspace}
	<div class="shell">
		<a class="skip" href="#view">Skip to the view</a>
		<Header applications={data.applications} />
		<div class="middle">
			<Rail />
			<main id="view" tabindex="-1" aria-busy={workspace.findings.checks.progress !== undefined}>
				{#if here && here !== START}
					<ViewHead view={here} />
				{/if}
				<div class="body">{@render children()}</div>
			</main>
		</div>
		<DraftBar />
	</div>
	{#if workspace.edits.merge}
		{@const { merge } = workspace.edits}
		{#await import('$lib/ui/MergeDialog.svelte') then { default: MergeDialog }}<MergeDialog {merge} />{/await}
	{/if}
	{#if isGoing}<Palette onclose={() => (isGoing = false)} onkeys={help} />{/if}
	{#if isHelping}
		{#await import('$lib/ui/HotkeyHelp.svelte') then { default: HotkeyHelp }}
			<HotkeyHelp view={here} control={focused} onclose={() => (isHelping = false)} />
		{/await}
	{/if}
	{#if tours.running}
		{@const run = tours.running}
		{#await import('$lib/ui/start/TourCard.svelte') then { default: TourCard }}
			<TourCard {run} onclose={() => (tours.running = undefined)} />
		{/await}
	{/if}
	<Notices />
{/key}

<style>
	.shell {
		display: flex;
		flex-direction: column;
		height: 100%;
	}
	.middle {
		display: flex;
		flex: 1;
		min-height: 0;
	}
	.skip {
		position: absolute;
		z-index: 60;
		top: 8px;
		left: 8px;
		padding: 6px var(--space-3);
		border-radius: var(--radius);
		background: var(--azurite);
		color: var(--ground);
		translate: 0 -60px;
	}
	.skip:focus-visible {
		translate: none;
	}
	main:focus {
		outline: none;
	}
	main {
		display: flex;
		flex-direction: column;
		flex: 1;
		min-width: 0;
		min-height: 0;
	}
	.body {
		flex: 1;
		min-height: 0;
	}
	@media print {
		.shell,
		.middle,
		main,
		.body {
			display: block;
			height: auto;
		}
		.shell > :global(:not(.middle)),
		.middle > :global(.rail) {
			display: none;
		}
	}
</style>
