<script lang="ts">
	import { counted } from '$core/text/counted';
	import { Button } from 'flowbite-svelte';
	import { stringify } from 'csv-stringify/browser/esm/sync';
	import type { CatalogueChange } from '$core/application/catalogue-change';
	import type { OwnInput } from '$core/application/catalogue-table';
	import type { FileProblem } from '$core/format/problem';
	import type { Outlook } from '$lib/state/program-desk.svelte';
	import Problems from '../hand-over/Problems.svelte';
	import { save } from '../save';
	import Table from '../kit/Table.svelte';

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

	function saveLists() {
		const rows = parts.flatMap((p) => p.rows.map((r) => [p.name, r.from, r.to, r.label]));
		const text = stringify([['change', 'id', 'new id', 'label'], ...rows], { record_delimiter: '\r\n' });
		save('changes of the catalogue.csv', text, 'text/csv');
	}
</script>

<div class="change" aria-label="Changes of the command list" role="group">
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
	<Button size="xs" color="alternative" onclick={saveLists}>Export these lists</Button>
</div>
{#if refused.length > 0}<Problems problems={refused} file="the list" title="{refused.length} lines with problems" />{/if}
{#if defaults.length > 0}
	<p>
		Default inputs of new commands are added to the factory level: {[
			...(keys > 0 ? [counted(keys, 'shortcut')] : []),
			...(typed > 0 ? [counted(typed, 'alias', 'aliases')] : [])
		].join(' and ')}.
	</p>
{/if}
{#if !outlook}
	<p class="quiet" role="status">Computing the effect on everyone …</p>
{:else if 'problem' in outlook}
	<p class="callout tone-garnet" role="alert">{outlook.problem}</p>
{:else if outlook.strata.length === 0}
	<p>No level uses a command that is renamed or missing.</p>
{:else}
	<div class="levels">
		<Table name="Affected levels" heads={['Level', { name: 'Renamed commands', isNumber: true }, 'Refers to a missing command']}>
			<tbody>
				{#each outlook.strata as { stratum, name, kind, follows, gone } (stratum)}
					<tr>
						<td
							>{name}
							{#if name.toLowerCase() !== kind}<span class="quiet">{kind}</span>{/if}</td
						>
						<td class="num">{follows || ''}</td>
						<td>{gone.map((id) => labels.get(id) ?? id).join(', ')}</td>
					</tr>
				{/each}
			</tbody>
		</Table>
	</div>
	<p class="quiet">
		{#if change.renamed.length > 0}Accepted findings about renamed commands are shown again.{/if}
		{#if outlook.strata.some((s) => s.gone.length > 0)}Settings of missing commands stay until their owner removes them. Findings
			lists them.{/if}
		A backup is created first.
	</p>
	{#if outlook.left.length > 0}
		<p class="callout tone-limonite">
			The program’s alias file cannot contain {outlook.left.map((one) => one.alias).join(', ')}: its format has no field for it.
		</p>
	{/if}
{/if}

<style>
	.change {
		display: flex;
		flex-wrap: wrap;
		gap: 6px var(--space-5);
		align-items: start;
		font-size: var(--dense);
	}
	ul {
		max-height: 320px;
		margin: var(--space-1) 0 0;
		padding: 0;
		overflow-y: auto;
		list-style: none;
	}
	.levels {
		max-width: 900px;
	}
</style>
