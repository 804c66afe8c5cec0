<script lang="ts">
	import { Button, Spinner } from 'flowbite-svelte';
	import { z } from 'zod';
	import type { Scope } from '$core/context/scope';
	import { MACHINE, USUAL, type Selection } from '$core/hand-over/selection';
	import {
		guessColumns,
		NEEDED_COLUMNS,
		READ_COLUMNS,
		type ReadColumn,
		type ShortcutColumns
	} from '$core/hand-over/shortcuts-csv';
	import type { StratumId } from '$core/strata/stratum';
	import { listed } from '$core/text/listed';
	import { remember, rememberedAs } from '$lib/state/remembered';
	import { RecentFiles } from '$lib/state/recent-files.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import { FileReading, ReadingRefusedError } from '$lib/workers/reading';
	import type { Reading } from '$lib/workers/reading.worker';
	import Picker from '../Picker.svelte';
	import ScopePicker from '../ScopePicker.svelte';
	import FileDrop from './FileDrop.svelte';
	import Preview from './Preview.svelte';
	import Problems from './Problems.svelte';
	import SelectionBar from './SelectionBar.svelte';

	/** A file against the profile, and what of it is taken. */
	const workspace = useWorkspace();
	const files = new FileReading();
	const recent = new RecentFiles(`hand-over ${workspace.document.application.id}`);
	let into = $state('');
	let file = $state.raw<File | undefined>(undefined);
	let reading = $state.raw<Reading | undefined>(undefined);
	let refusal = $state.raw<ReadingRefusedError | undefined>(undefined);
	let problem = $state('');
	let stage = $state('');
	/** What is taken of the file, and the contexts that its shortcuts get: their own, all, or those chosen. */
	let wanted = $state.raw<Selection>(USUAL);
	let place = $state<'own' | 'all' | 'one'>('own');
	let one = $state.raw<Scope>({});
	/** The columns of a table whose header says nothing to us, and which of them holds what. */
	let header = $state.raw<readonly string[] | undefined>(undefined);
	let columns = $state.raw<ShortcutColumns | undefined>(undefined);
	/** Whether what is taken is being chosen; it stays as somebody left it. */
	let isChoosing = $state(false);
	const scopeFor = () => (place === 'own' ? undefined : place === 'all' ? {} : one);
	const writable = $derived(workspace.writable);
	const mine = $derived(writable.findLast(({ kind }) => kind === 'personal'));
	/** What the file calls the strata of somebody else's own in it. */
	let theirs = $state.raw<readonly string[]>([]);

	async function read(given: File | undefined = file) {
		if (!given) return;
		const isNew = given !== file;
		if (isNew) {
			reading = undefined;
			wanted = USUAL;
			place = 'own';
			header = columns = undefined;
		}
		file = given;
		refusal = undefined;
		problem = '';
		stage = 'Starting';
		const { application, commands } = workspace.document;
		const { profile } = workspace;
		const target = into === '' ? undefined : (into as StratumId);
		try {
			reading = await files.shortcuts(
				given,
				{
					application,
					commands,
					profile,
					into: target,
					selection: wanted,
					scope: scopeFor(),
					desks: workspace.office.desks,
					...(columns && { columns })
				},
				(next) => (stage = next)
			);
			if (isNew && reading && (reading.holds[MACHINE] ?? 0) > 0) isChoosing = true;
			if (isNew && !/\.xlsx$/i.test(given.name)) recent.add(given.name, await given.text());
			// what is a colleague's own is offered as one's own first
			if (isNew) theirs = reading?.ofOthers ?? [];
			if (isNew && theirs.length > 0 && into === '' && mine) {
				into = mine.id;
				return void (await read());
			}
		} catch (error) {
			if (error instanceof ReadingRefusedError) {
				refusal = error;
				if (/\.json$/i.test(given.name) || !/there is no column/.test(error.message)) return;
				// the person knows what the columns hold
				header = (await files.run((remote) => remote.table(given)).catch(() => undefined))?.header;
				// lists of one program have the same columns: what was said of them is said of the next as well
				columns = header && (rememberedAs(keptAs(header), Kept) ?? guessColumns(header));
				if (columns && NEEDED_COLUMNS.every((needed) => columns?.[needed] !== undefined)) await read();
			} else problem = `${given.name} could not be read. ${(error as Error).message}`;
		} finally {
			stage = '';
		}
	}

	const keptAs = (of: readonly string[]) => `shortcut columns ${of.join('\n')}`;
	const Kept = z.partialRecord(z.enum(READ_COLUMNS), z.number());

	function leave() {
		file = undefined;
		reading = undefined;
		refusal = undefined;
		problem = '';
	}

	function say(column: ReadColumn, at: string) {
		columns = { ...columns, [column]: at === '' ? undefined : Number(at) };
		if (header) remember(keptAs(header), JSON.stringify(columns));
		if (NEEDED_COLUMNS.every((needed) => columns?.[needed] !== undefined)) void read();
	}

	/** Two shortcuts of one's own as a table would have them: one that is free, and one that takes a key from somebody. */
	function example() {
		const [free] = workspace.office.goodStrokes.filter((keys) => workspace.index.on(keys).length === 0);
		const [taken] = workspace.index.effective.bindings;
		const { commands } = workspace.document;
		const keyless = commands.filter((c) => workspace.index.of(c.id).length === 0);
		const row = (keys: string | undefined, i: number) => (keys && keyless[i] ? [`"${keys}",${keyless[i].id}`] : []);
		const lines = ['keys,command', ...row(free, 0), ...row(taken?.keys, 1)];
		void read(new File([lines.join('\r\n') + '\r\n'], 'example.csv'));
	}
