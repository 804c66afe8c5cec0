<script lang="ts" generics="Row extends { readonly line: number; readonly problems: readonly string[] }">
	import { counted } from '$core/text/counted';
	import { Button, Label, Modal, Textarea } from 'flowbite-svelte';
	import type { Snippet } from 'svelte';
	import Table from './kit/Table.svelte';

	/** Takes a list: typed, pasted from a spreadsheet or dropped as a file; looked at row by row, and sent by one act. */
	let {
		title,
		label,
		example,
		heads,
		read,
		cells,
		act,
		busy,
		failed,
		onact,
		onclose,
		children,
		more
	}: {
		title: string;
		label: string;
		example: string;
		/** The heads of the preview, without that of the line. */
		heads: readonly string[];
		/** The rows of a text. Throws what is told. */
		read: (text: string) => readonly Row[];
		/** The cells of a row, one for each head. */
		cells: (row: Row) => readonly string[];
		/** What the button does with so many rows. */
		act: (many: number) => string;
		busy: boolean;
		/** Why it was refused, where it was. */
		failed?: string | undefined;
		/** Whether it was done. */
		onact: (rows: readonly Row[]) => Promise<boolean>;
		onclose: () => void;
		/** What the list is, above it. */
		children: Snippet;
		/** What else is to be chosen, beside the button. */
		more?: Snippet;
	} = $props();
	const id = $props.id();
	let open = $state(true);
	let text = $state('');
	let isOver = $state(false);
	const found = $derived.by((): { rows: readonly Row[]; problem: string } => {
		if (text.trim() === '') return { rows: [], problem: '' };
		try {
			return { rows: read(text), problem: '' };
		} catch (error) {
			return { rows: [], problem: (error as Error).message };
		}
	});
	const wrong = $derived(found.rows.filter(({ problems }) => problems.length > 0).length);

	async function take(file: File | undefined) {
		if (file) text = await file.text();
	}

	async function done() {
		if (await onact(found.rows)) open = false;
	}
</script>

<Modal bind:open {title} aria-label={title} size="lg" {onclose}>
	{@render children()}
	<!-- svelte-ignore a11y_no_static_element_interactions -->
	<div
		class="field"
		class:over={isOver}
		ondragover={(event) => (event.preventDefault(), (isOver = true))}
		ondragleave={() => (isOver = false)}
		ondrop={(event) => (event.preventDefault(), (isOver = false), void take(event.dataTransfer?.files[0]))}
	>
		<Label for={id}>{label}</Label>
		<Textarea {id} rows={6} class="mono w-full" placeholder={example} bind:value={text} spellcheck={false} />
		<label class="file"
			>or a file: <input
				type="file"
				accept=".csv,.tsv,.txt,text/csv"
				onchange={(event) => void take(event.currentTarget.files?.[0])}
			/></label
		>
	</div>
	{#if found.problem}<p class="callout tone-garnet" role="alert">{found.problem}</p>{/if}
	{#if found.rows.length > 0}
		<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
		<div class="preview" tabindex="0" role="region" aria-label="Rows read">
			<Table name="Preview" heads={[{ name: 'Line', isNumber: true }, ...heads]}>
				<tbody>
					{#each found.rows as row (row.line)}
						<tr class:wrong={row.problems.length > 0}>
							<td class="num">{row.line}</td>{#each cells(row) as cell, i (i)}<td>{cell}</td>{/each}
						</tr>
						{#if row.problems.length > 0}<tr class="why"
								><td></td><td colspan={heads.length} class="tone-garnet"
									><span class="toned">◆ {row.problems.join('; ')}</span></td
								></tr
							>{/if}
					{/each}
				</tbody>
			</Table>
		</div>
	{/if}
	{#if failed}<p class="callout tone-garnet" role="alert">{failed}</p>{/if}
	{#snippet footer()}
		<Button disabled={busy || found.rows.length === 0 || wrong > 0} onclick={() => void done()}>{act(found.rows.length)}</Button>
		<Button color="alternative" onclick={() => (open = false)}>Cancel</Button>
		{@render more?.()}
		{#if wrong > 0}<span class="tone-garnet" role="status"
				><span class="toned">{counted(wrong, 'line has a mistake', 'lines have mistakes')}; correct the list first</span></span
			>{/if}
	{/snippet}
</Modal>

<style>
	.field {
		padding: 6px;
		border: 1px dashed transparent;
		border-radius: var(--radius);
	}
	.over {
		border-color: var(--azurite);
		background: var(--azurite-wash);
	}
	.file {
		display: block;
		margin-top: 6px;
		font-size: var(--dense);
		color: var(--ink-2);
	}
	.preview {
		--table-ground: var(--raised);
		max-height: 32dvh;
		overflow: auto;
	}
	.wrong td {
		border-bottom: 0;
	}
</style>
