<script lang="ts">
	import { Button } from 'flowbite-svelte';
	import type { Scope } from '$core/context/scope';
	import { GESTURES, shapeIn, shapeThing, triggerText } from '$core/chapters/gestures/gesture';
	import { directionText } from '$core/stroke/mouse';
	import { GestureDesk } from '$lib/state/gesture-desk.svelte';
	import { NavigationDesk } from '$lib/state/navigation-desk.svelte';
	import { ShapeDesk } from '$lib/state/shape-desk.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import FindingsHere from '$lib/ui/findings/FindingsHere.svelte';
	import HandTest from '$lib/ui/gestures/HandTest.svelte';
	import Navigation from '$lib/ui/gestures/Navigation.svelte';
	import NavigationAside from '$lib/ui/gestures/NavigationAside.svelte';
	import RoseAside from '$lib/ui/gestures/RoseAside.svelte';
	import ShapeAside from '$lib/ui/gestures/ShapeAside.svelte';
	import Shapes from '$lib/ui/gestures/Shapes.svelte';
	import ShapeTools from '$lib/ui/gestures/ShapeTools.svelte';
	import SuggestDialog from '$lib/ui/gestures/SuggestDialog.svelte';
	import RoseCard from '$lib/ui/gestures/RoseCard.svelte';
	import { hotkeys } from '$lib/ui/hotkeys.svelte';
	import ViewActs from '$lib/ui/kit/ViewActs.svelte';
	import Picker from '$lib/ui/Picker.svelte';
	import ScopePicker from '$lib/ui/ScopePicker.svelte';

	/** What the mouse says: a rose for each context, side by side, drawn shapes, buttons and wheel, and the hand that has to do it all. */
	const workspace = useWorkspace();
	const desk = new GestureDesk(workspace);
	let stage = $state<HTMLElement | undefined>(undefined);
	let aside = $state<HTMLElement | undefined>(undefined);
	let isSuggesting = $state(false);
	let newScope = $state.raw<Scope>({});
	let shown = $state<'roses' | 'shapes' | 'navigation' | 'hand'>('roses');
	const navigation = new NavigationDesk(workspace);
	const shapes = new ShapeDesk(workspace);
	const current = $derived(desk.current);
	const hands = $derived(workspace.seats.filter((seat) => (seat.desk.hand?.length ?? 0) > 0));
	const findings = $derived(workspace.findings.of(GESTURES).all);
	const isTaken = $derived(desk.roses.some(({ rose }) => JSON.stringify(rose.entry.scope) === JSON.stringify(newScope)));
	const SHOWN = [
		['roses', 'Roses'],
		['shapes', 'Shapes'],
		['navigation', 'Navigation'],
		['hand', 'Measure your hand']
	] as const;
	const ASIDES = {
		roses: 'Selected direction',
		hand: 'Findings',
		shapes: 'Selected shape',
		navigation: 'Selected input'
	} as const;
	const FILTERS = { all: 'All directions', assigned: 'With a command', changed: 'Changed', here: 'Current context' } as const;

	const toSearch = () => aside?.querySelector<HTMLInputElement>('[role="combobox"]')?.focus();
	const toStage = () => stage?.querySelector<HTMLElement>('[role="listbox"][tabindex="0"]')?.focus();
	const clear = () => current && void desk.clear(current.view, current.petal.degrees);

	/** Goes to what a finding is about. */
	function show({ witness, id: finding }: (typeof findings)[number]) {
		const shape = shapes.shapes.find((one) => finding.endsWith(`\n${shapeThing(one.id)}`));
		const drawn = witness.kind === 'keys' ? shapeIn(witness.keys)?.shape : shape?.id;
		if (drawn !== undefined) {
			shown = 'shapes';
			shapes.select(drawn);
			return;
		}
		if (witness.kind !== 'keys') return;
		const found = desk.roses.flatMap((view) =>
			view.petals
				.filter(({ own }) => own.some(({ keys }) => keys === witness.keys))
				.map(({ degrees }) => [view.id, degrees] as const)
		)[0];
		shown = found ? 'roses' : 'navigation';
		if (found) desk.select(...found);
		else navigation.selected = witness.keys;
	}

	/** A rose for everywhere, and a suggestion of its commands to look at. */
	async function example() {
		await desk.make({});
		isSuggesting = desk.roses.length > 0;
	}

	const MOVES: Readonly<Record<string, readonly [number, number]>> = {
		ArrowRight: [1, 0],
		ArrowLeft: [-1, 0],
		ArrowDown: [0, 1],
		ArrowUp: [0, -1]
	};

	function onkeydown(event: KeyboardEvent) {
		if (event.altKey || event.metaKey || event.ctrlKey) return;
		const move = MOVES[event.key];
		if (move) desk.go(...move);
		else if (event.key === 'Delete') void clear();
		else if (event.key === 'Enter') toSearch();
		else if (event.key === 'Escape') desk.selected = undefined;
		else return;
		event.preventDefault();
	}

	$effect(() =>
		hotkeys.add(() => ({
			title: 'Gestures',
			acts: () => [
				{ name: 'Measure your hand', run: () => (shown = 'hand') },
				{ name: 'Buttons, wheel and navigation', run: () => (shown = 'navigation') },
				{ name: 'Roses', run: () => (shown = 'roses') },
				{ name: 'Shapes', run: () => (shown = 'shapes') },
				{ name: 'Suggest commands for the roses', run: () => (isSuggesting = true) },
				...(current
					? [
							{ name: `Clear ${directionText(current.petal.degrees)}`, run: clear },
							{ name: 'Delete the rose', run: () => desk.remove(current.view) }
						]
					: [])
			],
			keys: [
				{ keys: '← →', does: 'next direction, in the roses', run: () => false },
				{ keys: '↑ ↓', does: 'same direction in another context, in the roses', run: () => false },
				{ keys: 'Enter', does: 'assign a command to the direction, in the roses', run: () => false },
				{ keys: 'Delete', does: 'clear the direction, in the roses', run: () => false },
				{ keys: ', .', does: 'previous or next drawing, in the shapes', run: () => false },
				{ keys: 'T', does: 'measure your hand', run: () => (shown = 'hand') }
			]
		}))
	);
