<script lang="ts">
	import { counted } from '$core/text/counted';
	import { Button, Checkbox } from 'flowbite-svelte';
	import { SvelteMap } from 'svelte/reactivity';
	import { indexOf } from '$core/profile/circumstances';
	import { bring, FOLDERS, foldersItem, refusals } from '$core/hand-over/bring';
	import { isOpen } from '$core/hand-over/compare';
	import type { Item } from '$core/chapter/chapter';
	import { ALL_CHAPTERS } from '$core/profile/chapters';
	import { applyEdit } from '$core/profile/edit';

	import type { SearchPaths } from '$core/folders/search';
	import { ApiError, ask } from '$lib/state/api';
	import type { Reading } from '$lib/workers/reading.worker';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import { hotkeys } from '../hotkeys.svelte';
	import KeyCaps from '../KeyCaps.svelte';
	import StratumChip from '../StratumChip.svelte';
	import VirtualRows from '../VirtualRows.svelte';
	import Problems from './Problems.svelte';

	/** What a file would do, entry by entry, before anything is done. What replaces something waits for an answer. */
	let { file, reading, ondone }: { file: string; reading: Reading; ondone: () => void } = $props();
	const workspace = useWorkspace();
	type State = Item['state'];
	const states: { id: State; label: string; sign: string; tone: string }[] = [
		{ id: 'new', label: 'New', sign: '+', tone: 'fluorite' },
		{ id: 'replaced', label: 'Replaces', sign: '⇄', tone: 'limonite' },
		{ id: 'same', label: 'Same', sign: '=', tone: 'epidote' },
		{ id: 'refused', label: 'Refused', sign: '◆', tone: 'garnet' }
	];
	let shown = $state<State | undefined>(undefined);
	let folders = $state.raw<SearchPaths | undefined>(undefined);
	let isForRest = $state(false);
	/** What the user said of an item; new ones are taken unless they are left, replacements wait. */
	const answers = new SvelteMap<string, boolean>();

	$effect(() => {
		if (reading.folders && workspace.may('programs'))
			void ask<SearchPaths>(`${workspace.path}/folders`).then((known) => (folders = known));
	});
	const items = $derived(
		reading.folders && workspace.may('programs')
			? [foldersItem(workspace.profile, reading.folders, folders), ...reading.items]
			: reading.items
	);
	const counts = $derived(
		Object.fromEntries(states.map(({ id }) => [id, items.filter((i) => i.state === id).length])) as Record<State, number>
	);
	const isTaken = (item: Item) => isOpen(item) && (answers.get(item.key) ?? item.state === 'new');
	const rows = $derived(items.filter((i) => !shown || i.state === shown));
	const chosen = $derived(items.filter(isTaken));
	const waiting = $derived(items.filter((i) => i.state === 'replaced' && !answers.has(i.key)));
	const problems = $derived(refusals(reading.refused, items));

	function answer(item: Item, takes: boolean) {
		if (isForRest && item.key === waiting[0]?.key) for (const other of waiting) answers.set(other.key, takes);
		else answers.set(item.key, takes);
		isForRest = false;
	}

	function answerAll(takes: boolean) {
		for (const item of rows) if (isOpen(item)) answers.set(item.key, takes);
	}

	const detailOf = ({ caption, reason }: Item): string => reason ?? caption.detail;

	async function apply() {
		const { profile } = workspace;
		const adding = chosen.filter(({ chapter }) => ALL_CHAPTERS.some((c) => c.id === chapter && c.commands));
		const { changes: commands } = bring(workspace.index, profile, adding);
		const index = commands.length > 0 ? indexOf(workspace.subject, applyEdit(profile, commands)) : workspace.index;
		const { changes, left, folders: places } = bring(index, profile, chosen);
		const size = `${counted(chosen.length, 'entry', 'entries')}`;
		const isOnlyPlaces = places !== undefined && chosen.length === 1;
		if (!isOnlyPlaces && !(await workspace.edits.commit(`Import from ${file}: ${size}`, changes))) return;
		try {
			if (places) {
				await ask(`${workspace.path}/folders`, 'PUT', places);
				if (folders) workspace.formerFolders = [...workspace.formerFolders, folders];
			}
		} catch (error) {
			if (!(error instanceof ApiError)) throw error;
			workspace.notice = { kind: 'failed', text: `Imported, except for the search folders: ${error.message}` };
			return;
		}
		if (left.length > 0)
			workspace.notice = {
				kind: 'failed',
				text: `${left.length} skipped, the others were imported. Line ${left[0]!.line}: ${left[0]!.message}`
			};
		ondone();
	}

	$effect(() =>
		hotkeys.add(() => ({
			title: 'Replacements',
			keys: [
				{ keys: 'T', does: 'use the file’s', run: () => waiting[0] !== undefined && answer(waiting[0], true) },
				{ keys: 'K', does: 'keep current', run: () => waiting[0] !== undefined && answer(waiting[0], false) }
			]
		}))
	);
</script>

