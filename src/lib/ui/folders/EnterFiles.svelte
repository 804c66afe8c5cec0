<script lang="ts">
	import { Button } from 'flowbite-svelte';
	import { untrack } from 'svelte';
	import { comparedPath, type FoundFile, type Searched, type WantedFile } from '$core/folders/search';

	/** What somebody has seen at a seat: which files lie in which folders, and of which day they are. */
	let {
		current,
		files,
		known,
		onenter,
		onleave
	}: {
		current: Searched;
		files: readonly WantedFile[];
		/** What is known of the seat already. */
		known: readonly FoundFile[];
		onenter: (seat: string, found: readonly FoundFile[]) => void;
		onleave: () => void;
	} = $props();
	const pathOf = (folder: string, file: string) => `${folder}/${file}`;
	/** The day of each file that is there, by its path. */
	let days = $state<Record<string, string>>(
		untrack(() => {
			const dayOf = new Map(known.map(({ path, modified }) => [comparedPath(path), modified.slice(0, 10)]));
			const paths = current.group.folders.flatMap((folder) => files.map((file) => pathOf(folder.path, file.name)));
			return Object.fromEntries(
				paths.flatMap((path) => (dayOf.has(comparedPath(path)) ? [[path, dayOf.get(comparedPath(path))!]] : []))
			);
		})
	);
	const today = new Date().toISOString().slice(0, 10);

	function set(path: string, isThere: boolean) {
		if (isThere) days[path] = today;
		else delete days[path];
	}
	const enter = () =>
		onenter(
			current.seat,
			Object.entries(days).map(([path, day]) => ({ path, modified: `${day}T00:00:00.000Z` }))
		);
</script>

<section aria-label="Files at {current.seat}">
	<h3>Files at {current.seat}</h3>
	{#each current.group.folders as folder (folder.path)}
		<p class="mono">{folder.path}</p>
		<ul>
			{#each files as file (file.name)}
				{@const path = pathOf(folder.path, file.name)}
				<li>
					<label
						><input
							type="checkbox"
							checked={days[path] !== undefined}
							onchange={(event) => set(path, event.currentTarget.checked)}
						/>
						{file.name}</label
					>
					{#if days[path] !== undefined}<input
							type="date"
							aria-label="Date of {file.name} in {folder.path}"
							max={today}
							bind:value={days[path]}
						/>{/if}
				</li>
			{/each}
		</ul>
	{/each}
	<p class="acts">
		<Button size="xs" disabled={Object.values(days).some((day) => day === '')} onclick={enter}>Save</Button>
		<Button size="xs" color="alternative" onclick={onleave}>Cancel</Button>
	</p>
</section>

<style>
	section {
		display: grid;
		gap: 6px;
	}
	ul {
		margin: 0;
		padding: 0;
		list-style: none;
	}
	li,
	.acts {
		display: flex;
		gap: var(--space-2);
		align-items: center;
	}
</style>
