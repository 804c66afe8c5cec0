<script lang="ts">
	import { counted } from '$core/text/counted';
	import { Button } from 'flowbite-svelte';
	import { search, type FoundFile, type SearchFolder, type Searched, type SearchPaths } from '$core/folders/search';
	import { listed } from '$core/text/listed';
	import { ApiError, ask, told } from '$lib/state/api';
	import { Newest } from '$lib/state/newest';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import EnterFiles from '$lib/ui/folders/EnterFiles.svelte';
	import GroupForm from '$lib/ui/folders/GroupForm.svelte';
	import SearchTable from '$lib/ui/folders/SearchTable.svelte';

	const workspace = useWorkspace();
	const path = `${workspace.path}/folders`;
	const mayChange = $derived(workspace.may('programs'));
	let paths = $state.raw<SearchPaths | undefined>(undefined);
	const reading = new Newest();
	let problem = $state('');
	let chosen = $state('');
	const found = $derived(paths ? search(paths) : []);
	const keyOf = (s: Searched) => `${s.seat}\n${s.file.name}`;
	const current = $derived(found.find((s) => keyOf(s) === chosen) ?? found.find((s) => s.warnings.length > 0) ?? found[0]);
	const warnings = $derived(found.flatMap((s) => s.warnings.map((w) => ({ s, w }))));
	const SIGNS = {
		stale: ['▲', 'limonite'],
		'read-only': ['◆', 'garnet'],
		'only some': ['▲', 'limonite'],
		missing: ['◆', 'garnet']
	} as const;

	const OUTCOMES = {
		read: 'has a copy, which is loaded',
		masked: 'has a copy, which is not loaded',
		'not there': 'has no copy',
		unknown: 'is not known'
	} as const;
	let entering = $state(false);
	const unseen = $derived([...new Set(found.filter(({ isKnown }) => !isKnown).map(({ seat }) => seat))]);

	// what seats report is heard with all else that changes
	$effect(() => {
		void workspace.document;
		void reading
			.of(
				() => ask<SearchPaths>(path),
				(answer) => (paths = answer)
			)
			.catch((error: unknown) => (problem = (error as Error).message));
	});

	/** Keeps what somebody has seen at a seat. */
	async function enter(seat: string, files: readonly FoundFile[]) {
		try {
			paths = await ask<SearchPaths>(path, 'POST', { seat, found: files });
			entering = false;
			problem = '';
		} catch (error) {
			problem = told(error);
		}
	}

	async function write(next: SearchPaths, keeps = true) {
		const before = paths!;
		try {
			paths = await ask<SearchPaths>(path, 'PUT', next);
			if (keeps) workspace.formerFolders = [...workspace.formerFolders, before];
			problem = '';
			return true;
		} catch (error) {
			if (!(error instanceof ApiError)) throw error;
			problem = error.message;
			return false;
		}
	}

	const setFolders = (name: string, folders: readonly SearchFolder[]) =>
		write({ ...paths!, groups: paths!.groups.map((g) => (g.name === name ? { ...g, folders: [...folders] } : g)) });

	function undo() {
		const last = workspace.formerFolders.at(-1);
		if (!last) return;
		workspace.formerFolders = workspace.formerFolders.slice(0, -1);
		void write(last, false);
	}
</script>

