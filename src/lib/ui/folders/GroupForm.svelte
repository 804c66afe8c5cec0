<script lang="ts">
	import { Button, Input, Label, Textarea } from 'flowbite-svelte';
	import { SearchPaths, type SeatGroup, type WantedFile } from '$core/folders/search';

	/** A group of seats with the folders that their program searches, and the files that it looks for. */
	let { paths, onadd }: { paths: SearchPaths; onadd: (next: SearchPaths) => Promise<boolean> } = $props();
	const FOLDERS = 'personal H:/interface\noffice S:/standard, read-only\nprogram C:/Program/interface, read-only';
	const FILES = 'keys.txt: shortcuts\nnames.txt: aliases';
	let name = $state('');
	let seats = $state('');
	let folders = $state('');
	let files = $state('');
	let problem = $state('');

	const linesOf = (text: string) =>
		text
			.split('\n')
			.map((line) => line.trim())
			.filter(Boolean);

	/** `office S:\standard, read-only` or `personal H:\own`: whose it is, the path, and whether it cannot be written. */
	function folderOf(line: string): SeatGroup['folders'][number] | string {
		const found = /^(personal|office|program)\s+(.+?)(?:,\s*(read-only))?$/i.exec(line);
		if (!found) return `"${line}" is not a folder. Write personal, office or program, a space, and the path`;
		const kind = found[1]!.toLowerCase() as SeatGroup['folders'][number]['kind'];
		return { kind, path: found[2]!, writable: found[3] === undefined };
	}

	async function add(event: SubmitEvent) {
		event.preventDefault();
		problem = '';
		const read = linesOf(folders).map(folderOf);
		const wrong = read.find((one) => typeof one === 'string');
		if (wrong !== undefined) return void (problem = wrong as string);
		const wanted = linesOf(files).map((line): WantedFile => {
			const [file = '', ...holds] = line.split(/\s*:\s*/);
			return { name: file, holds: holds.join(': ') || 'settings', written: false };
		});
		const { data, error } = SearchPaths.safeParse({
			...paths,
			files: [...paths.files.filter((f) => !wanted.some((w) => w.name === f.name)), ...wanted],
			groups: [...paths.groups, { name: name.trim(), seats: seats.split(/[\s,;]+/).filter(Boolean), folders: read }]
		});
		if (!data) return void (problem = `${error.issues[0]!.path.slice(-1).join()}: ${error.issues[0]!.message}`);
		if (await onadd(data)) name = seats = folders = files = '';
	}

	/** Fills the form, to look at and to change before it is added. */
	function example() {
		[name, seats, folders, files] = ['Example team', 'C-01, C-02', FOLDERS, FILES];
	}
</script>

<form onsubmit={(event) => void add(event)}>
	<Label>Group of seats<Input size="sm" bind:value={name} placeholder="Door team" /></Label>
	<Label>Seats<Input size="sm" bind:value={seats} placeholder="C-01, C-02" /></Label>
	<Label class="wide"
		>Folders, one per line, in search order<Textarea
			rows={3}
			class="mono w-full"
			bind:value={folders}
			placeholder={FOLDERS}
		/></Label
	>
	<Label class="wide"
		>Files of the program, one per line, with their contents<Textarea
			rows={2}
			class="mono w-full"
			bind:value={files}
			placeholder={FILES}
		/></Label
	>
	{#if problem}<p class="callout tone-garnet wide" role="alert">{problem}.</p>{/if}
	<p>
		<Button size="sm" type="submit" disabled={name.trim() === '' || folders.trim() === ''}>Add group</Button>
		{#if paths.groups.length === 0}<Button size="sm" color="alternative" onclick={example}>Try it with an example</Button>{/if}
	</p>
</form>

<style>
	form {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: var(--space-2) var(--space-4);
		max-width: 720px;
	}
	form :global(.wide) {
		grid-column: 1 / -1;
	}
</style>
