<script lang="ts">
	import {
		ARRANGEMENTS,
		ARRANGEMENT_TEXTS,
		arranged,
		type SearchFolder,
		type Searched,
		type SearchPaths,
		type SeatGroup
	} from '$core/folders/search';
	import Table from '../kit/Table.svelte';

	/** The folders that some seats search, from the top, and in which of them each file is found. */
	let {
		paths,
		group,
		found,
		current,
		onchoose,
		onfolders
	}: {
		paths: SearchPaths;
		group: SeatGroup;
		found: readonly Searched[];
		current: Searched | undefined;
		onchoose: (one: Searched) => void;
		/** Sets the folders and their order; left out for who may not. */
		onfolders?: ((folders: readonly SearchFolder[]) => void) | undefined;
	} = $props();
	const LOOKS = {
		read: ['wins', '●'],
		masked: ['masked', '◌'],
		'not there': ['absent', '·'],
		unknown: ['unknown', '?']
	} as const;
	const KINDS = { personal: 'personal', office: 'office', program: 'factory' } as const;
	const NAMES = { personal: 'personal drive', office: 'office share', program: 'program folder' } as const;
	/** All folders that any group searches: an arrangement brings those back that another one left out. */
	const everyFolder = $derived([...new Map(paths.groups.flatMap((g) => g.folders).map((f) => [f.path, f])).values()]);

	function move(at: number, by: number) {
		const to = at + by;
		if (to < 0 || to >= group.folders.length) return;
		const next = [...group.folders];
		next.splice(to, 0, ...next.splice(at, 1));
		onfolders?.(next);
	}
</script>

<article>
	<h2>{group.name} <span class="quiet">{group.seats.join(', ')}</span></h2>
	<div class="how" role="group" aria-label="Search order of {group.name}">
		{#each ARRANGEMENTS as arrangement (arrangement)}
			{@const wanted = arranged(everyFolder, arrangement)}
			<button
				class="pill"
				type="button"
				title={ARRANGEMENT_TEXTS[arrangement]}
				aria-pressed={wanted.map((f) => f.path).join() === group.folders.map((f) => f.path).join()}
				disabled={!onfolders}
				onclick={() => onfolders?.(wanted)}>{arrangement}</button
			>
		{/each}
	</div>
	<Table
		name="Files by folder"
		heads={['Folder, in search order', ...paths.files.map((file) => ({ name: file.name, title: file.holds, isCode: true }))]}
	>
		<tbody>
			{#each group.folders as folder, i (folder.path)}
				<tr>
					<th scope="row">
						<span class="order">
							<button
								type="button"
								aria-label="Search {folder.path} earlier"
								disabled={i === 0 || !onfolders}
								onclick={() => move(i, -1)}>↑</button
							><button
								type="button"
								aria-label="Search {folder.path} later"
								disabled={i === group.folders.length - 1 || !onfolders}
								onclick={() => move(i, 1)}>↓</button
							>
						</span>
						<i class="band band-{KINDS[folder.kind]}" aria-hidden="true"></i>
						<span class="mono">{folder.path}</span>
						<small class="quiet">{NAMES[folder.kind]}{folder.writable ? '' : ', read-only'}</small>
					</th>
					{#each paths.files as file (file.name)}
						<td>
							{#each group.seats as seat (seat)}
								{@const s = found.find((f) => f.seat === seat && f.file === file)!}
								{@const step = s.trace[i]!}
								<button
									type="button"
									class="seat {LOOKS[step.outcome][0]}"
									class:chosen={current === s}
									class:warned={step.outcome === 'read' && s.warnings.length > 0}
									aria-label="{seat}, {file.name} in {folder.path}: {step.outcome}"
									onclick={() => onchoose(s)}>{LOOKS[step.outcome][1]} {seat}</button
								>
							{/each}
						</td>
					{/each}
				</tr>
			{/each}
		</tbody>
	</Table>
</article>

<style>
	article {
		display: grid;
		gap: var(--space-2);
	}
	.how {
		display: flex;
		gap: 6px;
	}
	tbody th {
		display: flex;
		gap: var(--space-2);
		align-items: center;
		padding: 6px var(--space-2);
		font-weight: 400;
		text-align: left;
		white-space: nowrap;
	}
	td {
		padding: var(--space-1) var(--space-2);
		vertical-align: top;
	}
	.order button {
		padding: 0 var(--space-1);
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
		padding: 2px var(--space-2);
		border: 1px solid transparent;
		border-radius: 3px;
		background: none;
		color: var(--ink-3);
		font-size: var(--caption);
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
	.unknown {
		font-style: italic;
	}
	.chosen {
		box-shadow: 0 0 0 2px var(--azurite);
	}
</style>
