<script lang="ts">
	import { goto } from '$app/navigation';
	import { Button, Input, Label, Spinner, Textarea } from 'flowbite-svelte';
	import {
		ApplicationForm,
		MAPPABLE,
		catalogueFromTable,
		guessMapping,
		type ColumnMapping,
		type Mappable
	} from '$core/application/catalogue-table';
	import type { Table } from '$core/format/table/tree';
	import type { AliasInput } from '$core/application/command-line';
	import AliasInputForm from '$lib/ui/aliases/AliasInputForm.svelte';
	import { ApiError, ask } from '$lib/state/api';
	import FileDrop from '$lib/ui/hand-over/FileDrop.svelte';
	import Problems from '$lib/ui/hand-over/Problems.svelte';
	import Picker from '$lib/ui/Picker.svelte';
	import { FileReading, ReadingRefusedError } from '$lib/workers/reading';

	const files = new FileReading();
	let name = $state('');
	let table = $state.raw<Table | undefined>(undefined);
	let file = $state('');
	let mapping = $state.raw<ColumnMapping>({});
	let refusal = $state.raw<ReadingRefusedError | undefined>(undefined);
	let problem = $state('');
	let busy = $state(false);
	let version = $state('1');
	let ambiguity = $state<string>('narrowest');
	let match = $state<string>('character');
	let sequences = $state<string>('at-once');
	let typing = $state.raw<'nowhere' | 'everywhere' | string[]>('nowhere');
	let hardwired = $state('');
	let aliases = $state.raw<AliasInput | undefined>(undefined);

	const form = $derived(ApplicationForm.safeParse({ name, version, ambiguity, match, sequences, typing, hardwired, aliases }));
	const isMapped = $derived(mapping.id !== undefined && mapping.label !== undefined);
	const built = $derived(table && form.success && isMapped ? catalogueFromTable(table.records, mapping, form.data) : undefined);
	const modes = $derived(
		built?.application.axes[0]!.nodes.filter((node) => node.id !== 'anywhere-else').map(({ id, label }) => ({ id, label })) ?? []
	);
	const words: Record<Mappable, string> = {
		id: 'Id, as the program knows it',
		label: 'Label, as people read it',
		description: 'Description',
		category: 'Category path, parts joined by >',
		kind: 'Kind',
		synonyms: 'Synonyms',
		context: 'Contexts where it exists',
		opposite: 'Opposite',
		action: 'Action',
		use: 'Use, times a day'
	};

	async function read(given: File) {
		leave();
		busy = true;
		file = given.name;
		try {
			table = await files.run((remote) => remote.table(given));
			if (table) mapping = guessMapping(table.header);
			if (name === '') name = given.name.replace(/\.[^.]*$/, '').replaceAll(/[-_]+/g, ' ');
		} catch (error) {
			if (error instanceof ReadingRefusedError) refusal = error;
			else problem = (error as Error).message;
		} finally {
			busy = false;
		}
	}

	function leave() {
		table = undefined;
		refusal = undefined;
		problem = '';
	}

	async function bring() {
		if (!built) return;
		busy = true;
		problem = '';
		try {
			await ask('/api/applications', 'POST', {
				application: built.application,
				commands: built.commands,
				strata: [
					{ id: 'factory', kind: 'factory', name: 'Factory' },
					{ id: 'office', kind: 'office', name: 'Office' },
					{ id: 'personal', kind: 'personal', name: 'Personal' }
				],
				factory: {}
			});
			await goto(`/${built.application.id}/commands`, { invalidateAll: true });
		} catch (error) {
			problem = error instanceof ApiError ? error.message : String(error);
		} finally {
			busy = false;
		}
	}
</script>

<svelte:head><title>Bring a catalogue · Skarn</title></svelte:head>

