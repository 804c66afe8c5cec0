<script lang="ts">
	import { untrack } from 'svelte';
	import { page } from '$app/state';
	import { Button, Input } from 'flowbite-svelte';
	import type { BarForm, ItemId } from '$core/chapters/bars/bar';
	import { BARS } from '$core/chapters/bars/bar';
	import { BarDesk } from '$lib/state/bar-desk.svelte';
	import { COMMAND } from '$lib/state/bar-drag.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import { barActs, KINDS, type Making } from '$lib/ui/bars/acts';
	import BarFields from '$lib/ui/bars/BarFields.svelte';
	import Differences from '$lib/ui/bars/Differences.svelte';
	import ScreenCards from '$lib/ui/bars/ScreenCards.svelte';
	import ScreensBeside from '$lib/ui/bars/ScreensBeside.svelte';
	import StyleDialog from '$lib/ui/bars/StyleDialog.svelte';
	import WindowView from '$lib/ui/bars/WindowView.svelte';
	import CommandPick from '$lib/ui/CommandPick.svelte';
	import FindingsHere from '$lib/ui/findings/FindingsHere.svelte';
	import Picker from '$lib/ui/Picker.svelte';
	import { hotkeys } from '$lib/ui/hotkeys.svelte';

	/** The bars of the program, shaped on its window as a screen shows it. */
	const workspace = useWorkspace();
	const desk = new BarDesk(workspace);
	let view = $state<WindowView | undefined>(undefined);
	let fields = $state<BarFields | undefined>(undefined);
	let showsNames = $state(false);
	let isTrue = $state(false);
	/** The screens of the office are looked at one beside the other. */
	let areBeside = $state(false);
	let isRestyling = $state(false);
	/** What is about to be made, while its name is typed. */
	let making = $state<Making | undefined>(undefined);
	const RARE = ['flyout', 'menu', 'cursor', 'context', 'quick', 'ribbon'] as const;
	let name = $state('');
	let nameField = $state<HTMLInputElement | undefined>(undefined);
	const findings = $derived(workspace.findings.of(BARS).all);

	$effect(() => {
		const wanted = page.url.searchParams.get('item') as ItemId | null;
		if (wanted) untrack(() => desk.show(wanted));
	});
	$effect(() => {
		if (making) nameField?.focus();
	});

	async function make(event: SubmitEvent) {
		event.preventDefault();
		const said = name.trim();
		const kind = making;
		if (said === '' || !kind) return;
		making = undefined;
		name = '';
		if (kind === 'tab') await desk.addTab(said);
		else if (kind === 'group') await desk.addGroup(said);
		else if (kind === 'flyout') await desk.add({ flyout: said });
		else if (kind === 'menu') await desk.addMenu(said);
		else await desk.addBar(kind satisfies BarForm, said);
		view?.focus();
	}

	function leaveName(event: KeyboardEvent) {
		if (event.key !== 'Escape') return;
		event.preventDefault();
		making = undefined;
		view?.focus();
	}

	const toggleUntouched = () => {
		desk.isUntouched = !desk.isUntouched;
		desk.selected = [];
	};

	$effect(() =>
		hotkeys.add(() => ({
			title: 'Bars',
			acts: () =>
				barActs(desk, {
					make: (kind) => (making = kind),
					restyle: () => (isRestyling = true),
					beside: () => (areBeside = !areBeside),
					trueSize: () => (isTrue = !isTrue),
					names: () => (showsNames = !showsNames),
					untouched: toggleUntouched
				}),
			keys: [
				{ keys: 'U', does: 'show the factory’s bars, and back', run: toggleUntouched },
				{ keys: 'I', does: 'show the names of all icons at once', run: () => (showsNames = !showsNames) },
				{ keys: '↑ ↓ ← →', does: 'go from place to place, in the window', run: inWindow },
				{ keys: 'Ctrl →', does: 'move what is selected, in the window', run: inWindow },
				{ keys: 'Delete', does: 'take it away, in the window', run: inWindow },
				{ keys: 'Enter', does: 'to its name and what else there is to say, in the window', run: inWindow }
			]
		}))
	);
	/** The window hears it itself. */
	const inWindow = () => false;
</script>

