<script lang="ts">
	import type { ImpactDesk } from '$lib/state/impact-desk.svelte';
	import KeyCaps from '../KeyCaps.svelte';
	import Table from '../kit/Table.svelte';

	/** Each change against each person: the runs a day that must be learnt anew, darker the more, and what breaks. */
	let { desk, chosen, onchoose }: { desk: ImpactDesk; chosen: string | undefined; onchoose: (person: string) => void } = $props();
	/** So many columns stand beside one another; more people are grouped at first. */
	const MANY = 14;
	let scroll = $state<HTMLElement>();
	let onlyHurt = $state(false);
	let isGrouped = $state<boolean | undefined>(undefined);
	let unfolded = $state.raw<ReadonlySet<string>>(new Set());

	const people = $derived(onlyHurt ? desk.people.filter((person) => !desk.untouched.includes(person)) : desk.people);
	const grouped = $derived(desk.groups.length > 1 && (isGrouped ?? people.length > MANY));
	/** A person, or everybody of a discipline. */
	interface Column {
		readonly id: string;
		readonly name: string;
		readonly people: readonly string[];
		readonly isGroup: boolean;
	}
	const columns = $derived.by((): Column[] => {
		const one = (person: string): Column => ({ id: person, name: desk.nameOf(person), people: [person], isGroup: false });
		if (!grouped) return people.map(one);
		return desk.groups.flatMap(({ name, people: all }) => {
			const mine = all.filter((person) => people.includes(person));
			if (mine.length === 0) return [];
			return [{ id: `group ${name}`, name, people: mine, isGroup: true }, ...(unfolded.has(name) ? mine.map(one) : [])];
		});
	});
	type Touch = { readonly runs: number; readonly habits: number; readonly coming: number };
	const touchOf = (byPerson: ReadonlyMap<string, Touch>, { people: all }: Column): Touch =>
		all.reduce(
			(sum, person) => {
				const touch = byPerson.get(person);
				return touch
					? { runs: sum.runs + touch.runs, habits: sum.habits + touch.habits, coming: sum.coming + touch.coming }
					: sum;
			},
			{ runs: 0, habits: 0, coming: 0 }
		);
	const most = $derived(
		Math.max(1, ...desk.changes.flatMap(({ byPerson }) => columns.map((column) => touchOf(byPerson, column).runs)))
	);
	const errorsOf = ({ people: all }: Column) => all.reduce((sum, person) => sum + desk.errorsOf(person), 0);

	function choose({ id, name, isGroup }: Column) {
		if (!isGroup) return onchoose(id);
		const next = new Set(unfolded);
		if (!next.delete(name)) next.add(name);
		unfolded = next;
	}

	/** Arrow keys go along the columns. */
	function onkeydown(event: KeyboardEvent) {
		const step = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
		if (!step) return;
		event.preventDefault();
		const here = (event.currentTarget as HTMLElement).dataset['column'];
		const at = columns.findIndex(({ id }) => id === here);
		const next = columns[(at + step + columns.length) % columns.length]!;
		if (!next.isGroup) onchoose(next.id);
		scroll?.querySelector<HTMLElement>(`[data-column="${next.id}"]`)?.focus();
	}
	const rests = $derived(columns.find(({ id }) => id === chosen)?.id ?? columns[0]?.id);
</script>

