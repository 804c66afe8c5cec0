<script lang="ts">
	import { Button } from 'flowbite-svelte';
	import { onMount } from 'svelte';
	import { search, type SearchFolder, type Searched, type SearchPaths } from '$core/folders/search';
	import { ApiError, ask } from '$lib/state/api';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import GroupForm from '$lib/ui/folders/GroupForm.svelte';
	import SearchTable from '$lib/ui/folders/SearchTable.svelte';

	const workspace = useWorkspace();
	const path = `${workspace.path}/folders`;
	let paths = $state.raw<SearchPaths | undefined>(undefined);
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

	onMount(async () => {
		try {
			paths = await ask<SearchPaths>(path);
		} catch (error) {
			problem = (error as Error).message;
		}
	});

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
	<section class="main" aria-label="Which file wins">
		<header>
			<h1>Which file wins</h1>
			<p class="quiet">Programs search their folders from the top; the first that has the file is read.</p>
			<Button size="xs" color="alternative" disabled={workspace.formerFolders.length === 0} onclick={undo}
				>Undo the last change</Button
			>
		</header>
		{#if problem}<p class="callout tone-garnet" role="alert">{problem}</p>{/if}
		{#if paths && paths.groups.length === 0}
			<p class="quiet none">
				No search folders are known for {workspace.document.application.name}. Say which seats search where, from the top; a
				profile file that says so brings it in Hand-over as well, with <i>What is of one machine</i> ticked.
			</p>
		{/if}
		{#if paths}{#each paths.groups as group (group.name)}
				<SearchTable
					{paths}
					{group}
					{found}
					{current}
					onchoose={(one) => (chosen = keyOf(one))}
					onfolders={(folders) => void setFolders(group.name, folders)}
				/>
			{/each}{/if}
		{#if paths}
			<details open={paths.groups.length === 0}>
				<summary>Add a group of seats</summary>
				<GroupForm {paths} onadd={(next) => write(next)} />
			</details>
		{/if}
		<p class="legend quiet">● is read &nbsp; ◌ is there, but an earlier one is read &nbsp; · is not there</p>
	</section>
	<aside aria-label="Why">
		{#if current}
			<h2><span class="mono">{current.file.name}</span> at {current.seat}</h2>
			<p class="quiet">{current.file.holds}</p>
			<ol>
				{#each current.trace as { folder, found: file, outcome } (folder.path)}
					<li class:read={outcome === 'read'}>
						<span class="mono">{folder.path}</span>
						{outcome === 'read'
							? 'has it; it is read'
							: outcome === 'masked'
								? 'has it too; it is not read'
								: 'does not have it'}{#if file}, of
							{file.modified.slice(0, 10)}{/if}.
					</li>
				{/each}
			</ol>
			<p><b>{current.folder ? `${current.folder.path} wins.` : 'Nothing is read.'}</b></p>
		{/if}
		<h2>{warnings.length === 0 ? 'Nothing to look after' : `${warnings.length} to look after`}</h2>
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
		gap: 16px;
		padding: 14px 16px;
		overflow: auto;
	}
	header {
		display: flex;
		flex-wrap: wrap;
		gap: 4px 16px;
		align-items: baseline;
	}
	header :global(button) {
		margin-left: auto;
	}
	.legend {
		font-size: 12.5px;
	}
	aside {
		display: flex;
		flex-direction: column;
		gap: 10px;
		padding: 14px 16px;
		background: var(--panel);
		border-left: 1px solid var(--line-strong);
		overflow-y: auto;
		font-size: 13.5px;
	}
	aside ol {
		margin: 0;
		padding-left: 20px;
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
