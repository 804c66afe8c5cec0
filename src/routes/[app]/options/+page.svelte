<script lang="ts">
	import { Button, Search } from 'flowbite-svelte';
	import { isAccepted } from '$core/check/acceptance';
	import {
		optionRows,
		searchOptions,
		SHOWING,
		shownRows,
		type OptionRow as Row,
		type Showing
	} from '$core/chapters/options/listing';
	import { OPTIONS } from '$core/chapters/options/option';
	import { OptionDesk } from '$lib/state/option-desk';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import FindingsHere from '$lib/ui/findings/FindingsHere.svelte';
	import OptionRow from '$lib/ui/options/OptionRow.svelte';

	/** What can be set in the application: found by word, set for one's own or the office's strata, and brought back. */
	const workspace = useWorkspace();
	const desk = new OptionDesk(workspace);
	let text = $state('');
	let showing = $state<Showing>('all');
	let group = $state('');
	const options = $derived(workspace.document.application.rules.options ?? []);
	const rows = $derived(optionRows(options, workspace.profile, workspace.targetId));
	const hits = $derived(searchOptions(options, text));
	const shown = $derived.by(() => {
		const some = shownRows(rows, showing).filter((row) => group === '' || row.definition.group === group);
		if (!hits) return some;
		return some.filter((row) => hits.includes(row.definition.path)).sort((a, b) => placeOf(a) - placeOf(b));
	});
	const groups = $derived([...new Set(options.map((o) => o.group))]);
	/** By group, in the order of the catalogue; what was searched for is one list, the best first. */
	const listed = $derived(
		hits
			? [{ name: '', rows: shown }]
			: groups.map((name) => ({ name, rows: shown.filter((r) => r.definition.group === name) })).filter((g) => g.rows.length > 0)
	);
	/** The group that is none of the catalogue's. */
	const FINDINGS = ' findings';
	const findings = $derived(workspace.findings.of(OPTIONS).all);
	const open = $derived(findings.filter((f) => !isAccepted(workspace.accepted, f.acceptable())).length);
	const mine = $derived(rows.filter((row) => row.here));
	const names: Readonly<Record<Showing, string>> = {
		all: 'All',
		changed: 'Changed',
		mine: 'My changes',
		office: 'Office',
		factory: 'Default'
	};

	const placeOf = (row: Row) => hits?.indexOf(row.definition.path) ?? 0;
</script>

<div class="view">
	<section class="list" aria-label="Options">
		<header>
			<Search
				size="sm"
				class="find"
				bind:value={text}
				placeholder="decimals, autosave, grid …"
				aria-label="Search options"
				clearable
			/>
			<div role="group" aria-label="Show" class="segmented">
				{#each SHOWING as one (one)}
					<button class="pill" type="button" aria-pressed={showing === one} onclick={() => (showing = one)}
						>{names[one]} {shownRows(rows, one).length}</button
					>
				{/each}
			</div>
			<span class="space"></span>
			<Button
				size="xs"
				color="alternative"
				disabled={mine.length === 0 || workspace.edits.busy}
				onclick={() => desk.resetAll(mine)}>Reset all {mine.length} in {workspace.target.name}</Button
			>
		</header>
		<div class="body">
			<nav aria-label="Groups">
				<button type="button" aria-pressed={group === ''} onclick={() => (group = '')}>All groups</button>
				{#each groups as name (name)}
					<button type="button" aria-pressed={group === name} onclick={() => (group = name)}>{name}</button>
				{/each}
				{#if findings.length > 0}
					<button type="button" aria-pressed={group === FINDINGS} onclick={() => ((group = FINDINGS), (text = ''))}
						>Findings {open}</button
					>
				{/if}
			</nav>
			<div class="rows">
				{#if group === FINDINGS}<FindingsHere {findings} name="Findings of options" />{/if}
				{#each listed as { name, rows: inGroup } (name)}
					{#if name}<h2>{name}</h2>{/if}
					<div role="list" aria-label={name || 'Findings'}>
						{#each inGroup as row (row.definition.path)}
							<OptionRow
								{row}
								busy={workspace.edits.busy}
								target={workspace.target.name}
								closed={desk.closedFor(row)}
								canLock={workspace.targetId !== workspace.profile.at(-1)!.id}
								onset={(value) => desk.set(row.definition, value)}
								onreset={() => desk.reset(row)}
								onlock={(isLocked) => desk.lock(row, isLocked)}
							/>
						{/each}
					</div>
				{/each}
				{#if options.length === 0}
					<p class="quiet none">
						{workspace.document.application.name} has no options. A new program can have them in its application file.
					</p>
				{:else if shown.length === 0 && group !== FINDINGS}
					<p class="quiet none">No results. Search for what the option does, such as “curve quality”, or show all.</p>
				{/if}
			</div>
		</div>
	</section>
</div>

<style>
	.view,
	.list {
		display: flex;
		flex-direction: column;
		height: 100%;
		min-height: 0;
	}
	header {
		display: flex;
		flex-wrap: wrap;
		gap: var(--space-3);
		align-items: center;
		padding: var(--space-3) var(--space-4);
		border-bottom: 1px solid var(--line-strong);
	}
	header :global(.find) {
		width: 250px;
	}
	.space {
		flex: 1;
	}
	.body {
		display: grid;
		grid-template-columns: 150px minmax(0, 1fr);
		flex: 1;
		min-height: 0;
	}
	nav {
		display: flex;
		flex-direction: column;
		gap: 2px;
		padding: var(--space-3) var(--space-2);
		background: var(--panel);
		border-right: 1px solid var(--line);
		overflow-y: auto;
	}
	nav button {
		padding: var(--space-1) var(--space-2);
		border: 0;
		border-radius: 3px;
		background: transparent;
		color: var(--ink);
		font: inherit;
		font-size: var(--body);
		text-align: left;
	}
	nav button[aria-pressed='true'] {
		background: var(--azurite-wash);
		font-weight: 600;
	}
	.rows {
		padding: var(--space-1) var(--space-4) var(--space-6);
		overflow-y: auto;
	}
	h2 {
		margin-top: var(--space-4);
		font-size: var(--body);
	}
	.none {
		padding: var(--space-6) 0;
	}
</style>
