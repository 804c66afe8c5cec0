<script lang="ts">
	import { counted } from '$core/text/counted';
	import ViewActs from '$lib/ui/kit/ViewActs.svelte';
	import { goto, invalidateAll } from '$app/navigation';
	import { page } from '$app/state';
	import { Button } from 'flowbite-svelte';
	import { onMount } from 'svelte';
	import { may } from '$core/people/may';
	import type { Person } from '$core/people/person';
	import { ask, told } from '$lib/state/api';
	import { useLastDone } from '$lib/state/last-done.svelte';
	import { hearChanges } from '$lib/state/live.svelte';
	import { Newest } from '$lib/state/newest';
	import { ProgramDesk } from '$lib/state/program-desk.svelte';
	import Confirm from '$lib/ui/Confirm.svelte';
	import CatalogueChange from '$lib/ui/programs/CatalogueChange.svelte';
	import CommandTable from '$lib/ui/programs/CommandTable.svelte';
	import ContextsEditor from '$lib/ui/programs/ContextsEditor.svelte';
	import RulesForm from '$lib/ui/programs/RulesForm.svelte';

	let { data }: { data: { applications: readonly { id: string; name: string; version: string }[]; person: Person | null } } =
		$props();
	/** Others may look; a steward changes programs. */
	const mayChange = $derived(data.person !== null && may(data.person, 'programs'));
	const asked = $derived(page.url.searchParams.get('program') ?? page.params['app'] ?? data.applications[0]?.id);
	let desk = $state.raw<ProgramDesk | undefined>(undefined);
	let problem = $state('');
	const done = useLastDone();
	/** What would go with the program, once it was asked. */
	let going = $state<string | undefined>(undefined);

	$effect(() => {
		// again when the list, its columns or what is written above change
		void desk?.change;
		const later = setTimeout(() => void desk?.look(), 300);
		return () => clearTimeout(later);
	});

	$effect(() => {
		const id = asked;
		problem = '';
		if (id === undefined) return void (desk = undefined);
		open(id).catch((error: unknown) => (problem = told(error)));
	});

	onMount(() =>
		hearChanges(null, {
			changed: ({ about, application }) => {
				if (about !== 'program') return;
				quietly(invalidateAll());
				// what somebody is changing here stays as it is written
				if (desk && application === desk.id && !desk.isChanged) quietly(open(desk.id));
			},
			reached: () => undefined
		})
	);
	const quietly = (work: Promise<unknown>) => void work.catch(() => undefined);
	const reading = new Newest();
	const open = (id: string) =>
		reading.of(
			() => ProgramDesk.open(id),
			(opened) => (desk = opened)
		);

	async function store() {
		if (!desk) return;
		problem = done.text = '';
		try {
			done.text = await desk.store();
			await invalidateAll();
			await open(desk.id);
		} catch (error) {
			problem = told(error);
		}
	}

	/** The server says what would go, and wants the id as a word that it is meant. */
	async function askToDelete() {
		if (!desk) return;
		try {
			await ask(`/api/applications/${desk.id}`, 'DELETE');
		} catch (error) {
			going = told(error).replace(/ Ask again with.*$/, '');
		}
	}

	async function remove() {
		if (!desk) return;
		try {
			await ask(`/api/applications/${desk.id}?word=${encodeURIComponent(desk.id)}`, 'DELETE');
			await goto('/programs', { invalidateAll: true });
		} catch (error) {
			problem = told(error);
		}
	}
</script>

