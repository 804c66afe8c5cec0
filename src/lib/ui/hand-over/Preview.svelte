<script lang="ts">
	import { Button, Checkbox } from 'flowbite-svelte';
	import { SvelteSet } from 'svelte/reactivity';
	import { aliasLines, type AliasFile } from '$core/alias/file';
	import type { StratumId } from '$core/profile/stratum';
	import { importChanges, refusals, type PreviewRow } from '$core/format/preview';
	import type { Reading } from '$lib/workers/reading.worker';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import KeyCaps from '../KeyCaps.svelte';
	import StratumChip from '../StratumChip.svelte';
	import VirtualRows from '../VirtualRows.svelte';
	import { labelOf } from '../wording';
	import Problems from './Problems.svelte';

	/** What a file would do, entry by entry, before anything is done. */
	let { file, reading, ondone }: { file: string; reading: Reading; ondone: () => void } = $props();
	const workspace = useWorkspace();
	type State = PreviewRow['state'];
	const states: { id: State; label: string; sign: string; tone: string }[] = [
		{ id: 'new', label: 'New', sign: '+', tone: 'fluorite' },
		{ id: 'replaced', label: 'Replaces', sign: '⇄', tone: 'limonite' },
		{ id: 'same', label: 'Same', sign: '=', tone: 'epidote' },
		{ id: 'refused', label: 'Refused', sign: '◆', tone: 'garnet' }
	];
	let shown = $state<State | undefined>(undefined);
	const counts = $derived(
		Object.fromEntries(states.map(({ id }) => [id, reading.rows.filter((r) => r.state === id).length])) as Record<State, number>
	);
	const isOpen = (row: PreviewRow) => row.state === 'new' || row.state === 'replaced';
	const left = new SvelteSet<PreviewRow>();
	const rows = $derived(reading.rows.filter((r) => !shown || r.state === shown));
	const chosen = $derived(reading.rows.filter((r) => isOpen(r) && !left.has(r)));
	const problems = $derived(refusals(reading.refused, reading.rows));

	function choose(row: PreviewRow, isIn: boolean) {
		if (isIn) left.delete(row);
		else left.add(row);
	}

	function chooseAll(isIn: boolean) {
		for (const row of rows) if (isOpen(row)) choose(row, isIn);
	}

	/** Alias files that would change something here; the factory's is never written. */
	const aliases = $derived(
		reading.aliases
			.filter(({ stratum, file: alias }) => {
				const own = workspace.profile.find((s) => s.id === stratum);
				return own && own.kind !== 'factory' && own.aliases?.text !== alias.text;
			})
			.map((a) => ({ ...a, lines: aliasLines(a.file).lines.length }))
	);

	const takeAliases = (stratum: StratumId, to: AliasFile) =>
		workspace.commit(
			`Import the aliases of ${file}`,
			[],
			[{ stratum, from: workspace.profile.find((s) => s.id === stratum)?.aliases ?? null, to }]
		);

	async function apply() {
		const { changes, left: unwritten } = importChanges(workspace.index, workspace.profile, chosen);
		if (unwritten.length > 0) {
			workspace.notice = {
				kind: 'failed',
				text: `Nothing was imported. Line ${unwritten[0]!.line}: ${unwritten[0]!.message} Leave that entry out.`
			};
			return;
		}
		if (await workspace.commit(`Import from ${file}: ${chosen.length} ${chosen.length === 1 ? 'entry' : 'entries'}`, changes))
			ondone();
	}
</script>

<section class="preview" aria-label="Preview of {file}">
	<header>
		<h2>{file}</h2>
		<div role="group" aria-label="Show" class="pills">
			<button type="button" class="pill" aria-pressed={shown === undefined} onclick={() => (shown = undefined)}
				>All {reading.rows.length}</button
			>
			{#each states as { id, label } (id)}
				<button type="button" class="pill" aria-pressed={shown === id} onclick={() => (shown = id)}
					>{label} {counts[id] + (id === 'refused' ? reading.refused.length : 0)}</button
				>
			{/each}
		</div>
	</header>
	{#if reading.foreign}<p class="callout tone-limonite">
			{reading.foreign} Commands that are not here are refused one by one.
		</p>{/if}
	{#each aliases as { stratum, file: alias, lines } (stratum)}
		<p class="callout tone-fluorite">
			The file has an alias file of {lines}
			{lines === 1 ? 'line' : 'lines'} for {workspace.profile.find((s) => s.id === stratum)?.name}, which differs from the one
			here.
			<button class="linkish" type="button" onclick={() => void takeAliases(stratum, alias)}>Take it in its place</button>
		</p>
	{/each}
	{#if problems.length > 0}<Problems {problems} {file} title="{problems.length} refused; the rest can be taken" />{/if}
	<div class="tools">
		<Button size="xs" color="alternative" onclick={() => chooseAll(true)}>Choose all shown</Button>
		<Button size="xs" color="alternative" onclick={() => chooseAll(false)}>Choose none</Button>
	</div>
	<VirtualRows {rows} height={34} role="list" aria-label="Entries of the file" tabindex={0}>
		{#snippet row(value: PreviewRow, _i: number, top: number)}
			{@const look = states.find((s) => s.id === value.state)!}
			<div class="row" role="listitem" style:transform="translateY({top}px)">
				<Checkbox
					checked={isOpen(value) && !left.has(value)}
					disabled={!isOpen(value)}
					aria-label="Take line {value.row.line}"
					onchange={(event) => choose(value, (event.currentTarget as HTMLInputElement).checked)}
				/>
				<span class="num quiet">{value.row.line}</span>
				<span class="tone-{look.tone} toned state"><span aria-hidden="true">{look.sign}</span> {look.label}</span>
				<span><StratumChip id={value.target} /></span>
				<span class="keys"
					>{#if value.row.op !== 'set'}<small>{value.row.op}</small>{/if}<KeyCaps keys={value.row.shortcut.keys} /></span
				>
				<span class="what"
					>{labelOf(workspace.index, value.row.shortcut.command)}
					<small class="quiet"
						>{value.state === 'refused' ? value.reason : workspace.space.scopeLabel(value.row.shortcut.scope)}</small
					></span
				>
				<span class="what quiet"
					>{#if value.replaces.length > 0}takes it from {value.replaces
							.map((b) => labelOf(workspace.index, b.command))
							.join(', ')}{/if}</span
				>
			</div>
		{/snippet}
	</VirtualRows>
	<footer>
		<Button disabled={chosen.length === 0 || workspace.busy} onclick={apply}
			>Import {chosen.length} {chosen.length === 1 ? 'entry' : 'entries'}</Button
		>
		<Button color="alternative" onclick={ondone}>Leave</Button>
		<span class="quiet">One edit; undo takes all of it back.</span>
	</footer>
</section>

<style>
	.preview {
		display: flex;
		flex-direction: column;
		gap: 8px;
		min-height: 0;
		flex: 1;
	}
	header {
		display: flex;
		justify-content: space-between;
		align-items: center;
		gap: 12px;
		flex-wrap: wrap;
	}
	.pills {
		display: flex;
		gap: 4px;
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
		height: 34px;
		display: grid;
		grid-template-columns: 22px 46px 92px 14px 150px minmax(0, 1.4fr) minmax(0, 1fr);
		gap: 8px;
		align-items: center;
		border-bottom: 1px solid var(--line);
		font-size: 13.5px;
	}
	.state {
		font-size: 13px;
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
		font-size: 12px;
	}
	footer {
		display: flex;
		gap: 10px;
		align-items: center;
	}
</style>
