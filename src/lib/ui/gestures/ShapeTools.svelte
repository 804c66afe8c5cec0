<script lang="ts">
	import { Button } from 'flowbite-svelte';
	import { FileRefusedError, refuseBySize, textOf } from '$core/format/problem';
	import type { ShapeDesk } from '$lib/state/shape-desk.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import { save } from '../save';

	/** Shapes in and out as InkML. */
	let { desk }: { desk: ShapeDesk } = $props();
	const workspace = useWorkspace();
	let field = $state<HTMLInputElement | undefined>(undefined);

	async function bring(file: File | undefined) {
		if (!file) return;
		try {
			refuseBySize(file.name, file.size);
			await desk.bring(file.name, textOf(file.name, new Uint8Array(await file.arrayBuffer())));
		} catch (error) {
			if (!(error instanceof FileRefusedError)) throw error;
			workspace.notice = { kind: 'failed', text: `${error.message}.` };
		} finally {
			if (field) field.value = '';
		}
	}
</script>

<Button size="xs" color="alternative" onclick={() => (desk.selected = undefined)}>New shape</Button>
<span class="files">
	<input
		bind:this={field}
		class="visually-hidden"
		type="file"
		tabindex="-1"
		accept=".inkml,.xml,application/inkml+xml"
		aria-label="InkML file to import"
		onchange={(event) => void bring(event.currentTarget.files?.[0])}
	/>
	<Button size="xs" color="alternative" disabled={workspace.edits.busy} onclick={() => field?.click()}>Import InkML …</Button>
	<Button
		size="xs"
		color="alternative"
		disabled={!desk.shapes.some(({ said }) => said)}
		onclick={async () => save('shapes.inkml', await desk.ink(), 'application/inkml+xml')}>Export as InkML</Button
	>
</span>

<style>
	.files {
		display: flex;
		gap: 6px;
		margin-left: auto;
	}
</style>
