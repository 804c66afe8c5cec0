<script lang="ts">
	import { Button, Input, Modal } from 'flowbite-svelte';
	import { invalidateAll } from '$app/navigation';
	import { tick } from 'svelte';
	import type { AliasReportFinding, AliasRow } from '$core/chapters/aliases/report';
	import { aliasLines } from '$core/chapters/aliases/file';
	import { aliasProblem, type AliasInput } from '$core/application/command-line';
	import { ApiError, ask } from '$lib/state/api';
	import AliasFindings from '$lib/ui/aliases/AliasFindings.svelte';
	import AliasInputForm from '$lib/ui/aliases/AliasInputForm.svelte';
	import type { AliasSet } from '$core/chapters/aliases/suggest-set';
	import { suggestAliases } from '$core/chapters/aliases/suggest';
	import { aliasTable } from '$core/chapters/aliases/table';
	import type { Command } from '$core/application/command';
	import { FileRefusedError } from '$core/format/problem';
	import { encode } from '$core/format/bytes';
	import { changeRecord, insertRecord, removeRecord, spliced, switchRecord } from '$core/recipe/reading';
	import { NotWritableError, type Splice, type Values } from '$core/recipe/record';
	import { AliasSession } from '$lib/state/alias-session.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import AliasPrompt from '$lib/ui/aliases/AliasPrompt.svelte';
	import AliasSetDialog from '$lib/ui/aliases/AliasSetDialog.svelte';
	import AliasTable from '$lib/ui/aliases/AliasTable.svelte';
	import AliasText from '$lib/ui/aliases/AliasText.svelte';
	import type { EditorHost } from '$lib/ui/aliases/editor';
	import CommandPick from '$lib/ui/CommandPick.svelte';
	import StratumChip from '$lib/ui/StratumChip.svelte';
	import { save } from '$lib/ui/save';

	const workspace = useWorkspace();
	const input = $derived(workspace.document.application.rules.aliases);
	let said = $state.raw<AliasInput | undefined>(undefined);
	let isChangingLine = $state(false);
	const session = new AliasSession(workspace);

	/** How typed names are taken is the application's, not the profile's: it is read anew with it. */
	async function setLine(wanted: AliasInput | undefined) {
		try {
			await session.flush();
			await ask(`${workspace.path}/command-line`, 'PUT', { aliases: wanted ?? null });
			await invalidateAll();
		} catch (error) {
			if (!(error instanceof ApiError)) throw error;
			workspace.notice = { kind: 'failed', text: error.message };
		}
	}

	$effect(() => () => session.end());
	$effect(() => {
		void workspace.profile;
		void workspace.targetId;
		session.follow();
	});

	let text = $state<AliasText | undefined>(undefined);
	let line = $state(1);
	let typed = $state('');
	let added = $state('');
	let chosen = $state<Command | undefined>(undefined);
	let isSuggesting = $state(false);
	let addField = $state<HTMLElement | undefined>(undefined);

	const table = $derived(input && aliasTable(workspace.profile, input));
	const problem = $derived(added.trim() === '' || !input ? undefined : aliasProblem(added.trim(), input));

	const suggestions = $derived(table && chosen ? suggestAliases(table, workspace.catalogue, chosen).slice(0, 6) : []);

	const recipe = () => session.file.recipe;
	const lines = () => aliasLines({ ...session.file, text: session.text }).lines;
	/** The record of a row, as the text stands now. */
	const recordOf = (row: AliasRow) => {
		const line = lines()[row.record];
		// the rows follow the text after a moment; a row of a former text is of no record
		return line?.alias === row.alias && line.command === row.command && line.note === row.note ? line.record : undefined;
	};

	async function write(label: string, splices: () => Splice[]) {
		try {
			await session.apply(label, splices());
		} catch (error) {
			if (!(error instanceof NotWritableError)) throw error;
			workspace.notice = { kind: 'failed', text: error.message };
		}
	}

	/** A change of a row; of a file below, a line of one's own is put over it. */
	async function change(row: AliasRow, values: Values) {
		const record = row.stratum === workspace.targetId ? recordOf(row) : undefined;
		if (record)
			await write(`Aliases: ${row.alias} ${Object.keys(values).join(', ')}`, () =>
				changeRecord(recipe(), session.text, record, values)
			);
		else {
			const said = { alias: row.alias, command: row.command, ...(row.note && { note: row.note }), ...values };
			await write(`Aliases: ${said.alias} over ${row.stratum}`, () =>
				insertRecord(recipe(), session.text, lines().at(-1)?.record, said)
			);
		}
	}

	const remove = (row: AliasRow) => {
		const record = recordOf(row);
		if (record) void write(`Aliases: take ${row.alias} out`, () => removeRecord(recipe(), session.text, record));
	};
	const toggle = (row: AliasRow) => {
		const record = recordOf(row);
		if (record)
			void write(`Aliases: ${record.off ? `${row.alias} holds again` : `comment ${row.alias} out`}`, () =>
				switchRecord(recipe(), session.text, record, !record.off)
			);
	};

	async function add() {
		const alias = added.trim();
		if (!alias || !chosen || problem) return;
		const values = { alias, command: chosen.id };
		const after = lines().find((l) => l.record.line === line)?.record ?? lines().at(-1)?.record;
		await write(`Aliases: ${alias} for ${chosen.label}`, () => insertRecord(recipe(), session.text, after, values));
		added = '';
		chosen = undefined;
	}

	/** All aliases of a solved set as one edit, below each other. */
	async function takeSet(set: AliasSet) {
		isSuggesting = false;
		const rows = set.chosen.map(({ command, suggestion }) => ({ alias: suggestion.alias, command: command.id }));
		await write(`Aliases: ${rows.length} suggested`, () => {
			let now = session.text;
			for (const row of rows) {
				const last = aliasLines({ ...session.file, text: now }).lines.at(-1)?.record;
				now = spliced(now, insertRecord(recipe(), now, last, row));
			}
			return [{ start: 0, end: session.text.length, insert: now }];
		});
	}

	/** The lines of one text that another has not. */
	function linesNotIn(mine: string, text: string): string {
		const there = new Set(text.split(/\r\n|\r|\n/));
		return mine
			.split(/\r\n|\r|\n/)
			.filter((line) => !there.has(line))
			.join('\n');
	}

	const host: EditorHost = {
		recipe,
		find: (words) =>
			workspace.search
				.find(words, workspace.index)
				.slice(0, 12)
				.map((f) => f.command),
		type: (now) => session.type(now),
		undo: () => void session.undo('undo'),
		redo: () => void session.undo('redo'),
		toggle: (from, to) => {
			const records = lines()
				.map((l) => l.record)
				.filter((r) => r.line >= from && r.line <= to);
			const off = records.some((r) => !r.off);
			if (records.length > 0)
				void write(`Aliases: comment ${records.length === 1 ? 'a line' : `${records.length} lines`} ${off ? 'out' : 'in'}`, () =>
					records.flatMap((r) => switchRecord(recipe(), session.text, r, off))
				);
		},
		stand: (now) => (line = now),
		see: (from, to) => session.see(from, to)
	};

	function fix(way: AliasReportFinding['fixes'][number]) {
		// while a check goes on, the way out may be of a text that is gone
		if (!session.checking) void write(way.label, () => [...way.splices]);
	}

	function saveFile() {
		const name = session.file.name ?? `${workspace.document.application.id}-${workspace.targetId}-aliases.txt`;
		try {
			save(name, encode(name, { text: session.text, encoding: session.file.encoding }));
		} catch (error) {
			if (!(error instanceof FileRefusedError)) throw error;
			workspace.notice = { kind: 'failed', text: error.message };
		}
	}

	async function pick(command: Command) {
		chosen = command;
		await tick();
		addField?.querySelector('input')?.focus();
	}
