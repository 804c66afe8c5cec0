<script lang="ts">
	import { Dropzone } from 'flowbite-svelte';

	/** Takes one file, dropped or chosen. */
	let {
		label,
		hint,
		accept,
		onfile,
		onproblem
	}: {
		label: string;
		hint: string;
		accept: string;
		onfile: (file: File) => void;
		onproblem: (message: string) => void;
	} = $props();
	let files = $state<FileList | null>(null);
	let over = $state(false);

	function take(list: FileList | null | undefined) {
		over = false;
		const given = [...(list ?? [])];
		if (given.length > 1) {
			const twice = given.find((f, i) => given.findIndex((g) => g.name === f.name) !== i);
			onproblem(
				twice
					? `Two of the ${given.length} files have the name ${twice.name}. Import one file at a time.`
					: `${given.length} files were dropped. Import one file at a time.`
			);
		} else if (given[0]) onfile(given[0]);
	}
</script>

<Dropzone
	bind:files
	{accept}
	aria-label={label}
	class="drop {over ? 'over' : ''}"
	onDrop={(event) => (event.preventDefault(), take(event.dataTransfer?.files))}
	onDragOver={(event) => (event.preventDefault(), (over = true))}
	onChange={(event) => (take((event.target as HTMLInputElement).files), ((event.target as HTMLInputElement).value = ''))}
>
	<strong>{label}</strong>
	<span class="quiet">{hint}</span>
</Dropzone>

<style>
	:global(.drop) {
		display: grid !important;
		height: 92px !important;
		place-content: center;
		gap: 2px;
		border: 2px dashed var(--control) !important;
		border-radius: 5px;
		background: var(--raised) !important;
		text-align: center;
	}
	:global(.drop:hover),
	:global(.drop.over) {
		border-color: var(--azurite) !important;
		background: var(--azurite-wash) !important;
	}
</style>
