<script lang="ts">
	import { Button } from 'flowbite-svelte';
	import ViewActs from '$lib/ui/kit/ViewActs.svelte';
	import { Modal } from 'flowbite-svelte';
	import type { Command } from '$core/application/command';
	import { EVERYWHERE, type Scope } from '$core/context/scope';
	import { BOARDS } from '$core/keyboard/board';
	import { PLATFORM_NAMES, type Desk } from '$core/keyboard/desk';
	import { facesOf, planeOf, type Face, type Plane } from '$core/answer/key-face';
	import { LAYOUTS } from '$core/keyboard/layouts';
	import { officeDesks } from '$core/keyboard/office-desks';
	import type { Binding } from '$core/shortcut/effective';
	import type { StratumKind } from '$core/strata/stratum';
	import type { Finding } from '$core/chapters/shortcuts/check/finding';
	import { MODIFIERS, readable, type Keys, type Modifier } from '$core/stroke/stroke';
	import { useWorkspace, type Workspace } from '$lib/state/workspace.svelte';
	import StatePicker from '$lib/ui/StatePicker.svelte';
	import DeskPicker from '$lib/ui/DeskPicker.svelte';
	import VerdictPanel from '$lib/ui/commands/VerdictPanel.svelte';
	import BesideBoard from '$lib/ui/keyboard/BesideBoard.svelte';
	import Board from '$lib/ui/keyboard/Board.svelte';
	import KeyPanel from '$lib/ui/keyboard/KeyPanel.svelte';
	import { legendOf, modifierName } from '$lib/ui/keyboard/legend';
	import type { Filter } from '$lib/ui/keyboard/mark';
	import Rows from '$lib/ui/keyboard/Rows.svelte';
	import SuggestPanel from '$lib/ui/keyboard/SuggestPanel.svelte';
	import Picker from '$lib/ui/Picker.svelte';
	import Recorder from '$lib/ui/Recorder.svelte';
	import { labelOf } from '$lib/ui/wording';

	interface Proposal {
		readonly command: Command;
		readonly keys: Keys | undefined;
		readonly scope: Scope;
		readonly instead?: Binding;
	}

	/** The workspace that is edited, whichever state is looked at. */
	let { edited }: { edited: Workspace } = $props();
	const workspace = useWorkspace();
	let desk = $state.raw<Desk>(workspace.office.usual);
	/** The parts of the equipment are chosen one by one. */
	let isChanging = $state(false);
	let drawing = $state<'taken' | 'reach' | 'rows'>('taken');
	let picked = $state.raw<readonly Modifier[]>([]);
	let held = $state.raw<readonly Modifier[]>([]);
	let selected = $state<string | undefined>('KeyF');
	let filter = $state<Filter>('all');
	let wish = $state.raw<Command | undefined>(undefined);
	let proposal = $state.raw<Proposal | undefined>(undefined);
	let dragged = $state.raw<Binding | undefined>(undefined);
	let width = $state(0);
	let panel = $state<VerdictPanel | undefined>(undefined);

	/** From this width on, two boards are as large as one was. */
	const hasTwo = $derived(width >= 1640);
	const modifiers = $derived(held.length > 0 ? held : picked);
	const at = $derived(Math.max(0, planeOf(modifiers)));
	/** Reach and suggestions are for the desk that is drawn; that strokes work on all others as well stays true. */
	const office = $derived(
		officeDesks(workspace.document.application.rules, [
			{ ...desk, seats: ['this equipment'] },
			...workspace.office.desks.map((d) => ({ ...d, seats: [] }))
		])
	);
	const faces = $derived(facesOf(workspace.index, workspace.situation, desk));
	const face = $derived(faces.find((f) => f.key.code === selected));
	/** The panels follow the drawing a frame later, so that the drawing itself is there within one. */
	let told = $state.raw<{ face: Face | undefined; at: number }>({ face: undefined, at: 0 });
	$effect(() => {
		const next = { face, at };
		const frame = requestAnimationFrame(() => (told = next));
		return () => cancelAnimationFrame(frame);
	});
	const findings = $derived.by(() => {
		const byKeys = new Map<Keys, Finding[]>();
		for (const finding of workspace.findings.open) {
			const { keys } = finding.witness;
			if (!keys) continue;
			const list = byKeys.get(keys);
			if (list) list.push(finding);
			else byKeys.set(keys, [finding]);
		}
		return byKeys;
	});
	const kinds = $derived(new Map<string, StratumKind>(workspace.profile.map((s) => [s.id, s.kind])));
	const ground = $derived({
		index: workspace.index,
		office,
		changed: workspace.draft.changedCommands,
		findings,
		kindOf: (stratum: string) => kinds.get(stratum) ?? 'factory'
	});
	const categories = [...new Set(workspace.document.commands.map((c) => c.category[0]!))];
	const filters: { value: Filter; name: string }[] = [
		{ value: 'all', name: 'All keys' },
		{ value: 'free-here', name: 'Free here' },
		{ value: 'free-everywhere', name: 'Free everywhere' },
		{ value: 'changed', name: 'Changed' },
		{ value: 'findings', name: 'With findings' },
		{ value: 'personal', name: 'Personal' },
		{ value: 'office', name: 'Office' },
		{ value: 'factory', name: 'Factory' },
		...categories.map((c) => ({ value: `category:${c}` as const, name: c }))
	];
	/** The desks in use first, then a free choice. */
	const inUse = $derived(
		workspace.office.desks.map((d, i) => ({
			value: String(i),
			name: `${BOARDS[d.board].name}, ${LAYOUTS[d.layout].name}, ${PLATFORM_NAMES[d.platform]}${d.seats.length > 0 ? ` (${d.seats.join(', ')})` : ''}`
		}))
	);
	const isSame = (a: Desk, b: Desk) =>
		a.board === b.board && a.layout === b.layout && a.platform === b.platform && a.mouse === b.mouse;
	const show = $derived({ modifiers, filter, drawing: drawing === 'reach' ? drawing : ('taken' as const), ground });
	const inUseAt = $derived(workspace.office.desks.findIndex((d) => isSame(d, desk)));
	const legend = $derived(told.face ? legendOf(told.face.key.code, told.face.legends, false) || 'Space' : '');

	function toggle(modifier: Modifier) {
		picked = MODIFIERS.filter((m) => (m === modifier ? !picked.includes(m) : picked.includes(m)));
	}

	function select(code: string, withModifiers: readonly Modifier[]) {
		selected = code;
		if (held.length > 0) picked = withModifiers;
		proposal = undefined;
	}

	const turnTo = (plane: Plane) => (picked = plane.modifiers);

	function move(binding: Binding, keys?: Keys) {
		const command = workspace.catalogue.get(binding.command);
		if (command) proposal = { command, keys, scope: binding.scope, instead: binding };
	}

	function done() {
		proposal = undefined;
	}
