<script lang="ts">
	import { untrack } from 'svelte';
	import { page } from '$app/state';
	import { Button } from 'flowbite-svelte';
	import type { ItemId } from '$core/chapters/bars/bar';
	import { BARS } from '$core/chapters/bars/bar';
	import { MODES } from '$core/chapters/modes/mode';
	import { BarDesk, KINDS } from '$lib/state/bar-desk.svelte';
	import { COMMAND } from '$lib/state/bar-drag.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import { barActs } from '$lib/ui/bars/acts';
	import BarFields from '$lib/ui/bars/BarFields.svelte';
	import Differences from '$lib/ui/bars/Differences.svelte';
	import Modes from '$lib/ui/bars/Modes.svelte';
	import ScreenCards from '$lib/ui/bars/ScreenCards.svelte';
	import ScreensBeside from '$lib/ui/bars/ScreensBeside.svelte';
	import StyleDialog from '$lib/ui/bars/StyleDialog.svelte';
	import WindowView from '$lib/ui/bars/WindowView.svelte';
	import CommandPick from '$lib/ui/CommandPick.svelte';
	import FindingsHere from '$lib/ui/findings/FindingsHere.svelte';
	import Confirm from '$lib/ui/Confirm.svelte';
	import { hotkeys } from '$lib/ui/hotkeys.svelte';
	import ViewActs from '$lib/ui/kit/ViewActs.svelte';
	import { WindowZoom } from '$lib/ui/bars/zoom.svelte';
	import MenuButton from '$lib/ui/menu/MenuButton.svelte';

	/** The bars of the program, shaped on its window as a screen shows it. */
	const workspace = useWorkspace();
	const desk = new BarDesk(workspace);
	let view = $state<WindowView | undefined>(undefined);
	let fields = $state<BarFields | undefined>(undefined);
	let showsNames = $state(false);
	const zoom = new WindowZoom(desk);
	/** The screens of the office are looked at one beside the other. */
	let areBeside = $state(false);
	let showsModes = $state(page.url.searchParams.has('modes'));
	let isRestyling = $state(false);
	const RARE = ['flyout', 'menu', 'cursor', 'context', 'quick', 'ribbon'] as const;
	const findings = $derived([...workspace.findings.of(MODES).all, ...workspace.findings.of(BARS).all]);

	$effect(() => {
		const wanted = page.url.searchParams.get('item') as ItemId | null;
		if (wanted) untrack(() => desk.show(wanted));
	});

	const toggleUntouched = () => {
		desk.isUntouched = !desk.isUntouched;
		desk.selected = [];
	};

	$effect(() =>
		hotkeys.add(() => ({
			title: 'Toolbars',
			acts: () =>
				barActs(desk, {
					modes: () => (showsModes = true),
					restyle: () => (isRestyling = true),
					beside: () => (areBeside = !areBeside),
					trueSize: () => zoom.to(1),
					names: () => (showsNames = !showsNames),
					untouched: toggleUntouched
				}),
			keys: [
				{ keys: 'U', does: 'show the default toolbars, and back', run: toggleUntouched },
				{ keys: 'I', does: 'show the names of all icons', run: () => (showsNames = !showsNames) },
				{ keys: '+', does: 'zoom in', run: () => zoom.step(1) },
				{ keys: '-', does: 'zoom out; with the wheel by Ctrl', run: () => zoom.step(-1) },
				{ keys: '0', does: 'fit the whole window', run: () => zoom.to('fit') },
				{ keys: '↑ ↓ ← →', does: 'select the next button, in the window', run: inWindow },
				{ keys: 'Ctrl →', does: 'move the selection, in the window', run: inWindow },
				{ keys: 'F2', does: 'rename the selection, in the window', run: () => desk.nameCurrent() },
				{ keys: 'Delete', does: 'remove the selection, in the window', run: inWindow },
				{ keys: 'Enter', does: 'edit the selection, in the window', run: inWindow }
			]
		}))
	);
	/** The window hears it itself. */
	const inWindow = () => false;
</script>

