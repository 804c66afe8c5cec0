<script lang="ts">
	import { counted } from '$core/text/counted';
	import { Button, Checkbox, Modal } from 'flowbite-svelte';
	import { untrack } from 'svelte';
	import { SvelteSet } from 'svelte/reactivity';
	import type { CommandId } from '$core/application/command';
	import { MACROS } from '$core/chapters/macros/macro';
	import type { MacroDesk } from '$lib/state/macro-desk.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import { FileReading, ReadingRefusedError } from '$lib/workers/reading';
	import type { Reading } from '$lib/workers/reading.worker';
	import FileDrop from '../hand-over/FileDrop.svelte';
	import Preview from '../hand-over/Preview.svelte';
	import Problems from '../hand-over/Problems.svelte';
	import { save } from '../save';

	/** Chosen macros to a file, and macros from one. */
	let { desk, does, onclose }: { desk: MacroDesk; does: 'save' | 'bring'; onclose: () => void } = $props();
	const workspace = useWorkspace();
	const files = new FileReading();
	let open = $state(true);
	/** At first the one in hand. */
	const chosen = new SvelteSet<CommandId>(untrack(() => (desk.macro ? [desk.macro.id] : [])));
	let reading = $state.raw<Reading | undefined>(undefined);
	let refusal = $state.raw<ReadingRefusedError | undefined>(undefined);
	let problem = $state('');
	let name = $state('');

	function toggle(id: CommandId) {
		if (!chosen.delete(id)) chosen.add(id);
	}

	function saveChosen() {
		const file = desk.fileOf(chosen);
		save(file.name, file.text, 'application/json');
		open = false;
	}

	async function read(file: File) {
		({ name } = file);
		refusal = undefined;
		problem = '';
		const { application, commands } = workspace.document;
		try {
			reading = await files.shortcuts(file, {
				application,
				commands,
				profile: workspace.profile,
				into: workspace.targetId,
				selection: { sections: [MACROS, 'machine'], contexts: {}, categories: [] },
				scope: undefined,
				desks: workspace.office.desks
			});
		} catch (error) {
			if (!(error instanceof ReadingRefusedError)) throw error;
			refusal = error;
		}
	}
</script>

<Modal
	bind:open
	title={does === 'save' ? 'Export macros' : `Import macros to ${workspace.target.name}`}
	aria-label={does === 'save' ? 'Export macros' : 'Import macros'}
	size={does === 'save' ? 'sm' : 'xl'}
	onclose={() => (files.cancel(), onclose())}
>
	{#if does === 'save'}
		<p class="quiet">A profile file that contains only these macros.</p>
		<ul>
			{#each desk.list as { macro } (macro.id)}
				<li><Checkbox checked={chosen.has(macro.id)} onchange={() => toggle(macro.id)}>{macro.label}</Checkbox></li>
			{/each}
		</ul>
	{:else}
		{#if !reading}
			<FileDrop
				label="Drop a profile file (JSON), or click to choose"
				hint="Only its macros are imported. You see every change before it is saved."
				accept=".json,application/json"
				onfile={(file) => void read(file)}
				onproblem={(message) => (problem = message)}
			/>
		{/if}
		{#if problem}<p class="callout tone-garnet" role="alert">{problem}</p>{/if}
		{#if refusal}<Problems problems={refusal.problems} file={name} title="Nothing was imported. {refusal.message}" />{/if}
		{#if reading}<div class="preview"><Preview file={name} {reading} ondone={() => (open = false)} /></div>{/if}
	{/if}
	{#snippet footer()}
		{#if does === 'save'}<Button disabled={chosen.size === 0} onclick={saveChosen}>Save {counted(chosen.size, 'macro')}</Button
			>{/if}
		<Button color="alternative" onclick={() => (open = false)}>Cancel</Button>
	{/snippet}
</Modal>

<style>
	ul {
		display: grid;
		gap: 6px;
		max-height: 50vh;
		margin: 0;
		padding: 0;
		overflow-y: auto;
		list-style: none;
	}
	.preview {
		display: flex;
		height: 60vh;
		min-height: 0;
		flex-direction: column;
	}
</style>