{#if desk.people.length > 1}
	<div class="tools">
		<label
			><input type="checkbox" bind:checked={onlyHurt} /> Only affected people ({desk.people.length -
				desk.untouched.length})</label
		>
		{#if desk.groups.length > 1}<label
				><input type="checkbox" checked={grouped} onchange={(event) => (isGrouped = event.currentTarget.checked)} /> By discipline</label
			>{/if}
	</div>
{/if}
<p class="legend quiet">
	<span class="swatch" aria-hidden="true"></span> Numbers: runs per day of keys that would do something else. A stronger tint
	means more.
	<span class="tone-garnet"><span class="toned">+2</span></span>
	new findings,
	<span class="tone-garnet"><span class="toned">◆</span></span> errors.
</p>
<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<div class="scroll" bind:this={scroll} tabindex="0" role="region" aria-label="Changes by person">
	<Table name="Impact">
		{#snippet head()}
			<th scope="col" class="first">Change</th>
			<th scope="col">Type</th>
			{#each columns as column (column.id)}
				<th scope="col" class="person">
					<button
						type="button"
						class:group={column.isGroup}
						aria-pressed={column.isGroup ? undefined : column.id === chosen}
						aria-expanded={column.isGroup ? unfolded.has(column.name) : undefined}
						tabindex={column.id === rests ? 0 : -1}
						data-column={column.id}
						onclick={() => choose(column)}
						{onkeydown}
						>{column.name}{#if column.isGroup}<span class="quiet">&nbsp;{column.people.length}</span>{/if}</button
					>
				</th>
			{/each}
			<th scope="col" class="num">Runs per day</th>
			<th scope="col" class="num">Breaks</th>
		{/snippet}
		<tbody>
			{#each desk.changes as { difference, byPerson, runs, coming, going } (difference)}
				<tr>
					<th scope="row" class="first">{difference.caption.label}</th>
					<td class="Type">
						{#if difference.caption.keys}<KeyCaps keys={difference.caption.keys} />{/if}
						{difference.caption.typed ?? ''} <span class="quiet">{difference.kind === 'added' ? 'new' : difference.kind}</span>
					</td>
					{#each columns as column (column.id)}
						{@const touch = touchOf(byPerson, column)}
						<td class="num cell" class:chosen={column.id === chosen} style:--share="{Math.round((20 * touch.runs) / most)}%"
							>{#if touch.habits > 0 || touch.coming > 0}{touch.habits > 0 ? touch.runs : ''}{#if touch.coming > 0}<span
										class="tone-garnet"><span class="toned" title="new findings"> +{touch.coming}</span></span
									>{/if}{:else}<span class="quiet">·</span>{/if}</td
						>
					{/each}
					<td class="num"><b>{runs > 0 ? runs : '·'}</b></td>
					<td class="num"
						>{#if coming.error > 0}<span class="tone-garnet"><span class="toned">◆ {coming.error}</span></span
							>{:else if going.error > 0}<span class="tone-epidote"><span class="toned">solves {going.error}</span></span
							>{:else}<span class="quiet">·</span>{/if}</td
					>
				</tr>
			{/each}
			<tr class="sum">
				<th scope="row" class="first">New errors</th>
				<td></td>
				{#each columns as column (column.id)}
					{@const errors = errorsOf(column)}
					<td class="num" class:chosen={column.id === chosen}
						>{#if errors > 0}<span class="tone-garnet"><span class="toned">◆ {errors}</span></span>{:else}<span class="quiet"
								>·</span
							>{/if}</td
					>
				{/each}
				<td class="num"><b>{desk.runs}</b></td>
				<td></td>
			</tr>
		</tbody>
	</Table>
</div>

<style>
	.tools {
		display: flex;
		flex-wrap: wrap;
		gap: var(--space-4);
		font-size: var(--dense);
	}
	.legend {
		margin: 0;
		max-width: none;
		font-size: var(--caption);
	}
	.swatch {
		display: inline-block;
		width: 44px;
		height: 10px;
		border: 1px solid var(--line);
		background: linear-gradient(to right, transparent, color-mix(in srgb, var(--s-discipline) 20%, transparent));
	}
	.scroll {
		max-height: 64dvh;
		overflow: auto;
		border: 1px solid var(--line);
	}
	.first {
		position: sticky;
		z-index: 1;
		left: 0;
		max-width: 260px;
		overflow: hidden;
		background: var(--ground);
		text-overflow: ellipsis;
	}
	.scroll :global(thead .first) {
		z-index: 3;
	}
	.person .group {
		font-weight: 650;
		color: var(--ink);
	}
	th,
	td {
		padding: 2px var(--space-2);
		white-space: nowrap;
	}
	.person button {
		max-width: 84px;
		border: 0;
		border-bottom: 3px solid transparent;
		background: none;
		color: inherit;
		font: inherit;
		font-stretch: 82%;
		white-space: normal;
		text-align: right;
	}
	.person {
		text-align: right;
	}
	.person button[aria-pressed='true'] {
		border-bottom-color: var(--azurite);
		color: var(--ink);
		font-weight: 650;
	}
	.sum > * {
		border-top: 1px solid var(--line-strong);
	}
	.scroll :global(.keys) {
		vertical-align: middle;
	}
	.cell {
		background: color-mix(in srgb, var(--s-discipline) var(--share), transparent);
	}
	.chosen {
		box-shadow:
			inset 1px 0 var(--azurite),
			inset -1px 0 var(--azurite);
	}
</style>
