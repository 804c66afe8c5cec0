<script lang="ts">
	import { Button } from 'flowbite-svelte';
	import { stringify } from 'csv-stringify/browser/esm/sync';
	import type { CatalogueChange } from '$core/application/catalogue-change';
	import type { OwnInput } from '$core/application/catalogue-table';
	import type { FileProblem } from '$core/format/problem';
	import type { Outlook } from '$lib/state/program-desk.svelte';
	import Problems from '../hand-over/Problems.svelte';
	import { save } from '../save';

	/** What another catalogue brings, and what it means for the strata of everybody. */
	let {
		change,
		refused,
		defaults,
		outlook
	}: {
		change: CatalogueChange;
		refused: readonly FileProblem[];
		defaults: readonly OwnInput[];
		outlook: Outlook | { readonly problem: string } | undefined;
	} = $props();
	const parts = $derived([
		{ name: 'new', tone: 'epidote', rows: change.fresh.map((c) => ({ label: c.label, from: '', to: c.id })) },
		{ name: 'gone', tone: 'garnet', rows: change.gone.map((c) => ({ label: c.label, from: c.id, to: '' })) },
		{
			name: 'renamed',
			tone: 'azurite',
			rows: change.renamed.map(({ from, to }) => ({ label: to.label, from: from.id, to: to.id }))
		},
		{
			name: 'with another label',
			tone: 'limonite',
			rows: change.relabelled.map(({ from, to }) => ({ label: `${from.label} → ${to.label}`, from: to.id, to: to.id }))
		}
	]);
	/** The lists that are open; only these are drawn, since they may be long. */
	let open = $state<Record<string, boolean>>({});
	const labels = $derived(new Map(change.gone.map((c) => [c.id, c.label])));
	const keys = $derived(defaults.filter((d) => d.keys !== undefined).length);
	const typed = $derived(defaults.length - keys);
	const count = (n: number, one: string) => `${n} ${n === 1 ? one : `${one}s`}`;

	function saveLists() {
		const rows = parts.flatMap((p) => p.rows.map((r) => [p.name, r.from, r.to, r.label]));
		const text = stringify([['change', 'id', 'new id', 'label'], ...rows], { record_delimiter: '\r\n' });
		save('changes of the catalogue.csv', text, 'text/csv');
	}
</script>

<div class="change" aria-label="What the catalogue brings" role="group">
	{#each parts as { name, tone, rows } (name)}
		<details class="tone-{tone}" ontoggle={(event) => (open[name] = event.currentTarget.open)}>
			<summary><b class="toned">{rows.length}</b> {name}</summary>
			{#if open[name]}
				<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
				<ul tabindex="0" aria-label={name}>
					{#each rows as { label, from, to } (from + ' ' + to)}<li>
							{label} <span class="mono quiet">{from === '' || from === to ? to : to === '' ? from : `${from} → ${to}`}</span>
						</li>{/each}
				</ul>
			{/if}
		</details>
	{/each}
	<Button size="xs" color="alternative" onclick={saveLists}>Save these lists</Button>
</div>
{#if refused.length > 0}<Problems problems={refused} file="the list" title="{refused.length} lines need a look" />{/if}
{#if defaults.length > 0}
	<p>
		What the program brings for its new commands goes into its factory setup: {[
			...(keys > 0 ? [count(keys, 'shortcut')] : []),
			...(typed > 0 ? [count(typed, 'typed name')] : [])
		].join(' and ')}.
	</p>
{/if}
{#if !outlook}
	<p class="quiet" role="status">Looking at what it means for everybody …</p>
{:else if 'problem' in outlook}
	<p class="callout tone-garnet" role="alert">{outlook.problem}</p>
{:else if outlook.strata.length === 0}
	<p>Nobody has said anything of a command that is renamed or gone.</p>
{:else}
	<table aria-label="Whose strata it concerns">
		<thead><tr><th>Stratum</th><th class="number">Follows to a new id</th><th>Speaks of what is gone</th></tr></thead>
		<tbody>
			{#each outlook.strata as { stratum, name, kind, follows, gone } (stratum)}
				<tr>
					<td
						>{name}
						{#if name.toLowerCase() !== kind}<span class="quiet">{kind}</span>{/if}</td
					>
					<td class="number">{follows || ''}</td>
					<td>{gone.map((id) => labels.get(id) ?? id).join(', ')}</td>
				</tr>
			{/each}
		</tbody>
	</table>
	<p class="quiet">
		{#if change.renamed.length > 0}Findings about renamed commands that somebody let stand are shown again.{/if}
		{#if outlook.strata.some((s) => s.gone.length > 0)}What is said of commands that are gone stays until its owner takes it out:
			Findings lists it.{/if}
		A back-up is made first.
	</p>
	{#if outlook.left.length > 0}
		<p class="callout tone-limonite">
			The program's own alias file cannot say {outlook.left.map((one) => one.alias).join(', ')}: its format has no place for it.
		</p>
	{/if}
{/if}

<style>
	.change {
		display: flex;
		flex-wrap: wrap;
		gap: 6px 20px;
		align-items: start;
		font-size: 13px;
	}
	ul {
		max-height: 320px;
		margin: 4px 0 0;
		padding: 0;
		overflow-y: auto;
		list-style: none;
	}
	table {
		max-width: 900px;
		border-collapse: collapse;
		font-size: 13px;
	}
	th,
	td {
		padding: 4px 14px 4px 0;
		border-bottom: 1px solid var(--line);
		text-align: left;
		vertical-align: top;
	}
	.number {
		text-align: right;
	}
</style>