<div class="view">
	<section class="main" aria-label="File search">
		<header>
			<p class="quiet">Programs search their folders from the top and load the first copy that they find.</p>
			{#if mayChange}<Button size="xs" color="alternative" disabled={workspace.formerFolders.length === 0} onclick={undo}
					>Undo the last change</Button
				>{:else}<p class="quiet">Only stewards can change search folders; anyone can enter the files of a seat.</p>{/if}
		</header>
		{#if problem}<p class="callout tone-garnet" role="alert">{problem}</p>{/if}
		{#if paths && paths.groups.length === 0}
			<p class="quiet none">
				No search folders are defined for {workspace.document.application.name}. Add a group of seats with its folders, or import
				a profile file that contains them, with <i>Machine-specific settings</i> selected.
			</p>
		{/if}
		{#if paths}{#each paths.groups as group (group.name)}
				<SearchTable
					{paths}
					{group}
					{found}
					{current}
					onchoose={(one) => (chosen = keyOf(one))}
					onfolders={mayChange ? (folders) => void setFolders(group.name, folders) : undefined}
				/>
			{/each}{/if}
		{#if paths && mayChange}
			<details open={paths.groups.length === 0}>
				<summary>Add a group of seats</summary>
				<GroupForm {paths} onadd={(next) => write(next)} />
			</details>
		{/if}
		{#if paths && paths.groups.length > 0}<p class="legend quiet">
				● loaded &nbsp; ◌ exists, but an earlier copy is loaded &nbsp; · missing &nbsp; ? unknown
			</p>{/if}
	</section>
	<aside aria-label="Reason">
		{#if current}
			<h2><span class="mono">{current.file.name}</span> at {current.seat}</h2>
			<p class="quiet">{current.file.holds}</p>
			<ol>
				{#each current.trace as { folder, found: file, outcome } (folder.path)}
					<li class:read={outcome === 'read'}>
						<span class="mono">{folder.path}</span>
						{OUTCOMES[outcome]}{#if file}, of
							{file.modified.slice(0, 10)}{/if}.
					</li>
				{/each}
			</ol>
			<p>
				<b
					>{current.folder
						? `The copy in ${current.folder.path} is loaded.`
						: current.isKnown
							? 'No file is loaded.'
							: `The files at ${current.seat} are unknown.`}</b
				>
			</p>
			{@const look = paths?.looked?.[current.seat]}
			{#if look}<p class="quiet">
					{look.by === null ? `${current.seat} reported it` : `${workspace.nameOf(look.by)} entered it`} on {look.at.slice(
						0,
						10
					)}.
				</p>{/if}
			{#if entering}
				<EnterFiles
					{current}
					files={paths!.files}
					known={paths!.disks[current.seat] ?? []}
					onenter={enter}
					onleave={() => (entering = false)}
				/>
			{:else}
				<Button size="xs" color="alternative" onclick={() => (entering = true)}>Enter the files at {current.seat} …</Button>
			{/if}
		{/if}
		<h2>
			{warnings.length > 0
				? `${counted(warnings.length, 'warning')}`
				: unseen.length === 0
					? 'No warnings'
					: 'No warnings at the known seats'}
		</h2>
		{#if unseen.length > 0}<p class="quiet">
				The files at {listed(unseen)} are unknown. Seats report them automatically, or you can enter them.
			</p>{/if}
		<ul>
			{#each warnings as { s, w } (keyOf(s) + w.kind)}
				<li>
					<button type="button" class="row-button tone-{SIGNS[w.kind][1]}" onclick={() => (chosen = keyOf(s))}
						><span class="toned" aria-hidden="true">{SIGNS[w.kind][0]}</span><span>{w.sentence}</span></button
					>
				</li>
			{/each}
		</ul>
	</aside>
</div>

<style>
	.view {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 330px;
		height: 100%;
	}
	.main {
		display: flex;
		flex-direction: column;
		gap: var(--space-4);
		padding: var(--space-3) var(--space-4);
		overflow: auto;
	}
	header {
		display: flex;
		flex-wrap: wrap;
		gap: var(--space-1) var(--space-4);
		align-items: baseline;
	}
	header :global(button) {
		margin-left: auto;
	}
	.legend {
		font-size: var(--caption);
	}
	aside {
		display: flex;
		flex-direction: column;
		gap: var(--space-2);
		padding: var(--space-3) var(--space-4);
		background: var(--panel);
		border-left: 1px solid var(--line-strong);
		overflow-y: auto;
		font-size: var(--body);
	}
	aside ol {
		margin: 0;
		padding-left: var(--space-5);
		list-style: decimal;
	}
	aside ul {
		margin: 0;
		padding: 0;
		list-style: none;
	}
	.read {
		font-weight: 600;
	}
	.none {
		max-width: 560px;
	}
</style>
