<script lang="ts">
	import { untrack } from 'svelte';
	import { Modal, Search } from 'flowbite-svelte';
	import { goto } from '$app/navigation';
	import { pathText } from '$core/application/command';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import { hotkeys } from './hotkeys.svelte';
	import { START, views } from './views';

	/** Goes to a view, opens a command's card or does something, by its name. */
	let { onclose, onkeys }: { onclose: () => void; onkeys: () => void } = $props();

	interface Row {
		readonly id: string;
		readonly name: string;
		readonly of: string;
		run(): unknown;
	}

	const workspace = useWorkspace();
	const base = `/${workspace.document.application.id}`;
	let open = $state(true);
	let text = $state('');
	let at = $state(0);

	const places: readonly Row[] = [{ verb: 'Start', items: [START] }, ...views].flatMap(({ verb, items }) =>
		items.map(({ name, path }) => ({ id: `view-${path}`, name, of: verb, run: () => goto(`${base}/${path}`) }))
	);
	const acts = $derived<readonly Row[]>([
		{ id: 'undo', name: 'Undo', of: `last change in ${workspace.target.name}`, run: workspace.edits.undo },
		{ id: 'redo', name: 'Redo', of: `last undone change in ${workspace.target.name}`, run: workspace.edits.redo },
		...workspace.writable
			.filter((s) => s.id !== workspace.targetId)
			.map((s) => ({ id: `write-${s.id}`, name: `Edit ${s.name}`, of: 'stratum', run: () => workspace.writeTo(s.id) })),
		{ id: 'account', name: 'Your account', of: 'sign out, password, sessions, tokens', run: () => goto(`${base}/people`) },
		{ id: 'keys', name: 'Keyboard shortcuts', of: 'help', run: onkeys }
	]);
	/** What can be done in the view where one stands, as it is when the palette opens. */
	const here: readonly Row[] = untrack(() =>
		hotkeys.sets.flatMap(({ title, acts }) =>
			(acts?.() ?? []).map(({ name, run }) => ({ id: `here-${title}-${name}`, name, of: title, run }))
		)
	);
	const wanted = $derived(text.trim().toLowerCase());
	const answers = (row: Row) => wanted.split(/\s+/).every((word) => `${row.name} ${row.of}`.toLowerCase().includes(word));
	const commands = $derived<readonly Row[]>(
		wanted === ''
			? []
			: workspace.search
					.find(text, workspace.index)
					.slice(0, 8)
					.map(({ command }) => ({
						id: `command-${command.id}`,
						name: command.label,
						of: pathText(command),
						run: () => goto(`${base}/commands?command=${encodeURIComponent(command.id)}`)
					}))
	);
	const rows = $derived([
		...(wanted === '' ? [] : here.filter(answers)),
		...places.filter(answers),
		...acts.filter(answers),
		...commands
	]);
	const chosen = $derived(rows[Math.min(at, rows.length - 1)]);

	/** What it does takes effect once the palette has closed. */
	let then: Row | undefined;
	function take(row: Row | undefined) {
		then = row;
		open = false;
	}

	function onkeydown(event: KeyboardEvent) {
		if (event.key === 'ArrowDown') at = Math.min(at + 1, rows.length - 1);
		else if (event.key === 'ArrowUp') at = Math.max(at - 1, 0);
		else if (event.key === 'Enter') take(chosen);
		else if (event.key === 'Escape') take(undefined);
		else return;
		event.preventDefault();
	}
</script>

<Modal
	bind:open
	title="Go to"
	aria-label="Go to a view, a command or an action"
	size="md"
	placement="top-center"
	onclose={() => {
		onclose();
		void then?.run();
	}}
	classes={{ body: 'p-4 md:p-4 space-y-2', header: 'p-4 md:p-4' }}
>
	<Search
		size="md"
		bind:value={text}
		placeholder="View, command or action"
		aria-label="Go to"
		role="combobox"
		aria-expanded="true"
		aria-controls="palette-list"
		aria-activedescendant={chosen && `palette-${chosen.id}`}
		oninput={() => (at = 0)}
		{onkeydown}
	/>
	<ul id="palette-list" role="listbox" aria-label="Results">
		{#each rows as row (row.id)}
			<!-- svelte-ignore a11y_click_events_have_key_events -->
			<li id="palette-{row.id}" role="option" aria-selected={row === chosen} onclick={() => take(row)}>
				{row.name} <small class="quiet">{row.of}</small>
			</li>
		{:else}
			<li class="quiet" role="option" aria-selected="false" aria-disabled="true">No results. Try another name or a key.</li>
		{/each}
	</ul>
</Modal>

<style>
	ul {
		max-height: 46dvh;
		margin: 0;
		padding: 0;
		overflow-y: auto;
		list-style: none;
	}
	li {
		padding: 6px var(--space-2);
		border-radius: 3px;
		font-size: var(--body);
		color: var(--ink);
		cursor: pointer;
	}
	small {
		margin-left: var(--space-2);
		font-size: var(--caption);
	}
	[aria-selected='true'] {
		background: var(--azurite-wash);
		box-shadow: inset 3px 0 0 var(--azurite);
	}
</style>
