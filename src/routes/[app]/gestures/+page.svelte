<script lang="ts">
	import { Button } from 'flowbite-svelte';
	import type { Scope } from '$core/context/scope';
	import { GESTURES, triggerText } from '$core/chapters/gestures/gesture';
	import { directionText } from '$core/stroke/mouse';
	import { COMMAND } from '$lib/state/bar-drag.svelte';
	import { GestureDesk } from '$lib/state/gesture-desk.svelte';
	import { NavigationDesk } from '$lib/state/navigation-desk.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import CommandPick from '$lib/ui/CommandPick.svelte';
	import FindingsHere from '$lib/ui/findings/FindingsHere.svelte';
	import HandTest from '$lib/ui/gestures/HandTest.svelte';
	import Navigation from '$lib/ui/gestures/Navigation.svelte';
	import SuggestDialog from '$lib/ui/gestures/SuggestDialog.svelte';
	import RoseCard from '$lib/ui/gestures/RoseCard.svelte';
	import { hotkeys } from '$lib/ui/hotkeys.svelte';
	import KeyCaps from '$lib/ui/KeyCaps.svelte';
	import Picker from '$lib/ui/Picker.svelte';
	import ScopePicker from '$lib/ui/ScopePicker.svelte';
	import StratumChip from '$lib/ui/StratumChip.svelte';

	/** Flicks of the mouse: a rose for each context, side by side, and the hand that has to make them. */
	const workspace = useWorkspace();
	const desk = new GestureDesk(workspace);
	const id = $props.id();
	let stage = $state<HTMLElement | undefined>(undefined);
	let aside = $state<HTMLElement | undefined>(undefined);
	let isSuggesting = $state(false);
	let newScope = $state.raw<Scope>({});
	let shown = $state<'roses' | 'navigation' | 'hand'>('roses');
	const navigation = new NavigationDesk(workspace);
	const current = $derived(desk.current);
	const said = $derived(current ? [...current.petal.own, ...(current.petal.inherited ? [current.petal.inherited] : [])] : []);
	const findings = $derived(workspace.findings.of(GESTURES).all);
	const isTaken = $derived(desk.roses.some(({ rose }) => JSON.stringify(rose.entry.scope) === JSON.stringify(newScope)));
	const SHOWN = [
		['roses', 'Roses'],
		['navigation', 'Navigation'],
		['hand', 'Test the hand']
	] as const;
	const FILTERS = { all: 'All directions', assigned: 'With a command', changed: 'Changed' } as const;

	const toSearch = () => aside?.querySelector<HTMLInputElement>('input')?.focus();
	const clear = () => current && void desk.clear(current.view, current.petal.degrees);

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
				{ name: 'Test the hand', run: () => (shown = 'hand') },
				{ name: 'Buttons, wheel and navigation', run: () => (shown = 'navigation') },
				{ name: 'Roses', run: () => (shown = 'roses') },
				{ name: 'Suggest commands for the roses', run: () => (isSuggesting = true) },
				...(current
					? [
							{ name: `Nothing on ${directionText(current.petal.degrees)}`, run: clear },
							{ name: 'Take the rose away', run: () => desk.remove(current.view) }
						]
					: [])
			],
			keys: [
				{ keys: '← →', does: 'go round the rose, in the roses', run: () => false },
				{ keys: '↑ ↓', does: 'to the same direction of another context, in the roses', run: () => false },
				{ keys: 'Enter', does: 'find a command for the direction, in the roses', run: () => false },
				{ keys: 'Delete', does: 'nothing on the direction, in the roses', run: () => false },
				{ keys: 'T', does: 'test the hand', run: () => (shown = 'hand') }
			]
		}))
	);
</script>

