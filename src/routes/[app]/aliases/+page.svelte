<script lang="ts">
	import { Button, Modal } from 'flowbite-svelte';
	import { invalidateAll } from '$app/navigation';
	import type { AliasInput } from '$core/application/command-line';
	import { aliasTable } from '$core/chapters/aliases/table';
	import { encode } from '$core/format/bytes';
	import { FileRefusedError } from '$core/format/problem';
	import { AliasSession } from '$lib/state/alias-session.svelte';
	import { AliasWriting } from '$lib/state/alias-writing';
	import { ApiError, ask } from '$lib/state/api';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import AliasAdd from '$lib/ui/aliases/AliasAdd.svelte';
	import AliasFindings from '$lib/ui/aliases/AliasFindings.svelte';
	import AliasInputForm from '$lib/ui/aliases/AliasInputForm.svelte';
	import AliasPrompt from '$lib/ui/aliases/AliasPrompt.svelte';
	import AliasSetDialog from '$lib/ui/aliases/AliasSetDialog.svelte';
	import AliasTable from '$lib/ui/aliases/AliasTable.svelte';
	import AliasText from '$lib/ui/aliases/AliasText.svelte';
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
	let isSuggesting = $state(false);
	const writing = new AliasWriting(workspace, session);
	const host = writing.host((now) => (line = now));
	const table = $derived(input && aliasTable(workspace.profile, input));

	/** The lines of one text that another has not. */
	function linesNotIn(mine: string, text: string): string {
		const there = new Set(text.split(/\r\n|\r|\n/));
		return mine
			.split(/\r\n|\r|\n/)
			.filter((line) => !there.has(line))
			.join('\n');
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
</script>

<svelte:window onpagehide={() => session.keepDraft()} />

{#if !input}
	<div class="none">
		<p>
			{workspace.document.application.name} has no command line. If it has one, define how it reads names.
		</p>
		{#if workspace.may('programs')}<div class="line">
				<AliasInputForm input={said} onchange={(next) => (said = next)} />
			</div>{:else}<p class="quiet">A steward can do this in Programs.</p>{/if}
		{#if said}<p><Button size="sm" onclick={() => void setLine(said)}>Add a command line</Button></p>{/if}
	</div>
{:else}
	<div class="view">
		<section class="left" aria-label="Table">
			{#if table}<AliasAdd {table} {input} onadd={(alias, command) => writing.add(alias, command, line)} />{/if}
			<AliasTable
				rows={session.rows}
				{line}
				onchange={(row, values) => void writing.change(row, values)}
				onremove={(row) => void writing.remove(row)}
				ontoggle={(row) => void writing.toggle(row)}
				onchoose={(row) => {
					typed = row.alias;
					if (row.stratum === workspace.targetId) text?.goTo(row.line, false);
				}}
			/>
			{#if session.rows.length === 0}<p class="hint">
					No aliases yet. An alias is a short name that is typed in the command line.
					<button class="linkish" type="button" onclick={() => (isSuggesting = true)}>Try it with an example</button>
				</p>{/if}
			<p class="hint quiet">
				<kbd>Enter</kbd> alias <kbd>C</kbd> command <kbd>N</kbd> note <kbd>Space</kbd> disable line <kbd>Del</kbd> remove
				<button class="linkish set" type="button" onclick={() => (isSuggesting = true)}>Suggest for a category …</button>
			</p>
		</section>
		<section class="right" aria-label="Text">
			<div class="bar">
				<StratumChip id={workspace.targetId} named />
				<span class="quiet">{session.file.recipe.name} · {session.file.encoding.toUpperCase()}</span>
				<span class="saved quiet" aria-live="polite">{session.isDirty ? 'writing …' : ''}</span>
				{#if workspace.may('programs')}<button
						class="linkish"
						type="button"
						onclick={() => ((said = input), (isChangingLine = true))}>Rules</button
					>{/if}
				<a class="linkish" href="recipes">Import file</a>
				<button class="linkish" type="button" onclick={saveFile}>Export file</button>
			</div>
			{#each session.left as mine (mine)}
				<div class="callout tone-limonite">
					Some of your text is not saved, because the file changed in the same lines or the page was closed.
					<button class="linkish" type="button" onclick={() => session.settleLeft(mine, true)}>Use my text</button> ·
					<button class="linkish" type="button" onclick={() => session.settleLeft(mine, false)}>Discard</button>
					<details>
						<summary>My lines that are not in the file</summary>
						<pre>{linesNotIn(mine, session.text)}</pre>
					</details>
				</div>
			{/each}
			<AliasText bind:this={text} text={session.text} findings={session.marked} {host} onfix={(way) => writing.fix(way)} />
			<AliasFindings
				{session}
				onfix={(way) => writing.fix(way)}
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
		title="Alias rules of {workspace.document.application.name}"
		size="xs"
		classes={{ body: 'p-4 md:p-4 space-y-3', header: 'p-4 md:p-4' }}
	>
		<AliasInputForm input={said} onchange={(next) => (said = next)} />
		{#snippet footer()}
			<Button size="sm" onclick={() => ((isChangingLine = false), void setLine(said))}>Save</Button>
			<Button size="sm" color="alternative" onclick={() => (isChangingLine = false)}>Cancel</Button>
		{/snippet}
	</Modal>
	{#if isSuggesting}<AliasSetDialog
			onclose={() => (isSuggesting = false)}
			ontake={(set) => ((isSuggesting = false), void writing.addAll(set))}
		/>{/if}
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
	.hint {
		padding: 6px var(--space-3);
		border-top: 1px solid var(--line);
		font-size: var(--caption);
	}
	.set {
		float: right;
	}
	kbd {
		padding: 0 var(--space-1);
		border: 1px solid var(--line-strong);
		border-radius: 3px;
		font-family: var(--font);
		font-size: var(--caption);
	}
	.bar {
		display: flex;
		gap: var(--space-3);
		align-items: center;
		padding: var(--space-2) var(--space-3);
		border-bottom: 1px solid var(--line-strong);
		font-size: var(--dense);
	}
	.saved {
		flex: 1;
	}
	.callout {
		font-size: var(--dense);
	}
	.line {
		display: grid;
		gap: var(--space-2);
		max-width: 320px;
	}
	.none {
		display: grid;
		gap: var(--space-2);
		max-width: 560px;
		padding: 28px;
	}
	@media (max-width: 1100px) {
		.view {
			grid-template-columns: minmax(0, 1.1fr) minmax(0, 1fr);
		}
	}
</style>
