<script lang="ts">
	import { Button, Input } from 'flowbite-svelte';
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
		person: 'People, as they start',
		setup: 'Setups',
		stratum: 'Strata'
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
	const csv = () =>
		save(`${workspace.document.application.id}-compared.csv`, stringify(desk.table.map((line) => [...line])), 'text/csv');
	const choose = (place: number, id: string) =>
		void desk.choose(place, id).catch((error: unknown) => {
			workspace.notice = { kind: 'failed', text: (error as Error).message };
		});
</script>

<section class="view" aria-label="Compare">
	<header>
		<h1>Compare</h1>
		{#each desk.chosen as id, place (place)}
			<Picker label="Side {place + 1}" {items} value={id} onpick={(value) => choose(place, value)} />
		{/each}
		{#if desk.chosen.length === 2 && items.length > 0}
			<Button
				size="xs"
				color="alternative"
				onclick={() => choose(2, items.find(({ value }) => !desk.chosen.includes(value))?.value ?? 'factory')}>A third</Button
			>
		{:else if desk.chosen.length === 3}
			<Button size="xs" color="alternative" onclick={() => choose(2, '')}>Without the third</Button>
		{/if}
		<span class="grow"></span>
		<Button size="xs" color="alternative" disabled={desk.listed.length === 0} onclick={csv}>CSV</Button>
		<Button size="xs" color="alternative" disabled={desk.listed.length === 0} onclick={() => window.print()}>Print</Button>
	</header>
	<div class="filters">
		<label><input type="checkbox" bind:checked={desk.onlyDifferences} /> only what differs</label>
		<Picker
			label="Chapter"
			items={[
				{ value: '', name: 'all chapters' },
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
				placeholder="command, key or name"
				bind:value={desk.text}
			/>
		</div>
		<p class="quiet" role="status">
			{desk.isRead ? `${desk.differing} of ${desk.rows.length} things differ; ${desk.listed.length} shown` : 'Reading …'}
		</p>
	</div>
	<div class="head row" style:grid-template-columns={columns}>
		<span>Thing</span><span>how</span>{#each desk.shown as side, place (side.id)}
			{@const differing = side.target === undefined ? 0 : desk.picksFor(place).length}
			<span class="side"
				><b>{side.name}</b>{#if differing > 1}<button
						class="linkish"
						type="button"
						disabled={desk.busy}
						aria-label="take all {differing} over into {side.name}"
						title="Everything that is listed and differs, as one edit"
						onclick={() => void desk.takeAll(place)}>take all {differing} over</button
					>{/if}</span
			>
		{/each}
	</div>
	{#if desk.isRead && desk.listed.length === 0}
		<p class="none quiet">
			{desk.differing === 0 && desk.shown.length > 1
				? 'They say the same.'
				: desk.text.trim() === ''
					? 'Nothing of this differs.'
					: 'Nothing is called so here.'}
		</p>
	{/if}
	<div class="body">
		<VirtualRows rows={desk.listed} height={34} role="list" aria-label="Side by side" tabindex={0}>
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
									aria-label="take over {one.caption.label} from {desk.shown[from]?.name} into {desk.shown[side]?.name}"
									title="as in {desk.shown[from]?.name}"
									onclick={() => void desk.takeOver(one, from, side)}
									>{#if from < side}<span aria-hidden="true">→ </span>{/if}take over{#if from > side}<span aria-hidden="true">
											←</span
										>{/if}</button
								>
								{#if holdsOthers(one)}<button
										class="linkish"
										type="button"
										disabled={desk.busy}
										aria-label="take over {one.caption.label} with all in it from {desk.shown[from]?.name} into {desk.shown[side]
											?.name}"
										onclick={() => void desk.takeWithAll(one, from, side)}>with all in it</button
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
		padding: 14px 18px 0;
	}
	header,
	.filters {
		display: flex;
		flex-wrap: wrap;
		gap: 12px;
		align-items: center;
		padding-bottom: 10px;
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
		gap: 12px;
		align-items: center;
		width: 100%;
		height: 34px;
		padding: 0 8px;
		border-top: 1px solid var(--line);
		font-size: 13px;
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
		gap: 7px;
		align-items: center;
		min-width: 0;
	}
	.side {
		display: flex;
		gap: 7px;
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
		gap: 4px;
		margin-left: auto;
		flex: none;
		font-size: 12px;
	}
	.none {
		padding: 30px 8px;
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
			font-size: 11px;
			border-collapse: collapse;
		}
		.paper :is(th, td) {
			padding: 2px 6px;
			border-bottom: 1px solid #999;
			text-align: left;
		}
	}
</style>