</script>

<svelte:window onpagehide={() => session.keepDraft()} />

{#if !input}
	<div class="none">
		<h1>Aliases</h1>
		<p>
			{workspace.document.application.name} has no command line, so that nothing is typed there. If it has one, say how it takes names.
		</p>
		<div class="line"><AliasInputForm input={said} onchange={(next) => (said = next)} /></div>
		{#if said}<p><Button size="sm" onclick={() => void setLine(said)}>It has a command line</Button></p>{/if}
	</div>
{:else}
	<div class="view">
		<section class="left" aria-label="Table">
			<form class="add" onsubmit={(event) => (event.preventDefault(), void add())}>
				<div class="command">
					{#if chosen}<button type="button" class="pill" aria-pressed="true" onclick={() => (chosen = undefined)}
							>{chosen.label} <span aria-hidden="true">×</span><span class="visually-hidden">choose another</span></button
						>{:else}<CommandPick label="Add an alias for the command …" onpick={(command) => void pick(command)} />{/if}
				</div>
				<span bind:this={addField}
					><Input size="sm" bind:value={added} placeholder="alias" aria-label="New alias" class="mono" disabled={!chosen} /></span
				>
				<Button size="sm" type="submit" disabled={!chosen || added.trim() === '' || problem !== undefined}>Add</Button>
			</form>
			{#if chosen && suggestions.length > 0}
				<p class="suggested" role="group" aria-label="Suggested">
					<span class="quiet">free:</span>
					{#each suggestions as { alias, reason, seconds } (alias)}
						<button
							class="pill tone-fluorite"
							type="button"
							title="{reason}; {seconds.toFixed(1)} s"
							onclick={() => (added = alias)}><span class="mono">{alias}</span></button
						>
					{/each}
				</p>
			{/if}
			{#if problem}<p class="problem tone-garnet"><span class="toned">◆</span> {problem}.</p>{/if}
			<AliasTable
				rows={session.rows}
				{line}
				onchange={(row, values) => void change(row, values)}
				onremove={remove}
				ontoggle={toggle}
				onchoose={(row) => {
					typed = row.alias;
					if (row.stratum === workspace.targetId) text?.goTo(row.line, false);
				}}
			/>
			<p class="hint quiet">
				<kbd>Enter</kbd> alias <kbd>C</kbd> command <kbd>N</kbd> note <kbd>Space</kbd> comment out <kbd>Del</kbd> take out
				<button class="linkish set" type="button" onclick={() => (isSuggesting = true)}>Suggest for a category …</button>
			</p>
		</section>
		<section class="right" aria-label="Text">
			<div class="bar">
				<StratumChip id={workspace.targetId} named />
				<span class="quiet">{session.file.recipe.name} · {session.file.encoding.toUpperCase()}</span>
				<span class="saved quiet" aria-live="polite">{session.isDirty ? 'writing …' : ''}</span>
				<button class="linkish" type="button" onclick={() => ((said = input), (isChangingLine = true))}>Rules</button>
				<a class="linkish" href="recipes">Bring a file</a>
				<button class="linkish" type="button" onclick={saveFile}>Save the file</button>
			</div>
			{#each session.left as mine (mine)}
				<div class="callout tone-limonite">
					There is text of yours that was not written, since the file changed in the same lines or the page was closed.
					<button class="linkish" type="button" onclick={() => session.settleLeft(mine, true)}>Put mine in its place</button> ·
					<button class="linkish" type="button" onclick={() => session.settleLeft(mine, false)}>Let it go</button>
					<details>
						<summary>Lines of mine that are not in the file</summary>
						<pre>{linesNotIn(mine, session.text)}</pre>
					</details>
				</div>
			{/each}
			<AliasText bind:this={text} text={session.text} findings={session.marked} {host} onfix={fix} />
			<AliasFindings
				{session}
				onfix={fix}
				onshow={(finding) => {
					typed = finding.typed;
					text?.goTo(finding.line, false);
				}}
			/>
			{#if table}<AliasPrompt {table} bind:typed />{/if}
		</section>
	</div>
	<Modal
		bind:open={isChangingLine}
		title="How {workspace.document.application.name} takes typed names"
		size="xs"
		classes={{ body: 'p-4 md:p-4 space-y-3', header: 'p-4 md:p-4' }}
	>
		<AliasInputForm input={said} onchange={(next) => (said = next)} />
		{#snippet footer()}
			<Button size="sm" onclick={() => ((isChangingLine = false), void setLine(said))}>Set</Button>
			<Button size="sm" color="alternative" onclick={() => (isChangingLine = false)}>Leave</Button>
		{/snippet}
	</Modal>
	{#if isSuggesting}<AliasSetDialog onclose={() => (isSuggesting = false)} ontake={(set) => void takeSet(set)} />{/if}
{/if}

<style>
	.view {
		display: grid;
		grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
		height: 100%;
	}
	.left,
	.right {
		display: flex;
		flex-direction: column;
		min-height: 0;
		min-width: 0;
	}
	.left {
		border-right: 1px solid var(--line-strong);
	}
	.add {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 110px auto;
		gap: 8px;
		align-items: center;
		padding: 10px 12px 4px;
	}
	.suggested {
		display: flex;
		gap: 6px;
		align-items: center;
		padding: 4px 12px;
		font-size: 13px;
	}
	.problem {
		padding: 2px 12px;
		font-size: 13px;
	}
	.hint {
		padding: 6px 12px;
		border-top: 1px solid var(--line);
		font-size: 12.5px;
	}
	.set {
		float: right;
	}
	kbd {
		padding: 0 5px;
		border: 1px solid var(--line-strong);
		border-radius: 3px;
		font-family: var(--font);
		font-size: 12px;
	}
	.bar {
		display: flex;
		gap: 12px;
		align-items: center;
		padding: 8px 12px;
		border-bottom: 1px solid var(--line-strong);
		font-size: 13px;
	}
	.saved {
		flex: 1;
	}
	.callout {
		font-size: 13px;
	}
	.line {
		display: grid;
		gap: 8px;
		max-width: 320px;
	}
	.none {
		display: grid;
		gap: 10px;
		max-width: 560px;
		padding: 28px;
	}
	@media (max-width: 1100px) {
		.view {
			grid-template-columns: minmax(0, 1.1fr) minmax(0, 1fr);
		}
	}
</style>