<div class="view">
	<section class="stage" aria-label="Window">
		<div class="tools">
			<span class="makes">
				{#if making}
					<form onsubmit={make}>
						<Input
							bind:elementRef={nameField}
							bind:value={name}
							size="sm"
							placeholder="Name of the {KINDS[making]}"
							aria-label="Name of the new {KINDS[making]}"
							onkeydown={leaveName}
						/>
						<Button size="xs" type="submit" disabled={name.trim() === ''}>Make</Button>
					</form>
				{:else}
					<Button size="xs" color="alternative" onclick={() => (making = 'toolbar')}>New toolbar</Button>
					<Button size="xs" color="alternative" onclick={() => (making = 'tab')}>New tab</Button>
					<Button size="xs" color="alternative" onclick={() => (making = 'group')}>New group</Button>
					<Picker
						label="New"
						value=""
						items={[
							{ value: '', name: 'New …' },
							{ value: 'separator', name: 'separator' },
							...RARE.map((kind) => ({ value: kind, name: KINDS[kind] }))
						]}
						onpick={(kind) => {
							if (kind === 'separator') void desk.add('separator');
							else if (kind !== '') making = kind as (typeof RARE)[number];
						}}
					/>
				{/if}
			</span>
			<Button size="xs" color="alternative" onclick={() => (isRestyling = true)}
				>As {desk.style === 'ribbon' ? 'toolbars' : 'a ribbon'} …</Button
			>
			<button class="pill" type="button" aria-pressed={areBeside} onclick={() => (areBeside = !areBeside)}>Screens</button>
			<button class="pill" type="button" aria-pressed={isTrue} onclick={() => (isTrue = !isTrue)}>True size</button>
			<button class="pill" type="button" aria-pressed={showsNames} onclick={() => (showsNames = !showsNames)}>Names</button>
			<button class="pill" type="button" aria-pressed={desk.isUntouched} onclick={toggleUntouched}>Untouched</button>
		</div>
		{#if areBeside}<ScreensBeside {desk} onpick={() => (areBeside = false)} />{:else}<WindowView
				bind:this={view}
				{desk}
				{showsNames}
				{isTrue}
				onfields={() => fields?.focus()}
			/>{/if}
		<ScreenCards {desk} />
		<p class="visually-hidden" aria-live="polite">{desk.told}</p>
	</section>
	<aside aria-label="What is selected">
		<CommandPick
			label="Add a command to the bars"
			carried={COMMAND}
			onpick={(command) => void desk.add({ command: command.id })}
		/>
		<BarFields bind:this={fields} {desk} onleave={() => view?.focus()} />
		<details class="all">
			<summary>All bars {desk.tree.bars.length}</summary>
			<ul>
				{#each desk.tree.bars as bar (bar.id)}
					<li>
						<button class="linkish" type="button" onclick={() => desk.select(bar.id)}>{bar.item.name}</button>
						<span class="quiet">{bar.item.form}{bar.item.hidden ? ', hidden' : ''}, {bar.item.dock.edge}</span>
					</li>
				{/each}
			</ul>
			{#if desk.ownAll.length > 0}
				<Button size="xs" color="alternative" onclick={() => void desk.reset(desk.ownAll, 'all')}
					>All {desk.ownAll.length} of {workspace.target.name} as below</Button
				>
			{/if}
		</details>
		<Differences {desk} />
		<FindingsHere
			{findings}
			name="Findings of the bars"
			onshow={({ witness }) => witness.kind === 'bar' && desk.select(witness.item as ItemId)}
		/>
	</aside>
</div>

{#if isRestyling}<StyleDialog {desk} onclose={() => (isRestyling = false)} />{/if}

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
	.makes,
	form {
		display: flex;
		gap: 6px;
		align-items: center;
	}
	.makes {
		margin-right: auto;
		gap: 4px;
	}
	.makes :global(select) {
		width: 84px;
	}
	.linkish {
		text-align: left;
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
	.all {
		font-size: 13px;
	}
	.all ul {
		margin: 6px 0;
		padding: 0;
		list-style: none;
	}
	.all li {
		display: flex;
		justify-content: space-between;
		padding: 3px 0;
	}
</style>
