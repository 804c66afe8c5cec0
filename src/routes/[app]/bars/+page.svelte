<script lang="ts">
	import { untrack } from 'svelte';
	import { page } from '$app/state';
	import { Button, Input } from 'flowbite-svelte';
	import type { BarForm, ItemId } from '$core/chapters/bars/bar';
	import { BARS } from '$core/chapters/bars/bar';
	import { BarDesk } from '$lib/state/bar-desk.svelte';
	import { COMMAND } from '$lib/state/bar-drag.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import BarFields from '$lib/ui/bars/BarFields.svelte';
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
	let making = $state<keyof typeof KINDS | undefined>(undefined);
	const KINDS = {
		toolbar: 'toolbar',
		tab: 'tab',
		group: 'group',
		flyout: 'flyout',
		menu: 'menu',
		cursor: 'cursor bar',
		context: 'context menu',
		quick: 'quick bar',
		ribbon: 'ribbon'
	} as const;
	const RARE = ['flyout', 'menu', 'cursor', 'context', 'quick', 'ribbon'] as const;
	let name = $state('');
	let nameField = $state<HTMLInputElement | undefined>(undefined);
	/** What each screen loses: what it keeps in drawers, and what falls off. */
	const losses = $derived(
		desk.screens.map((screen, at) => {
			const layout = desk.layoutOn(at);
			const strips = layout.ribbons.flatMap(({ strip }) => strip ?? []);
			const off = strips.flatMap((strip) => strip.off.map((group) => ({ id: group.id, name: `${group.name}, off the window` })));
			const drawers = [
				...strips.flatMap((strip) => strip.drawers.map(({ group, places }) => ({ id: group.id, name: group.name, places }))),
				...layout.toolbars.flatMap(({ bar, drawer }) =>
					drawer.length > 0 ? [{ id: bar.id, name: bar.name, places: drawer }] : []
				)
			].map(({ id, name: of, places }) => ({ id, name: `${of}: ${places.map((place) => place.label).join(', ')}` }));
			return { screen, at, share: layout.share, before: desk.sharesOn(at), lost: [...off, ...drawers] };
		})
	);
	const percent = (part: number) => `${(part * 100).toFixed(1)} %`;
	const BASES = { nothing: 'nothing', factory: 'factory', office: 'office', release: 'the last release' } as const;
	const DONE = { new: 'new', gone: 'taken away', moved: 'moved', changed: 'changed' } as const;
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
		<div class="screens" role="group" aria-label="What each screen loses">
			{#each losses as { screen, at, share, before, lost } (screen.name)}
				<section class="tone-{lost.length > 0 ? 'limonite' : 'epidote'}" class:here={at === desk.screenAt}>
					<button type="button" class="screen" aria-pressed={at === desk.screenAt} onclick={() => (desk.screenAt = at)}
						><b>{screen.name}</b> <span class="num quiet">{(share * 100).toFixed(1)} %</span></button
					>
					<p class="quiet">
						as it comes {percent(before.factory)}{#if before.release !== undefined}, release {workspace.channel}
							{percent(before.release)}{/if}
					</p>
					{#if lost.length === 0}<p class="quiet">Everything shows.</p>{/if}
					{#each lost as one (one.id)}
						<p><button class="linkish" type="button" onclick={() => desk.select(one.id as ItemId)}>{one.name}</button></p>
					{/each}
					{#if at === desk.screenAt && desk.fit && desk.fit.changes.length > 0 && desk.fit.saves > 0.05}
						<p class="fit">
							<span aria-hidden="true">◇</span> A better fit of {desk.fit.tab.name} saves {desk.fit.saves === Infinity
								? 'what falls off'
								: `${desk.fit.saves.toFixed(1)} s a day`}: {desk.fit.changes
								.map(({ group, form }) => `${group.name} ${form === 'folded' ? 'as one button' : form}`)
								.join(', ')}.
							<button class="linkish" type="button" disabled={workspace.edits.busy} onclick={() => void desk.takeFit()}
								>Take the fit</button
							>
						</p>
					{/if}
				</section>
			{/each}
		</div>
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
		<div class="differs">
			<label class="pair"
				>Changed against <Picker
					label="Changed against"
					value={desk.against}
					items={(['nothing', ...desk.comparable] as const).map((base) => ({ value: base, name: BASES[base] }))}
					onpick={(base) => (desk.against = base as typeof desk.against)}
				/></label
			>
			{#if desk.against !== 'nothing'}
				<ul aria-label="What differs">
					{#each desk.differences as one (one.id)}
						<li>
							<button class="linkish" type="button" disabled={!one.is} onclick={() => desk.show(one.id)}
								>{desk.nameOf(one.is ?? one.was!)}</button
							>
							<span class="quiet">{DONE[one.kind]}</span>
							<button
								class="linkish"
								type="button"
								disabled={workspace.edits.busy}
								aria-label="Take back {desk.nameOf(one.is ?? one.was!)}"
								onclick={() => void desk.takeBack(one)}>Take back</button
							>
						</li>
					{:else}<li class="quiet">Nothing differs.</li>{/each}
				</ul>
			{/if}
		</div>
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
	.screens {
		display: grid;
		flex: none;
		grid-template-columns: repeat(auto-fit, minmax(148px, 1fr));
		gap: 10px;
		max-height: 150px;
		overflow-y: auto;
		font-size: 12.5px;
	}
	.screens section {
		padding: 5px 0 0;
		border-top: 3px solid var(--line-strong);
	}
	.screens .here {
		border-top-color: var(--tone);
	}
	.screen {
		display: flex;
		justify-content: space-between;
		width: 100%;
		padding: 0;
		border: 0;
		background: none;
		color: var(--ink);
		font: inherit;
		text-align: left;
	}
	.linkish {
		text-align: left;
	}
	.fit {
		color: var(--fluorite);
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
	.all,
	.differs {
		font-size: 13px;
	}
	.pair {
		display: flex;
		gap: 8px;
		align-items: center;
	}
	.differs ul,
	.all ul {
		margin: 6px 0;
		padding: 0;
		list-style: none;
	}
	.differs li,
	.all li {
		display: flex;
		justify-content: space-between;
		padding: 3px 0;
	}
</style>