<div class="view">
	<section class="stage" aria-label="Roses">
		<div class="tools">
			<span class="tabs" role="group" aria-label="What is shown">
				{#each SHOWN as [id, name] (id)}
					<button class="pill" type="button" aria-pressed={shown === id} onclick={() => (shown = id)}>{name}</button>
				{/each}
			</span>
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
				<Button size="xs" color="alternative" disabled={desk.roses.length === 0} onclick={() => (isSuggesting = true)}
					>Suggest …</Button
				>
				<span class="new">
					<ScopePicker scope={newScope} onchange={(scope) => (newScope = scope)} />
					<Button
						size="xs"
						color="alternative"
						disabled={isTaken || workspace.edits.busy}
						onclick={() => void desk.make(newScope)}>New rose</Button
					>
				</span>
			{/if}
		</div>
		{#if shown === 'hand'}
			<HandTest onend={() => (shown = 'roses')} />
		{:else if shown === 'navigation'}
			<Navigation desk={navigation} />
		{:else if desk.roses.length === 0}
			<p class="none quiet">
				No rose hears flicks of the {triggerText(desk.trigger)} button yet. Choose where it is to hold and make one; then drag commands
				onto its directions.
			</p>
		{:else}
			<div
				class="roses"
				bind:this={stage}
				role="listbox"
				tabindex="0"
				aria-label="Directions of all roses"
				aria-activedescendant={desk.selected ? `${id}-${desk.selected.rose}-${desk.selected.degrees}` : undefined}
				{onkeydown}
			>
				{#each desk.roses as view (view.id)}<RoseCard {desk} {view} {id} />{/each}
			</div>
		{/if}
		<p class="visually-hidden" aria-live="polite">{desk.told}</p>
	</section>
	<aside aria-label="The direction that is selected" bind:this={aside}>
		<CommandPick
			label={shown === 'navigation' ? 'Find a command for the input' : 'Find a command for the direction'}
			carried={COMMAND}
			onpick={(command) => {
				if (shown === 'navigation') {
					if (navigation.selected) void navigation.assign(navigation.selected, command.id);
					return;
				}
				if (current) void desk.assign(current.view, current.petal.degrees, command.id);
				stage?.focus();
			}}
		/>
		{#if shown === 'navigation'}
			{#if navigation.selected}
				{@const keys = navigation.selected}
				<h2><KeyCaps {keys} /></h2>
				<ul>
					{#each workspace.index.on(keys) as binding (binding.key)}
						<li>
							<StratumChip id={binding.stratum} />
							<a href="commands?command={encodeURIComponent(binding.command)}"
								>{workspace.catalogue.get(binding.command)?.label ?? binding.command}</a
							>
							<span class="quiet">{workspace.space.scopeLabel(binding.scope)}</span>
						</li>
					{:else}<li class="quiet">Nothing. Type what it should do.</li>{/each}
				</ul>
				{#if workspace.index.on(keys).length > 0}
					<Button size="xs" color="alternative" disabled={workspace.edits.busy} onclick={() => void navigation.clear(keys)}
						>Nothing here</Button
					>
				{/if}
			{:else}
				<p class="quiet">Choose what a button or the wheel does with a modifier; then find its command.</p>
			{/if}
		{:else if current}
			<h2>{directionText(current.petal.degrees)} in {workspace.space.scopeLabel(current.view.rose.entry.scope)}</h2>
			<ul>
				{#each said as binding (binding.key)}
					<li>
						<StratumChip id={binding.stratum} />
						<a href="commands?command={encodeURIComponent(binding.command)}"
							>{workspace.catalogue.get(binding.command)?.label ?? binding.command}</a
						>
						<KeyCaps keys={binding.keys} />
						<span class="quiet">{workspace.space.scopeLabel(binding.scope)}</span>
					</li>
				{:else}<li class="quiet">Nothing. Press Enter and type what it should do, or drag a command here.</li>{/each}
			</ul>
			<div class="acts">
				{#if current.petal.own.length > 0}
					<Button size="xs" color="alternative" disabled={workspace.edits.busy} onclick={clear}>Nothing here</Button>
				{/if}
				<Button
					size="xs"
					color="alternative"
					disabled={workspace.edits.busy}
					onclick={() => void desk.shape(current.view, { turn: current.view.rose.entry.turn === 0 ? 10 : 0 })}
					>{current.view.rose.entry.turn === 0 ? 'Turn by 10°' : 'Not turned'}</Button
				>
				{#if workspace.role === 'steward'}
					<Button
						size="xs"
						color="alternative"
						onclick={() => void desk.lock(current.view, current.view.rose.lockedBy === undefined)}
						>{current.view.rose.lockedBy === undefined ? 'Lock the rose' : 'Unlock the rose'}</Button
					>
				{/if}
				<Button size="xs" color="alternative" disabled={workspace.edits.busy} onclick={() => void desk.remove(current.view)}
					>Take the rose away</Button
				>
			</div>
		{:else}
			<p class="quiet">
				Choose a direction: arrow keys go round a rose and from one context to the next. A number of directions can be changed and
				changed back; what loses its direction waits.
			</p>
		{/if}
		<FindingsHere
			{findings}
			name="Findings of gestures"
			onshow={({ witness }) => {
				if (witness.kind !== 'keys') return;
				const found = desk.roses.flatMap((view) =>
					view.petals
						.filter(({ own }) => own.some(({ keys }) => keys === witness.keys))
						.map(({ degrees }) => [view.id, degrees] as const)
				)[0];
				if (found) desk.select(...found);
			}}
		/>
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
		gap: 10px;
		min-height: 0;
		padding: 12px 14px;
	}
	.tools {
		display: flex;
		flex-wrap: wrap;
		gap: 8px 12px;
		align-items: center;
	}
	.tabs {
		display: flex;
		gap: 4px;
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
		gap: 12px;
		align-content: start;
		min-height: 0;
		padding: 2px;
		overflow-y: auto;
	}
	.roses:focus-visible {
		outline: 2px solid var(--azurite);
		outline-offset: 1px;
	}
	.none {
		max-width: 52ch;
		margin: 60px auto;
	}
	aside {
		display: flex;
		flex-direction: column;
		gap: 12px;
		padding: 14px 16px;
		border-left: 1px solid var(--line-strong);
		background: var(--panel);
		overflow-y: auto;
	}
	h2 {
		margin: 0;
		font-size: 16px;
	}
	ul {
		margin: 0;
		padding: 0;
		font-size: 13.5px;
		list-style: none;
	}
	li {
		display: flex;
		flex-wrap: wrap;
		gap: 4px 8px;
		align-items: center;
		padding: 3px 0;
	}
	.acts {
		display: flex;
		flex-wrap: wrap;
		gap: 6px;
	}
</style>
