<script lang="ts">
	import type { ImpactDesk } from '$lib/state/impact-desk.svelte';
	import KeyCaps from '../KeyCaps.svelte';

	/** Each change against each person: the runs a day that must be learnt anew, darker the more, and what breaks. */
	let { desk, chosen, onchoose }: { desk: ImpactDesk; chosen: string | undefined; onchoose: (person: string) => void } = $props();
	const most = $derived(Math.max(1, ...desk.changes.flatMap(({ byPerson }) => [...byPerson.values()].map(({ runs }) => runs))));
	const KINDS = { added: 'new', changed: 'changed', removed: 'taken off' } as const;
	let table = $state<HTMLTableElement>();

	/** Arrow keys go along the people. */
	function onkeydown(event: KeyboardEvent) {
		const step = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
		if (!step) return;
		event.preventDefault();
		const at = desk.people.indexOf(chosen ?? '');
		const next = desk.people[(at + step + desk.people.length) % desk.people.length]!;
		onchoose(next);
		table?.querySelector<HTMLElement>(`[data-person="${next}"]`)?.focus();
	}
</script>

<div class="scroll">
	<table bind:this={table}>
		<thead>
			<tr>
				<th scope="col">Change</th>
				<th scope="col">how</th>
				{#each desk.people as person (person)}
					<th scope="col" class="person">
						<button
							type="button"
							aria-pressed={person === chosen}
							tabindex={person === (chosen ?? desk.people[0]) ? 0 : -1}
							data-person={person}
							onclick={() => onchoose(person)}
							{onkeydown}>{desk.nameOf(person)}</button
						>
					</th>
				{/each}
				<th scope="col" class="num">runs a day</th>
				<th scope="col" class="num">breaks</th>
			</tr>
		</thead>
		<tbody>
			{#each desk.changes as { difference, byPerson, runs, coming, going } (difference)}
				<tr>
					<th scope="row">{difference.caption.label}</th>
					<td class="how">
						{#if difference.caption.keys}<KeyCaps keys={difference.caption.keys} />{/if}
						{difference.caption.typed ?? ''} <span class="quiet">{KINDS[difference.kind]}</span>
					</td>
					{#each desk.people as person (person)}
						{@const touch = byPerson.get(person)}
						<td
							class="num cell"
							class:chosen={person === chosen}
							style:--share="{touch ? Math.round((24 * touch.runs) / most) : 0}%"
							>{#if touch && (touch.habits > 0 || touch.coming > 0)}{touch.habits > 0
									? touch.runs
									: ''}{#if touch.coming > 0}<span class="tone-garnet"
										><span class="toned" title="new findings"> +{touch.coming}</span></span
									>{/if}{:else}<span class="quiet">·</span>{/if}</td
						>
					{/each}
					<td class="num"><b>{runs > 0 ? runs : '·'}</b></td>
					<td class="num"
						>{#if coming.error > 0}<span class="tone-garnet"><span class="toned">◆ {coming.error}</span></span
							>{:else if going.error > 0}<span class="tone-epidote"><span class="toned">mends {going.error}</span></span
							>{:else}<span class="quiet">·</span>{/if}</td
					>
				</tr>
			{/each}
			<tr class="sum">
				<th scope="row" colspan="2">new errors</th>
				{#each desk.people as person (person)}
					{@const errors = desk.errorsOf(person)}
					<td class="num" class:chosen={person === chosen}
						>{#if errors > 0}<span class="tone-garnet"><span class="toned">◆ {errors}</span></span>{:else}<span class="quiet"
								>·</span
							>{/if}</td
					>
				{/each}
				<td class="num"><b>{desk.runs}</b></td>
				<td></td>
			</tr>
		</tbody>
	</table>
</div>

<style>
	.scroll {
		overflow-x: auto;
	}
	table {
		border-collapse: collapse;
		min-width: 100%;
	}
	th,
	td {
		height: var(--row);
		padding: 2px 8px;
		border-top: 1px solid var(--line);
		white-space: nowrap;
	}
	thead th {
		border-top: 0;
		vertical-align: bottom;
		font-weight: 400;
		font-size: 13px;
		color: var(--ink-2);
		text-align: left;
	}
	tbody th {
		text-align: left;
		font-weight: 650;
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
	.cell {
		background: color-mix(in srgb, var(--s-discipline) var(--share), transparent);
	}
	.chosen {
		box-shadow:
			inset 1px 0 var(--azurite),
			inset -1px 0 var(--azurite);
	}
	.sum th,
	.sum td {
		border-top: 1px solid var(--line-strong);
	}
</style>
