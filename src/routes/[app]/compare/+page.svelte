<script lang="ts">
	import ViewActs from '$lib/ui/kit/ViewActs.svelte';
	import { Button, Checkbox, Input } from 'flowbite-svelte';
	import { untrack } from 'svelte';
	import { stringify } from 'csv-stringify/browser/esm/sync';
	import type { Row } from '$core/compare/compare';
	import { told } from '$lib/state/api';
	import { cellText, CompareDesk, holdsOthers, sourceFor } from '$lib/state/compare-desk.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import KeyCaps from '$lib/ui/KeyCaps.svelte';
	import Picker from '$lib/ui/Picker.svelte';
	import { save } from '$lib/ui/save';
	import { bandClass } from '$lib/ui/stratum-look';
	import VirtualRows from '$lib/ui/VirtualRows.svelte';

	const workspace = useWorkspace();
	const desk = new CompareDesk(workspace);
	// what is written here or elsewhere is seen at once
	$effect(() => {
		void workspace.revision;
		untrack(() => desk.load()).catch((error: unknown) => (workspace.notice = { kind: 'failed', text: told(error) }));
	});
	/** What sides of a kind stand under, by what their ids begin with. */
	const GROUPS: Readonly<Record<string, string>> = {
		release: 'Releases',
		person: 'People, default setups',
		setup: 'Setups',
		stratum: 'Levels'
	};
	const items = $derived(
		desk.sides.map(({ id, name }) => {
			const group = GROUPS[id.split(' ')[0]!];
			return { value: id, name, ...(group && { group }) };
		})
	);
	const columns = $derived(`minmax(180px, 1.4fr) 150px repeat(${desk.shown.length}, minmax(150px, 1fr))`);
	const kindOf = (id: string) => workspace.document.layers.find((layer) => layer.id === id)?.kind ?? 'factory';
	const nameOf = (id: string) => workspace.document.layers.find((layer) => layer.id === id)?.name ?? id;
	/** The keys or the name of a row, after its label: several rows can have one label. */
	const typed = ({ caption: { keys, typed: name } }: Row) => ((keys ?? name) ? `, ${keys ?? name}` : '');
	const csv = () =>
		save(`${workspace.document.application.id}-compared.csv`, stringify(desk.table.map((line) => [...line])), 'text/csv');
	const choose = (place: number, id: string) =>
		void desk.choose(place, id).catch((error: unknown) => {
			workspace.notice = { kind: 'failed', text: (error as Error).message };
		});
</script>

<ViewActs>
	<Button size="sm" color="alternative" disabled={desk.listed.length === 0} onclick={csv}>CSV</Button>
	<Button size="sm" color="alternative" disabled={desk.listed.length === 0} onclick={() => window.print()}>Print</Button>
</ViewActs>