</script>

<section class="in" aria-label="Import">
	<div class="head">
		<h2>Import</h2>
		<span class="into"
			>into <Picker
				label="Import into"
				value={into}
				onpick={(next) => ((into = next), void read())}
				items={[
					{ value: '', name: 'the levels named in the file' },
					...writable.map((s) => ({ value: s.id as string, name: s.name }))
				]}
			/></span
		>
	</div>
	{#if !reading || refusal}
		<FileDrop
			label="Drop a profile (JSON) or shortcuts (CSV, XLSX) here, or click to choose a file"
			hint="Up to 50 MB. You see every change before it is saved."
			accept=".json,.csv,.xlsx,application/json,text/csv"
			onfile={read}
			onproblem={(message) => (leave(), (problem = message))}
		/>
	{/if}
	{#if stage}
		<p class="busy" role="status">
			<Spinner size="5" />
			{stage} … <Button size="xs" color="alternative" onclick={() => (files.cancel(), leave())}>Cancel</Button>
		</p>
	{/if}
	{#if problem}<p class="callout tone-garnet" role="alert">{problem}</p>{/if}
	{#if refusal}<Problems
			problems={refusal.problems}
			file={file?.name ?? 'file'}
			title="Nothing was imported. {refusal.message}"
		/>{/if}
	{#if header && refusal}
		<div class="columns" role="group" aria-label="Columns">
			{#each READ_COLUMNS as column (column)}
				<Picker
					label="{column}{NEEDED_COLUMNS.some((n) => n === column) ? ' (needed)' : ''}"
					value={String(columns?.[column] ?? '')}
					items={[
						{ value: '', name: `${column}: not in this file` },
						...header.map((name, i) => ({ value: String(i), name: `${column}: ${name || `column ${i + 1}`}` }))
					]}
					onpick={(at) => say(column, at)}
				/>
			{/each}
		</div>
	{/if}
	{#if reading && theirs.length > 0 && mine && into === mine.id}
		<p class="callout tone-azurite" role="status">
			{listed(theirs)}
			{theirs.length === 1 ? 'is' : 'are'} a colleague’s personal content. It is copied to {mine.name}.
		</p>
	{/if}
	{#if reading && file}
		<details class="what" bind:open={isChoosing}>
			<summary>Contents to import</summary>
			<SelectionBar
				selection={wanted}
				holds={reading.holds}
				categories={reading.categories}
				bars={reading.bars}
				onchange={(next) => ((wanted = next), void read())}
			/>
			<p class="place">
				Contexts of shortcuts and toolbars
				<Picker
					label="Contexts of shortcuts and toolbars"
					value={place}
					items={[
						{ value: 'own', name: 'as in the file' },
						{ value: 'all', name: 'all contexts' },
						{ value: 'one', name: 'only …' }
					]}
					onpick={(next) => ((place = next as typeof place), void read())}
				/>
				{#if place === 'one'}<ScopePicker scope={one} onchange={(next) => ((one = next), void read())} />{/if}
			</p>
		</details>
	{/if}
	{#if reading && file}<Preview file={file.name} {reading} ondone={leave} />{/if}
	{#if !reading && !refusal && !stage}
		<div class="none quiet">
			<p>
				CSV columns: keys and command are required; scope, stratum and op are optional. Example: <span class="mono"
					>Ctrl+E,file.export,,office,set</span
				>. Columns are separated by comma, semicolon or tab. If they have other names, you choose their meaning in the next step.
			</p>
			<p><Button size="sm" color="alternative" onclick={example}>Try it with an example</Button></p>
			{#if recent.list.length > 0}
				<p>
					Recent files:
					{#each recent.list as { name, text } (name)}<button
							class="linkish last"
							type="button"
							onclick={() => void read(new File([text], name))}>{name}</button
						>{/each}
				</p>
			{/if}
		</div>
	{/if}
</section>

<style>
	.in {
		display: flex;
		flex-direction: column;
		gap: var(--space-3);
		min-height: 0;
		padding: var(--space-4);
	}
	.head {
		display: flex;
		align-items: center;
		gap: var(--space-4);
	}
	.into {
		display: flex;
		align-items: center;
		gap: 6px;
	}
	.what {
		width: 100%;
		padding: 6px 0;
		border-top: 1px solid var(--line);
		border-bottom: 1px solid var(--line);
		font-size: var(--dense);
	}
	.what summary {
		font-weight: 600;
	}
	.what[open] > summary {
		margin-bottom: var(--space-2);
	}
	.place {
		display: flex;
		flex-wrap: wrap;
		gap: var(--space-2);
		align-items: center;
		margin-top: var(--space-2);
	}
	.columns {
		display: flex;
		flex-wrap: wrap;
		gap: var(--space-2);
	}
	.busy {
		display: flex;
		gap: var(--space-2);
		align-items: center;
	}
	.none {
		display: grid;
		gap: var(--space-2);
		max-width: 620px;
	}
	.last {
		margin-left: var(--space-2);
	}
</style>
