<script lang="ts">
	import { Button } from 'flowbite-svelte';
	import { onMount } from 'svelte';
	import {
		ARRANGEMENTS,
		ARRANGEMENT_TEXTS,
		arranged,
		search,
		type SearchFolder,
		type Searched,
		type SearchPaths
	} from '$core/folders/search';
	import { ApiError, ask } from '$lib/state/api';
	import { useWorkspace } from '$lib/state/workspace.svelte';

	const workspace = useWorkspace();
	const path = `${workspace.path}/folders`;
	let paths = $state.raw<SearchPaths | undefined>(undefined);
	let problem = $state('');
	let chosen = $state('');
	const found = $derived(paths ? search(paths) : []);
	const keyOf = (s: Searched) => `${s.seat}\n${s.file.name}`;
	const current = $derived(found.find((s) => keyOf(s) === chosen) ?? found.find((s) => s.warnings.length > 0) ?? found[0]);
	const warnings = $derived(found.flatMap((s) => s.warnings.map((w) => ({ s, w }))));
	const KINDS = { personal: 'personal', office: 'office', program: 'factory' } as const;
	const NAMES = { personal: 'personal drive', office: 'office share', program: 'program folder' } as const;
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
		} catch (error) {
			if (!(error instanceof ApiError)) throw error;
			problem = error.message;
		}
	}

	const setFolders = (name: string, folders: readonly SearchFolder[]) =>
		write({ ...paths!, groups: paths!.groups.map((g) => (g.name === name ? { ...g, folders: [...folders] } : g)) });

	function move(name: string, folders: readonly SearchFolder[], at: number, by: number) {
		const to = at + by;
		if (to < 0 || to >= folders.length) return;
		const next = [...folders];
		next.splice(to, 0, ...next.splice(at, 1));
		void setFolders(name, next);
	}

	/** All folders that any group searches: an arrangement brings those back that another one left out. */
	const everyFolder = $derived([...new Map(paths?.groups.flatMap((g) => g.folders).map((f) => [f.path, f]) ?? []).values()]);

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
				No search folders are known for {workspace.document.application.name}. A profile file that says where files lie brings
				them in Hand-over, with <i>What is of one machine</i> ticked; a program writes them with <code>PUT {path}</code>.
			</p>
		{/if}
		{#each paths?.groups ?? [] as group (group.name)}
			<article>
				<h2>{group.name} <span class="quiet">{group.seats.join(', ')}</span></h2>
				<div class="how" role="group" aria-label="Arrangement of {group.name}">
					{#each ARRANGEMENTS as arrangement (arrangement)}
						{@const wanted = arranged(everyFolder, arrangement)}
						<button
							class="pill"
							type="button"
							title={ARRANGEMENT_TEXTS[arrangement]}
							aria-pressed={wanted.map((f) => f.path).join() === group.folders.map((f) => f.path).join()}
							onclick={() => void setFolders(group.name, wanted)}>{arrangement}</button
						>
					{/each}
				</div>
				<table>
					<thead>
						<tr>
							<th scope="col">Folder, in the order of the search</th>
							{#each paths!.files as file (file.name)}<th scope="col" title={file.holds}><span class="mono">{file.name}</span></th
								>{/each}
						</tr>
					</thead>
					<tbody>
						{#each group.folders as folder, i (folder.path)}
							<tr>
								<th scope="row">
									<span class="order">
										<button
											type="button"
											aria-label="Search {folder.path} earlier"
											disabled={i === 0}
											onclick={() => move(group.name, group.folders, i, -1)}>↑</button
										><button
											type="button"
											aria-label="Search {folder.path} later"
											disabled={i === group.folders.length - 1}
											onclick={() => move(group.name, group.folders, i, 1)}>↓</button
										>
									</span>
									<i class="band band-{KINDS[folder.kind]}" aria-hidden="true"></i>
									<span class="mono">{folder.path}</span>
									<small class="quiet">{NAMES[folder.kind]}{folder.writable ? '' : ', read-only'}</small>
								</th>
								{#each paths!.files as file (file.name)}
									<td>
										{#each group.seats as seat (seat)}
											{@const s = found.find((f) => f.seat === seat && f.file === file)!}
											{@const step = s.trace[i]!}
											<button
												type="button"
												class="seat {step.outcome === 'read' ? 'wins' : step.outcome === 'masked' ? 'masked' : 'absent'}"
												class:chosen={current === s}
												class:warned={step.outcome === 'read' && s.warnings.length > 0}
												aria-label="{seat}, {file.name} in {folder.path}: {step.outcome}"
												onclick={() => (chosen = keyOf(s))}
												>{step.outcome === 'read' ? '●' : step.outcome === 'masked' ? '◌' : '·'} {seat}</button
											>
										{/each}
									</td>
								{/each}
							</tr>
						{/each}
					</tbody>
				</table>
			</article>
		{/each}
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
	article {
		display: grid;
		gap: 8px;
	}
	.how {
		display: flex;
		gap: 6px;
	}
	table {
		width: 100%;
		border-collapse: collapse;
		font-size: 13px;
	}
	thead th {
		padding: 4px 8px;
		background: var(--panel);
		font-weight: 600;
		text-align: left;
	}
	tbody th {
		display: flex;
		gap: 8px;
		align-items: center;
		padding: 6px 8px;
		font-weight: 400;
		text-align: left;
		white-space: nowrap;
	}
	td {
		padding: 4px 8px;
		vertical-align: top;
	}
	tbody tr {
		border-bottom: 1px solid var(--line);
	}
	.order button {
		padding: 0 4px;
		border: 0;
		background: none;
		color: var(--ink-2);
	}
	.order button:disabled {
		opacity: 0.3;
	}
	.band {
		width: 10px;
		height: 22px;
		border-radius: 2px;
	}
	.seat {
		display: block;
		margin: 1px 0;
		padding: 2px 7px;
		border: 1px solid transparent;
		border-radius: 3px;
		background: none;
		color: var(--ink-3);
		font-size: 12.5px;
		white-space: nowrap;
	}
	.wins {
		border-color: var(--epidote);
		background: var(--epidote-wash);
		color: var(--ink);
		font-weight: 600;
	}
	.warned {
		border-color: var(--limonite);
		background: var(--limonite-wash);
	}
	.masked {
		border-color: var(--line-strong);
		border-style: dashed;
	}
	.chosen {
		box-shadow: 0 0 0 2px var(--azurite);
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