<section class="view" aria-label="Compare">
	<header>
		{#each desk.chosen as id, place (place)}
			<Picker label="Side {place + 1}" {items} value={id} onpick={(value) => choose(place, value)} />
		{/each}
		{#if desk.chosen.length === 2 && items.length > 0}
			<Button
				size="xs"
				color="alternative"
				onclick={() => choose(2, items.find(({ value }) => !desk.chosen.includes(value))?.value ?? 'factory')}
				>Add a column</Button
			>
		{:else if desk.chosen.length === 3}
			<Button size="xs" color="alternative" onclick={() => choose(2, '')}>Remove the column</Button>
		{/if}
	</header>
	<div class="filters">
		<Checkbox bind:checked={desk.onlyDifferences}>Only differences</Checkbox>
		<Picker
			label="Chapter"
			items={[
				{ value: '', name: 'All chapters' },
				...desk.chapters.map(({ id, name, count }) => ({ value: id, name: `${name}, ${count}` }))
			]}
			value={desk.chapter}
			onpick={(id) => (desk.chapter = id)}
		/>
		<div class="find">
			<Input
				size="sm"
				type="search"
				aria-label="Find in the comparison"
				placeholder="Command, key or name"
				bind:value={desk.text}
			/>
		</div>
		<p class="quiet" role="status">
			{desk.isRead ? `${desk.differing} of ${desk.rows.length} items differ; ${desk.listed.length} shown` : 'Reading …'}
		</p>
	</div>
	<div class="head row" style:grid-template-columns={columns}>
		<span>Item</span><span>Input</span>{#each desk.shown as side, place (side.id)}
			{@const differing = side.target === undefined ? 0 : desk.picksFor(place).length}
			<span class="side"
				><b>{side.name}</b>{#if differing > 1}<button
						class="linkish"
						type="button"
						disabled={desk.busy}
						aria-label="Copy all {differing} to {side.name}"
						title="All listed differences, as one edit"
						onclick={() => void desk.takeAll(place)}>Copy all {differing}</button
					>{/if}</span
			>
		{/each}
	</div>
	{#if desk.isRead && desk.listed.length === 0}
		<p class="none quiet">
			{desk.differing === 0 && desk.shown.length > 1
				? 'No differences.'
				: desk.text.trim() === ''
					? 'No differences in this filter.'
					: 'No results.'}
		</p>
	{/if}
	<div class="body">
		<VirtualRows rows={desk.listed} role="list" aria-label="Side by side" tabindex={0}>
			{#snippet row(one: Row, _i: number, top: number)}
				<div
					class="row"
					class:same={one.isSame}
					role="listitem"
					style:transform="translateY({top}px)"
					style:grid-template-columns={columns}
				>
					<span class="label" title={one.caption.label}>{one.caption.label}</span>
					<span class="how"
						>{#if one.caption.keys}<KeyCaps keys={one.caption.keys} />{:else}<span class="mono">{one.caption.typed ?? ''}</span
							>{/if}</span
					>
					{#each one.cells as cell, side (side)}
						{@const from = one.isSame ? -1 : sourceFor(one, side)}
						<span class="cell">
							{#if cell}<i class={bandClass(kindOf(cell.stratum))} title={nameOf(cell.stratum)}></i><span class="said"
									>{cellText(cell)}</span
								>{:else}<span class="quiet">–</span>{/if}
							{#if from >= 0 && desk.shown[side]?.target !== undefined}
								<button
									class="linkish"
									type="button"
									disabled={desk.busy}
									aria-label="Copy {one.caption.label} from {desk.shown[from]?.name} to {desk.shown[side]?.name}{typed(one)}"
									title="same as in {desk.shown[from]?.name}"
									onclick={() => void desk.takeOver(one, from, side)}
									>{#if from < side}<span aria-hidden="true">→ </span>{/if}Copy{#if from > side}<span aria-hidden="true">
											←</span
										>{/if}</button
								>
								{#if holdsOthers(one)}<button
										class="linkish"
										type="button"
										disabled={desk.busy}
										aria-label="Copy {one.caption.label} with its contents from {desk.shown[from]?.name} to {desk.shown[side]
											?.name}"
										onclick={() => void desk.takeWithAll(one, from, side)}>with contents</button
									>{/if}
							{/if}
						</span>
					{/each}
				</div>
			{/snippet}
		</VirtualRows>
	</div>
	<table class="paper">
		<thead
			><tr
				>{#each desk.table[0] ?? [] as text, i (i)}<th>{text}</th>{/each}</tr
			></thead
		>
		<tbody
			>{#each desk.table.slice(1) as line, i (i)}<tr
					>{#each line as text, c (c)}<td>{text}</td>{/each}</tr
				>{/each}</tbody
		>
	</table>
</section>

<style>
	.view {
		display: flex;
		flex-direction: column;
		height: 100%;
		padding: var(--space-3) var(--space-4) 0;
	}
	header,
	.filters {
		display: flex;
		flex-wrap: wrap;
		gap: var(--space-3);
		align-items: center;
		padding-bottom: var(--space-2);
	}
	.grow {
		flex: 1;
	}
	.find {
		width: 230px;
	}
	.body {
		display: flex;
		flex-direction: column;
		flex: 1;
		min-height: 0;
	}
	.body > :global(div) {
		flex: 1;
		min-height: 0;
	}
	.row {
		display: grid;
		gap: var(--space-3);
		align-items: center;
		width: 100%;
		height: var(--row);
		padding: 0 var(--space-2);
		border-top: 1px solid var(--line);
		font-size: var(--dense);
	}
	.body .row {
		position: absolute;
		top: 0;
		left: 0;
	}
	.head {
		border-top: 0;
		border-bottom: 1px solid var(--line-strong);
		color: var(--ink-2);
	}
	.same {
		color: var(--ink-3);
	}
	.label,
	.said {
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	.label {
		font-weight: 650;
	}
	.cell {
		display: flex;
		gap: var(--space-2);
		align-items: center;
		min-width: 0;
	}
	.side {
		display: flex;
		gap: var(--space-2);
		align-items: baseline;
		min-width: 0;
	}
	.cell i {
		width: 12px;
		height: 12px;
		flex: none;
		border-radius: 6px;
	}
	.linkish {
		display: inline-flex;
		gap: var(--space-1);
		margin-left: auto;
		flex: none;
		font-size: var(--caption);
	}
	.none {
		padding: var(--space-8) var(--space-2);
	}
	.paper {
		display: none;
	}
	@media print {
		.view > :not(.paper) {
			display: none;
		}
		.view {
			display: block;
			height: auto;
		}
		.paper {
			display: table;
			width: 100%;
			font-size: var(--caption);
			border-collapse: collapse;
		}
		.paper :is(th, td) {
			padding: 2px 6px;
			border-bottom: 1px solid #999;
			text-align: left;
		}
	}
</style>