<div class="page-frame">
	<header>
		<a href="/" class="brand"><img src="/mark.svg" alt="" width="28" height="28" /> Skarn</a>
		<h1>Bring a catalogue</h1>
	</header>
	<main>
		<section class="form" aria-label="Application">
			<h2>The application</h2>
			<Label>Name<Input size="sm" bind:value={name} placeholder="as your office calls it" /></Label>
			<Label>Version<Input size="sm" bind:value={version} /></Label>
			<h2>How it takes keys</h2>
			<div class="rule">
				Several commands on one key <Picker
					label="Several commands on one key"
					value={ambiguity}
					onpick={(v) => (ambiguity = v)}
					items={[
						{ value: 'narrowest', name: 'the narrowest context wins' },
						{ value: 'first', name: 'the first in the list wins' },
						{ value: 'chooser', name: 'a chooser opens' },
						{ value: 'refuse', name: 'the second is refused' }
					]}
				/>
			</div>
			<div class="rule">
				Keys are matched by <Picker
					label="Keys are matched by"
					value={match}
					onpick={(v) => (match = v)}
					items={[
						{ value: 'character', name: 'the character they type' },
						{ value: 'position', name: 'their position' }
					]}
				/>
			</div>
			<div class="rule">
				A key that begins a sequence <Picker
					label="A key that begins a sequence"
					value={sequences}
					onpick={(v) => (sequences = v)}
					items={[
						{ value: 'at-once', name: 'fires at once' },
						{ value: 'wait', name: 'waits for more' }
					]}
				/>
			</div>
			<div class="rule">
				Bare keys are text <Picker
					label="Bare keys are text"
					value={Array.isArray(typing) ? typing[0]! : typing}
					onpick={(v) => (typing = v === 'nowhere' || v === 'everywhere' ? v : [v])}
					items={[
						{ value: 'nowhere', name: 'nowhere' },
						{ value: 'everywhere', name: 'everywhere: a command line listens' },
						...modes.map((m) => ({ value: m.id, name: `only in ${m.label}` }))
					]}
				/>
			</div>
			<Label
				>Keys it keeps for itself, one a line<Textarea
					rows={2}
					class="mono w-full"
					bind:value={hardwired}
					placeholder="F1 opens the help"
				/></Label
			>
			<AliasInputForm input={aliases} onchange={(next) => (aliases = next)} />
			{#if !form.success && (table || hardwired)}<p class="callout tone-limonite">{form.error.issues[0]?.message}</p>{/if}
		</section>
		<section class="list" aria-label="Command list">
			<FileDrop
				label="Drop the program's command list, or click to choose"
				hint="CSV with column names, a sheet, or records in JSON, YAML or XML. You say what the fields mean."
				accept=".csv,.tsv,.txt,.json,.yaml,.yml,.xml,.xlsx"
				onfile={read}
				onproblem={(message) => (leave(), (problem = message))}
			/>
			{#if busy}<p role="status">
					<Spinner size="5" /> Working … <Button size="xs" color="alternative" onclick={() => files.cancel()}>Cancel</Button>
				</p>{/if}
			{#if problem}<p class="callout tone-garnet" role="alert">{problem}</p>{/if}
			{#if refusal}<Problems problems={refusal.problems} {file} title="Nothing of this file was taken. {refusal.message}" />{/if}
			{#if table}
				<h2>What the columns mean</h2>
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
								onpick={(v) => (mapping = { ...mapping, [field]: v === '' ? undefined : Number(v) })}
								items={[
									{ value: '', name: 'not in this file' },
									...table.header.map((h, i) => ({ value: String(i), name: h || `column ${i + 1}` }))
								]}
							/>
						</div>
					{/each}
				</div>
				{#if !isMapped}<p class="callout tone-limonite">
						Say which columns hold the id and the label; one column may serve for both.
					</p>{/if}
				{#if built}
					{#if built.refused.length > 0}<Problems
							problems={built.refused}
							{file}
							title="{built.refused.length} of {table.records.length} lines need a look"
						/>{/if}
					<table>
						<thead><tr><th>Label</th><th>Id</th><th>Category</th><th>Exists in</th></tr></thead>
						<tbody>
							{#each built.commands.slice(0, 8) as command (command.id)}
								<tr
									><td>{command.label}</td><td class="mono">{command.id}</td><td>{command.category.join(' › ')}</td><td
										>{command.contexts.map((s) => Object.values(s).flat().join(', ')).join(', ') || 'everywhere'}</td
									></tr
								>
							{/each}
						</tbody>
					</table>
					<p>
						<Button disabled={busy || built.commands.length === 0} onclick={bring}
							>Bring {built.commands.length} commands as {built.application.name}</Button
						>
					</p>
				{/if}
			{/if}
		</section>
	</main>
</div>

<style>
	.page-frame {
		display: flex;
		flex-direction: column;
		height: 100%;
	}
	header {
		display: flex;
		align-items: center;
		gap: 26px;
		height: 62px;
		padding: 0 16px;
		background: var(--panel);
		border-bottom: 1px solid var(--line-strong);
	}
	.brand {
		display: flex;
		align-items: center;
		gap: 9px;
		color: var(--ink);
		font-size: 20px;
		font-weight: 650;
		text-decoration: none;
	}
	main {
		display: grid;
		grid-template-columns: 320px minmax(0, 1fr);
		flex: 1;
		min-height: 0;
	}
	section {
		display: flex;
		flex-direction: column;
		gap: 12px;
		padding: 18px;
		overflow-y: auto;
	}
	.form {
		background: var(--panel);
		border-right: 1px solid var(--line-strong);
	}
	.form :global(label) {
		color: var(--ink-2);
		font-size: 13px;
	}
	.rule {
		display: grid;
		gap: 3px;
		font-size: 13px;
		color: var(--ink-2);
	}
	.rule :global(select) {
		max-width: none;
		width: 100%;
	}
	.mapping {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(210px, 1fr));
		gap: 10px 16px;
	}
	table {
		border-collapse: collapse;
		width: 100%;
		font-size: 13px;
	}
	th {
		text-align: left;
		font-weight: 500;
		color: var(--ink-3);
	}
	th,
	td {
		padding: 5px 10px 5px 0;
		border-bottom: 1px solid var(--line);
	}
</style>
