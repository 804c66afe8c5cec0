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
	import MenuButton from '$lib/ui/menu/MenuButton.svelte';

	/** The bars of the program, shaped on its window as a screen shows it. */
	const workspace = useWorkspace();
	const desk = new BarDesk(workspace);
	let view = $state<WindowView | undefined>(undefined);
	let fields = $state<BarFields | undefined>(undefined);
	let showsNames = $state(false);
	let isTrue = $state(false);
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
			title: 'Bars',
			acts: () =>
				barActs(desk, {
					modes: () => (showsModes = true),
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
				{ keys: 'F2', does: 'give it another name, on the window', run: () => desk.nameCurrent() },
				{ keys: 'Delete', does: 'take it away, in the window', run: inWindow },
				{ keys: 'Enter', does: 'to its name and what else there is to say, in the window', run: inWindow }
			]
		}))
	);
	/** The window hears it itself. */
	const inWindow = () => false;
</script>

{#if desk.asking}
	{@const { what, ids } = desk.asking}
	<Confirm
		title="{what} is in {workspace.target.name} alone"
		does="Take it away"
		onconfirm={() => void desk.reset(ids, what, true)}
		onclose={() => (desk.asking = undefined)}
	>
		<p>
			Below {workspace.target.name} there is no {what}: as below means that it goes, with all that stands in it. You can undo it.
		</p>
	</Confirm>
{/if}
<div class="view">
	<section class="stage" aria-label="Window">
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
			<p>
				<Button
					size="xs"
					color="alternative"
					disabled={workspace.edits.busy}
					title="The names beside the icons of toolbars and of small places"
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
					>{isKept ? 'Unlock' : 'Lock'} where all bars stand</Button
				>
			{/if}
			{#if desk.ownAll.length > 0}
				<Button size="xs" color="alternative" onclick={() => void desk.reset(desk.ownAll, 'all', true)}
					>All {desk.ownAll.length} of {workspace.target.name} as below</Button
				>
			{/if}
		</details>
		<Modes bind:isOpen={showsModes} />
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
	.makes {
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