</script>

<ViewActs>
	{#if shown === 'roses'}<Button
			size="sm"
			color="alternative"
			disabled={desk.roses.length === 0}
			onclick={() => (isSuggesting = true)}>Suggest commands …</Button
		>{/if}
</ViewActs>

<div class="view">
	<section class="stage" aria-label="Roses">
		<div class="tools">
			<span class="tabs segmented" role="group" aria-label="Section">
				{#each SHOWN as [id, name] (id)}
					<button class="pill" type="button" aria-pressed={shown === id} onclick={() => (shown = id)}>{name}</button>
				{/each}
			</span>
			{#if shown === 'shapes'}<ShapeTools desk={shapes} />{/if}
			{#if shown === 'roses'}
				<Picker
					label="Button"
					value={triggerText(desk.trigger)}
					items={desk.triggers.map((trigger) => ({
						value: triggerText(trigger),
						name: `${triggerText(trigger)} button, flicked`
					}))}
					onpick={(trigger) => (desk.wanted = trigger)}
				/>
				<Picker
					label="Show"
					value={desk.filter}
					items={(Object.keys(FILTERS) as (keyof typeof FILTERS)[]).map((value) => ({ value, name: FILTERS[value] }))}
					onpick={(filter) => (desk.filter = filter as keyof typeof FILTERS)}
				/>
				{#if hands.length > 0}
					<Picker
						label="Hand"
						value={desk.seat}
						items={[{ value: '', name: 'No hand' }, ...hands.map(({ id }) => ({ value: id as string, name: `Hand at ${id}` }))]}
						onpick={(seat) => (desk.seat = seat)}
					/>
				{/if}
				<span class="new">
					<span class="quiet">New rose in</span>
					<ScopePicker scope={newScope} onchange={(scope) => (newScope = scope)} />
					<Button
						size="xs"
						color="alternative"
						disabled={isTaken || workspace.edits.busy}
						onclick={() => void desk.make(newScope)}>Add rose</Button
					>
				</span>
			{/if}
		</div>
		{#if shown === 'hand'}
			<HandTest onend={() => (shown = 'roses')} />
		{:else if shown === 'navigation'}
			<Navigation desk={navigation} />
		{:else if shown === 'shapes'}
			<Shapes desk={shapes} onfind={toSearch} bind:stage />
		{:else if desk.roses.length === 0}
			<p class="none quiet">
				There is no rose for the {triggerText(desk.trigger)} button yet. Choose a context and add one, then drag commands onto its directions.
			</p>
			<p class="none">
				<Button size="sm" color="alternative" disabled={workspace.edits.busy} onclick={() => void example()}
					>Try it with an example</Button
				>
			</p>
		{:else}
			<div class="roses" bind:this={stage} data-roses>
				{#each desk.roses as view (view.id)}<RoseCard {desk} {view} {onkeydown} />{/each}
			</div>
		{/if}
		<p class="visually-hidden" aria-live="polite">{shown === 'shapes' ? shapes.told : desk.told}</p>
	</section>
	<aside aria-label={ASIDES[shown]} bind:this={aside}>
		{#if shown === 'shapes'}<ShapeAside desk={shapes} />
		{:else if shown === 'navigation'}<NavigationAside desk={navigation} />
		{:else if shown === 'roses'}<RoseAside {desk} ondone={toStage} />{/if}
		<FindingsHere {findings} folds name="Findings of gestures" onshow={show} />
	</aside>
</div>

{#if isSuggesting}<SuggestDialog {desk} onclose={() => (isSuggesting = false)} />{/if}

<style>
	.view {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 320px;
		height: 100%;
	}
	.stage {
		display: flex;
		flex-direction: column;
		gap: var(--space-2);
		min-height: 0;
		padding: var(--space-3) var(--space-3);
	}
	.tools {
		display: flex;
		flex-wrap: wrap;
		gap: var(--space-2) var(--space-3);
		align-items: center;
	}
	.tabs {
		display: flex;
		gap: var(--space-1);
	}
	.new {
		display: flex;
		gap: 6px;
		align-items: center;
		margin-left: auto;
	}
	.roses {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(300px, 1fr));
		gap: var(--space-3);
		align-content: start;
		min-height: 0;
		padding: 2px;
		overflow-y: auto;
	}
	.none {
		max-width: 52ch;
		margin: 60px auto;
	}
	aside {
		display: flex;
		flex-direction: column;
		gap: var(--space-3);
		padding: var(--space-3) var(--space-4);
		border-left: 1px solid var(--line-strong);
		background: var(--panel);
		overflow-y: auto;
	}
</style>
