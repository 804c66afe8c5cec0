<script lang="ts">
	import { Button, Spinner, Textarea } from 'flowbite-svelte';
	import { z } from 'zod';
	import {
		guessMapping,
		MAPPABLE,
		readKeyNames,
		type ColumnMapping,
		type KeyNames,
		type Mappable
	} from '$core/application/catalogue-table';
	import type { Table } from '$core/format/table/tree';
	import { FileReading, ReadingRefusedError } from '$lib/workers/reading';
	import { remember, rememberedAs } from '$lib/state/remembered';
	import FileDrop from '../hand-over/FileDrop.svelte';
	import Problems from '../hand-over/Problems.svelte';
	import Picker from '../Picker.svelte';

	/** A command list of any kind, and what its columns mean. */
	let {
		onchange
	}: {
		onchange: (list: { file: string; table: Table; mapping: ColumnMapping; names: KeyNames } | undefined) => void;
	} = $props();
	const files = new FileReading();
	let file = $state('');
	let table = $state.raw<Table | undefined>(undefined);
	let mapping = $state.raw<ColumnMapping>({});
	let refusal = $state.raw<ReadingRefusedError | undefined>(undefined);
	let problem = $state('');
	let busy = $state(false);
	const isMapped = $derived(mapping.id !== undefined && mapping.label !== undefined);
	const words: Record<Mappable, string> = {
		id: 'Id in the program',
		label: 'Label on screen',
		description: 'Description',
		category: 'Category path, separated by >',
		kind: 'Kind',
		synonyms: 'Synonyms',
		context: 'Contexts',
		opposite: 'Opposite',
		action: 'Action',
		use: 'Runs per day',
		keys: 'Current keys',
		alias: 'Current aliases'
	};

	/** Own names of keys, one a line. */
	let ownNames = $state('');
	let namesProblem = $state('');
	/** Lists of one program have the same columns: what was said of them is kept in this browser. */
	const keptAs = (header: readonly string[]) => `columns ${header.join('\n')}`;
	const Kept = z.object({ mapping: z.partialRecord(z.enum(MAPPABLE), z.number()), names: z.string() });

	function tell() {
		let names: KeyNames = new Map();
		namesProblem = '';
		try {
			names = readKeyNames(ownNames);
		} catch (error) {
			namesProblem = (error as Error).message;
		}
		onchange(table && isMapped ? { file, table, mapping, names } : undefined);
	}

	/** What somebody has said of the columns is said of the next list as well. */
	function tellAndKeep() {
		tell();
		if (table) remember(keptAs(table.header), JSON.stringify({ mapping, names: ownNames }));
	}

	function leave() {
		table = undefined;
		refusal = undefined;
		problem = '';
		tell();
	}

	async function read(given: File) {
		leave();
		busy = true;
		file = given.name;
		try {
			table = await files.run((remote) => remote.table(given));
			if (table) {
				const kept = rememberedAs(keptAs(table.header), Kept);
				mapping = kept?.mapping ?? guessMapping(table.header);
				ownNames = kept?.names ?? '';
			}
			tell();
		} catch (error) {
			if (error instanceof ReadingRefusedError) refusal = error;
			else problem = (error as Error).message;
		} finally {
			busy = false;
		}
	}

	function say(field: Mappable, at: string) {
		mapping = { ...mapping, [field]: at === '' ? undefined : Number(at) };
		tellAndKeep();
	}
</script>

<FileDrop
	label="Drop the command list of the program here, or click to choose a file"
	hint="CSV with column names, a spreadsheet, or records in JSON, YAML or XML. You choose the meaning of each field."
	accept=".csv,.tsv,.txt,.json,.yaml,.yml,.xml,.xlsx"
	onfile={(given) => void read(given)}
	onproblem={(message) => (leave(), (problem = message))}
/>
{#if busy}<p role="status">
		<Spinner size="5" /> Working … <Button size="xs" color="alternative" onclick={() => files.cancel()}>Cancel</Button>
	</p>{/if}
{#if problem}<p class="callout tone-garnet" role="alert">{problem}</p>{/if}
{#if refusal}<Problems problems={refusal.problems} {file} title="Nothing was imported. {refusal.message}" />{/if}
{#if table}
	<h2>Columns</h2>
	<div class="mapping">
		{#each MAPPABLE as field (field)}
			<div class="rule">
				<span
					>{words[field]}{#if field === 'id' || field === 'label'}
						<b class="tone-garnet toned" title="needed">*</b>{/if}</span
				>
				<Picker
					label={words[field]}
					value={String(mapping[field] ?? '')}
					onpick={(at) => say(field, at)}
					items={[
						{ value: '', name: 'not in this file' },
						...table.header.map((h, i) => ({ value: String(i), name: h || `column ${i + 1}` }))
					]}
				/>
			</div>
		{/each}
	</div>
	{#if mapping.keys !== undefined}
		<details open={ownNames !== ''}>
			<summary>Key names in this list</summary>
			<p class="quiet">
				English, German, French, Italian and Spanish names are known, such as Strg+Entf or Maj+Suppr. Add others, one per line.
			</p>
			<Textarea
				rows={3}
				class="mono w-full"
				aria-label="Key names in this list"
				placeholder="Löschtaste = Delete"
				bind:value={ownNames}
				onchange={tellAndKeep}
			/>
			{#if namesProblem}<p class="callout tone-limonite" role="alert">{namesProblem}</p>{/if}
		</details>
	{/if}
	{#if !isMapped}<p class="callout tone-limonite">
			Choose the columns with the id and the label. They can be the same column.
		</p>{/if}
{/if}

<style>
	.mapping {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(210px, 1fr));
		gap: var(--space-2) var(--space-4);
	}
	.rule {
		display: grid;
		gap: 3px;
		font-size: var(--dense);
		color: var(--ink-2);
	}
	.rule :global(select) {
		max-width: none;
		width: 100%;
	}
</style>