</script>

<svelte:window onblur={() => (held = [])} />

<ViewActs><StatePicker workspace={edited} /></ViewActs>

<div class="view" bind:clientWidth={width}>
	<div class="bar">
		<div class="group">
			<span class="quiet">Equipment</span>
			<Picker
				label="Equipment"
				value={String(inUseAt)}
				items={[...inUse, ...(inUseAt < 0 ? [{ value: '-1', name: 'other' }] : [])]}
				onpick={(v) => Number(v) >= 0 && (desk = workspace.office.desks[Number(v)]!)}
			/>
			<Button size="xs" color="alternative" aria-expanded={isChanging} onclick={() => (isChanging = !isChanging)}>Change</Button>
		</div>
		<div class="group segmented" role="group" aria-label="Drawing">
			{#each [['taken', 'Taken'], ['reach', 'Reach'], ['rows', 'Rows']] as [value, name] (value)}
				<button class="pill" type="button" aria-pressed={drawing === value} onclick={() => (drawing = value as typeof drawing)}
					>{name}</button
				>
			{/each}
		</div>
		{#if drawing !== 'rows'}
			<div class="group" role="group" aria-label="Modifiers">
				{#each ['Ctrl', 'Shift', 'Alt'] as const as modifier (modifier)}
					<button class="pill" type="button" aria-pressed={modifiers.includes(modifier)} onclick={() => toggle(modifier)}
						>{modifierName(modifier, desk.platform)}</button
					>
				{/each}
			</div>
			<Picker label="Show" value={filter} items={filters} onpick={(v) => (filter = v as Filter)} />
		{/if}
	</div>
	{#if isChanging}
		<div class="bar">
			<span class="quiet">Keyboard and mouse</span>
			<DeskPicker {desk} onchange={(next) => (desk = { ...desk, ...next })} />
		</div>
	{/if}

	{#if drawing === 'rows'}
		<section class="scroll" aria-label="Rows"><Rows {faces} {desk} /></section>
	{:else}
		<section class="stage" class:two={hasTwo} aria-label="Keyboard">
			<div class="fit" style:max-width="calc(46vh * {BOARDS[desk.board].width / BOARDS[desk.board].height})">
				<Board {faces} {desk} {show} {selected} bind:dragged onselect={select} onhold={(m) => (held = m)} ondropped={move} />
			</div>
			{#if hasTwo}
				<div class="fit">
					<BesideBoard
						index={workspace.index}
						situation={workspace.situation}
						{desk}
						desks={workspace.office.desks}
						{show}
						{selected}
						bind:dragged
						onselect={(code, plane) => {
							picked = plane;
							selected = code;
							proposal = undefined;
						}}
						ondropped={move}
					/>
				</div>
			{/if}
		</section>
		<div class="panels">
			{#if told.face}
				<KeyPanel
					face={told.face}
					at={told.at}
					{legend}
					onplane={turnTo}
					onassign={(command, keys) => (proposal = { command, keys, scope: EVERYWHERE })}
					onmove={(binding) => move(binding)}
				/>
			{:else}
				<p class="quiet">Press a key, or click one.</p>
				<span></span>
			{/if}
			<SuggestPanel
				command={wish}
				{office}
				onwish={(command) => (wish = command)}
				onchoose={(command, keys, scope) => (proposal = { command, keys, scope })}
			/>
		</div>
	{/if}
</div>

{#if proposal}
	{@const { command, keys, scope, instead } = proposal}
	<Modal
		open
		title={readable(instead ? `Move ${command.label} from ${instead.keys}` : `${keys} for ${command.label}`)}
		aria-label="Assign"
		size="md"
		onclose={done}
		classes={{ body: 'p-4 md:p-4 space-y-3', header: 'p-4 md:p-4' }}
	>
		{#if instead}
			<Recorder
				label="New keys for {labelOf(workspace.index, command.id)}"
				atOnce
				onheard={(heard) => heard && (proposal = { ...proposal!, keys: heard })}
				onaccept={() => panel?.apply()}
				onleave={done}
			/>
		{/if}
		{#if keys}
			<VerdictPanel bind:this={panel} command={command.id} {keys} {scope} {instead} onassigned={done} onanother={done} />
		{/if}
	</Modal>
{/if}

<style>
	.view {
		display: flex;
		flex-direction: column;
		height: 100%;
		min-height: 0;
	}
	.bar {
		display: flex;
		flex-wrap: wrap;
		gap: var(--space-2) var(--space-3);
		align-items: center;
		padding: var(--space-2) var(--space-4);
		border-bottom: 1px solid var(--line-strong);
	}
	.group {
		display: flex;
		gap: var(--space-1);
		align-items: center;
	}
	.bar :global(select) {
		max-width: 300px;
	}
	/* the whole board shows down to a page of 1024; on narrower ones the numeric keys are scrolled to */
	.stage {
		padding: var(--space-3) var(--space-4) var(--space-3);
		overflow-x: auto;
	}
	.fit {
		min-width: 780px;
		margin: 0 auto;
	}
	.two {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: var(--space-6);
		padding-top: 44px;
	}
	.two .fit {
		width: 100%;
	}
	.panels {
		display: grid;
		grid-template-columns: repeat(3, minmax(0, 1fr));
		flex: 1;
		min-height: 0;
		border-top: 1px solid var(--line-strong);
	}
	.panels > :global(*) {
		padding: var(--space-3) var(--space-4);
		overflow-y: auto;
	}
	.panels > :global(* + *) {
		border-left: 1px solid var(--line);
	}
	.scroll {
		flex: 1;
		min-height: 0;
		overflow: auto;
	}
</style>