{#if desk.asking}
	{@const { what, ids } = desk.asking}
	<Confirm
		title="{what} exists only in {workspace.target.name}"
		does="Remove"
		onconfirm={() => void desk.reset(ids, what, true)}
		onclose={() => (desk.asking = undefined)}
	>
		<p>
			The levels below {workspace.target.name} have no {what}. A reset removes it with everything in it. You can undo this.
		</p>
	</Confirm>
{/if}
<ViewActs>
	<span class="segmented" role="group" aria-label="Zoom">
		<button class="pill" type="button" aria-label="Zoom out" onclick={() => zoom.step(-1)}>−</button>
		<button class="pill" type="button" aria-pressed={zoom.scale === zoom.fit} onclick={() => zoom.to('fit')}>Fit</button>
		<button class="pill" type="button" aria-pressed={zoom.scale === 1} onclick={() => zoom.to(1)}>True size</button>
		<button class="pill" type="button" aria-label="Zoom in" onclick={() => zoom.step(1)}>+</button>
	</span>
</ViewActs>
<div class="view">
	<section class="stage" aria-label="Program window">
		<div class="tools">
			<span class="makes">
				<Button size="xs" color="alternative" onclick={() => (desk.naming = { making: 'toolbar' })}>New toolbar</Button>
				<Button size="xs" color="alternative" onclick={() => (desk.naming = { making: 'tab' })}>New tab</Button>
				<Button size="xs" color="alternative" onclick={() => (desk.naming = { making: 'group' })}>New group</Button>
				<MenuButton
					label="New …"
					items={[
						{ name: 'separator', run: () => void desk.add('separator') },
						...RARE.map((kind) => ({ name: KINDS[kind], run: () => (desk.naming = { making: kind }) }))
					]}
				/>
			</span>
			<Button size="xs" color="alternative" onclick={() => (isRestyling = true)}
				>Switch to {desk.style === 'ribbon' ? 'toolbars' : 'a ribbon'} …</Button
			>
			<button class="pill" type="button" aria-pressed={areBeside} onclick={() => (areBeside = !areBeside)}>Screens</button>
			<button class="pill" type="button" aria-pressed={showsNames} onclick={() => (showsNames = !showsNames)}>Names</button>
			<button class="pill" type="button" aria-pressed={desk.isUntouched} onclick={toggleUntouched}>Default</button>
		</div>
		{#if areBeside}<ScreensBeside {desk} onpick={() => (areBeside = false)} />{:else}<WindowView
				bind:this={view}
				{desk}
				{showsNames}
				{zoom}
				onfields={() => fields?.focus()}
			/>{/if}
		<ScreenCards {desk} />
		<p class="visually-hidden" aria-live="polite">{desk.told}</p>
	</section>
	<aside aria-label="Selection">
		<CommandPick
			label="Add a command to the toolbars"
			carried={COMMAND}
			onpick={(command) => void desk.add({ command: command.id })}
		/>
		<BarFields bind:this={fields} {desk} onleave={() => view?.focus()} />
		<details class="all">
			<summary>All toolbars {desk.tree.bars.length}</summary>
			<p>
				<Button
					size="xs"
					color="alternative"
					disabled={workspace.edits.busy}
					title="Labels beside the icons of toolbars and small buttons"
					onclick={() => void desk.setLabels(!desk.hasLabels)}>All labels {desk.hasLabels ? 'off' : 'on'}</Button
				>
			</p>
			<ul>
				{#each desk.tree.bars as bar (bar.id)}
					<li>
						<button class="linkish" type="button" onclick={() => desk.select(bar.id)}>{bar.item.name}</button>
						<span class="quiet"
							>{bar.item.form}{bar.item.hidden ? ', hidden' : ''}, {bar.item.dock.edge}{bar.keptBy ? ', locked there' : ''}</span
						>
					</li>
				{/each}
			</ul>
			{#if workspace.role === 'steward' && desk.tree.bars.length > 0}
				{@const isKept = desk.tree.bars.every(({ keptBy }) => keptBy)}
				<Button
					size="xs"
					color="alternative"
					disabled={workspace.edits.busy}
					onclick={() => void desk.lockPositions(desk.tree.bars, !isKept)}
					>{isKept ? 'Unlock' : 'Lock'} the position of all toolbars</Button
				>
			{/if}
			{#if desk.ownAll.length > 0}
				<Button size="xs" color="alternative" onclick={() => void desk.reset(desk.ownAll, 'all', true)}
					>Reset all {desk.ownAll.length} in {workspace.target.name}</Button
				>
			{/if}
		</details>
		<Modes bind:isOpen={showsModes} />
		<Differences {desk} />
		<FindingsHere
			{findings}
			name="Toolbar findings"
			folds
			isAbout={({ witness }) =>
				(witness.kind === 'bar' && desk.selected.includes(witness.item as ItemId)) || (witness.kind === 'mode' && showsModes)}
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
	.makes {
		display: flex;
		gap: 6px;
		align-items: center;
	}
	.makes {
		margin-right: auto;
		gap: var(--space-1);
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
		gap: var(--space-3);
		padding: var(--space-3) var(--space-4);
		border-left: 1px solid var(--line-strong);
		background: var(--panel);
		overflow-y: auto;
	}
	.all {
		font-size: var(--dense);
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