<section class="preview" aria-label="Preview of {file}">
	<header>
		<h2>{file}</h2>
		<div role="group" aria-label="Show" class="pills">
			<button type="button" class="pill" aria-pressed={shown === undefined} onclick={() => (shown = undefined)}
				>All {items.length}</button
			>
			{#each states as { id, label } (id)}
				<button type="button" class="pill" aria-pressed={shown === id} onclick={() => (shown = id)}
					>{label} {counts[id] + (id === 'refused' ? reading.refused.length : 0)}</button
				>
			{/each}
		</div>
	</header>
	{#if reading.foreign}<p class="callout tone-limonite">
			{reading.foreign} Entries with unknown commands are refused.
		</p>{/if}
	{#if waiting[0]}
		{@const [item] = waiting}
		<div class="question callout tone-limonite" role="group" aria-label="Replace?">
			<p>
				<span class="toned" aria-hidden="true">⇄</span>
				{#if item.caption.keys}<span class="quiet num">{item.line}</span>
					<KeyCaps keys={item.caption.keys} />{/if}
				<b>{item.caption.label}</b> <span class="quiet">{detailOf(item)}</span>
				{item.gone}.
			</p>
			<p class="answers">
				<Button size="xs" onclick={() => answer(item, true)}>Use the file’s <kbd>T</kbd></Button>
				<Button size="xs" color="alternative" onclick={() => answer(item, false)}>Keep current <kbd>K</kbd></Button>
				{#if waiting.length > 1}<Checkbox bind:checked={isForRest}>apply to the other {waiting.length - 1}</Checkbox>{/if}
			</p>
		</div>
	{/if}
	{#if problems.length > 0}<Problems {problems} {file} title="{problems.length} refused; the others can be imported" />{/if}
	<div class="tools">
		<Button size="xs" color="alternative" onclick={() => answerAll(true)}>Select all shown</Button>
		<Button size="xs" color="alternative" onclick={() => answerAll(false)}>Select none</Button>
	</div>
	<VirtualRows {rows} role="list" aria-label="Entries of the file" tabindex={0}>
		{#snippet row(value: Item, _i: number, top: number)}
			{@const look = states.find((s) => s.id === value.state)!}
			{@const line = value.caption.keys ? value.line : undefined}
			<div class="row" role="listitem" style:transform="translateY({top}px)">
				<Checkbox
					checked={isTaken(value)}
					disabled={!isOpen(value)}
					aria-label={line === undefined ? `Take ${value.caption.label}` : `Take line ${line}`}
					onchange={(event: Event) => answer(value, (event.currentTarget as HTMLInputElement).checked)}
				/>
				<span class="num quiet">{line ?? ''}</span>
				<span class="tone-{look.tone} toned state"
					><span aria-hidden="true">{look.sign}</span>
					{value.state === 'replaced' && !answers.has(value.key) ? 'Replaces?' : look.label}</span
				>
				<span
					>{#if value.chapter !== FOLDERS}<StratumChip id={value.target} />{/if}</span
				>
				<span class="keys"
					>{#if value.op !== 'set'}<small>{value.op}</small>{/if}{#if value.caption.keys}<KeyCaps
							keys={value.caption.keys}
						/>{:else if value.caption.typed}<span class="mono">{value.caption.typed}</span>{/if}</span
				>
				<span class="what">{value.caption.label} <small class="quiet">{detailOf(value)}</small></span>
				<span class="what quiet">{value.gone}</span>
			</div>
		{/snippet}
	</VirtualRows>
	<footer>
		<Button disabled={chosen.length === 0 || workspace.edits.busy} onclick={apply}
			>Import {counted(chosen.length, 'entry', 'entries')}</Button
		>
		<Button color="alternative" onclick={ondone}>Cancel</Button>
		<span class="quiet"
			>{waiting.length === 0
				? chosen.some((item) => item.chapter === FOLDERS)
					? 'One edit, with undo. Search folders are undone in Folders.'
					: 'One edit, with undo.'
				: waiting.length === 1
					? 'One replacement needs your decision and is skipped until then.'
					: `${waiting.length} replacements need your decision and are skipped until then.`}</span
		>
	</footer>
</section>

<style>
	.preview {
		display: flex;
		flex-direction: column;
		gap: var(--space-2);
		min-height: 0;
		flex: 1;
	}
	header {
		display: flex;
		justify-content: space-between;
		align-items: center;
		gap: var(--space-3);
		flex-wrap: wrap;
	}
	.question {
		display: grid;
		gap: var(--space-2);
		font-size: var(--body);
	}
	.question p {
		display: flex;
		flex-wrap: wrap;
		gap: 6px var(--space-2);
		align-items: center;
	}
	kbd {
		margin-left: 6px;
		padding: 0 var(--space-1);
		border: 1px solid currentColor;
		border-radius: 3px;
		font-family: var(--font);
		font-size: var(--caption);
	}
	.pills {
		display: flex;
		gap: var(--space-1);
	}
	.tools {
		display: flex;
		gap: 6px;
	}
	.row {
		position: absolute;
		top: 0;
		left: 0;
		width: 100%;
		height: var(--row);
		display: grid;
		grid-template-columns: 22px 46px 92px 14px 150px minmax(0, 1.4fr) minmax(0, 1fr);
		gap: var(--space-2);
		align-items: center;
		border-bottom: 1px solid var(--line);
		font-size: var(--body);
	}
	.state {
		font-size: var(--dense);
	}
	.keys {
		display: flex;
		gap: 6px;
		align-items: center;
		overflow: hidden;
	}
	.what {
		white-space: nowrap;
		overflow: hidden;
		text-overflow: ellipsis;
	}
	small {
		font-size: var(--caption);
	}
	footer {
		white-space: nowrap;
		display: flex;
		gap: var(--space-2);
		align-items: center;
	}
</style>