<div class="view">
	<nav aria-label="Programs">
		<ul>
			{#each data.applications as { id, name, version } (id)}
				<li>
					<a href="?program={encodeURIComponent(id)}" aria-current={id === asked ? 'page' : undefined}
						>{name} <span class="quiet">{version}</span></a
					>
				</li>
			{/each}
		</ul>
		{#if mayChange}<ViewActs><Button size="sm" href="/programs/new">Add a program …</Button></ViewActs>{/if}
		{#if data.applications.length === 0}<p class="quiet">
				Skarn works with the commands of a program. To begin, add a program from a list of its commands; a table is enough.
			</p>{/if}
	</nav>
	<section aria-label="The program">
		{#if problem}<p class="callout tone-garnet" role="alert">{problem}</p>{/if}
		{#if done.text}<p class="callout tone-epidote" role="status">{done.text}</p>{/if}
		{#if desk}
			{@const program = desk}
			<header>
				<h2>{program.document.application.name}</h2>
				<p class="quiet">
					<span class="mono">{program.id}</span> · {program.document.commands.length} commands · {counted(
						program.situations,
						'situation'
					)}
				</p>
				<a href="/{program.id}/commands">Open</a>
				<a href="/{program.id}/folders">Search folders</a>
			</header>
			{#if !mayChange}<p class="callout tone-azurite">Only stewards can change programs.</p>{/if}
			<h3>Name and input rules</h3>
			<fieldset class="form" disabled={!mayChange}>
				<RulesForm rules={program.rules} onchange={(next) => (program.rules = next)} />
			</fieldset>
			<h3>Contexts</h3>
			<fieldset disabled={!mayChange}>
				<ContextsEditor text={program.contextsText} read={program.contexts} onchange={(text) => (program.contextsText = text)} />
			</fieldset>
			{#if mayChange}
				<h3>New command list</h3>
				<p class="quiet">Compare a newer command list with this one. Settings of renamed commands are carried over.</p>
				<CommandTable onchange={(list) => program.take(list)} />
				{#if program.change}<CatalogueChange
						change={program.change}
						refused={program.refused}
						defaults={program.defaults}
						outlook={program.outlook}
					/>{/if}
				<p class="acts">
					<Button size="sm" disabled={!program.isChanged || program.problem !== undefined} onclick={() => void store()}
						>Save</Button
					>
					<Button size="sm" color="alternative" onclick={() => void askToDelete()}>Delete the program …</Button>
					{#if program.problem}<span class="tone-garnet toned">{program.problem}</span>{/if}
				</p>
			{/if}
		{/if}
	</section>
</div>
{#if going !== undefined && desk}
	<Confirm
		title="Delete {desk.document.application.name}?"
		does="Delete with all its data"
		onconfirm={() => void remove()}
		onclose={() => (going = undefined)}
	>
		<p>{going} A backup is created first.</p>
	</Confirm>
{/if}

<style>
	.view {
		display: grid;
		grid-template-columns: 240px minmax(0, 1fr);
		height: 100%;
	}
	nav {
		padding: var(--space-4);
		background: var(--panel);
		border-right: 1px solid var(--line-strong);
		overflow-y: auto;
	}
	nav ul {
		margin: 0 0 var(--space-3);
		padding: 0;
		list-style: none;
	}
	nav a {
		display: block;
		padding: 6px var(--space-2);
		border-radius: var(--radius);
		color: var(--ink);
		text-decoration: none;
	}
	nav a[aria-current] {
		background: var(--ground);
		box-shadow: inset 4px 0 0 var(--azurite);
		font-weight: 650;
	}
	section {
		display: flex;
		flex-direction: column;
		gap: var(--space-3);
		padding: var(--space-4);
		overflow-y: auto;
	}
	header {
		display: flex;
		flex-wrap: wrap;
		gap: var(--space-1) var(--space-4);
		align-items: baseline;
	}
	header h2 {
		font-size: var(--title);
	}
	header a {
		color: var(--azurite);
	}
	h3 {
		margin-top: var(--space-2);
		padding-top: var(--space-3);
		border-top: 1px solid var(--line);
	}
	fieldset {
		min-width: 0;
		margin: 0;
		padding: 0;
		border: 0;
	}
	.form {
		max-width: 900px;
	}
	.acts {
		display: flex;
		flex-wrap: wrap;
		gap: var(--space-2);
		align-items: center;
		padding-top: 6px;
	}
</style>
