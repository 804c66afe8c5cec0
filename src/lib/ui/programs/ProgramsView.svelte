<script lang="ts">
	import { goto, invalidateAll } from '$app/navigation';
	import { page } from '$app/state';
	import { Button } from 'flowbite-svelte';
	import { onMount } from 'svelte';
	import { may } from '$core/people/may';
	import type { Person } from '$core/people/person';
	import { ask, told } from '$lib/state/api';
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
	let done = $state('');
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
		problem = done = '';
		try {
			done = await desk.store();
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
		{#if mayChange}<p><Button size="sm" href="/programs/new">Bring a program …</Button></p>{/if}
		{#if data.applications.length === 0}<p class="quiet">
				Skarn works on the commands of a program. Bring a list of them to begin: a table is enough.
			</p>{/if}
	</nav>
	<section aria-label="The program">
		{#if problem}<p class="callout tone-garnet" role="alert">{problem}</p>{/if}
		{#if done}<p class="callout tone-epidote" role="status">{done}</p>{/if}
		{#if desk}
			{@const program = desk}
			<header>
				<h2>{program.document.application.name}</h2>
				<p class="quiet">
					<span class="mono">{program.id}</span> · {program.document.commands.length} commands · {program.situations}
					{program.situations === 1 ? 'situation' : 'situations'}
				</p>
				<a href="/{program.id}/commands">Open it</a>
				<a href="/{program.id}/folders">Where its files lie</a>
			</header>
			{#if !mayChange}<p class="callout tone-azurite">
					A steward changes programs. You can look at what is said of this one.
				</p>{/if}
			<h3>What it is called and how it takes keys</h3>
			<fieldset class="form" disabled={!mayChange}>
				<RulesForm rules={program.rules} onchange={(next) => (program.rules = next)} />
			</fieldset>
			<h3>Contexts</h3>
			<fieldset disabled={!mayChange}>
				<ContextsEditor text={program.contextsText} read={program.contexts} onchange={(text) => (program.contextsText = text)} />
			</fieldset>
			{#if mayChange}
				<h3>Another catalogue</h3>
				<p class="quiet">
					A newer list of its commands is compared with the one here; what is said of a command that was renamed follows.
				</p>
				<CommandTable onchange={(list) => program.take(list)} />
				{#if program.change}<CatalogueChange
						change={program.change}
						refused={program.refused}
						defaults={program.defaults}
						outlook={program.outlook}
					/>{/if}
				<p class="acts">
					<Button size="sm" disabled={!program.isChanged || program.problem !== undefined} onclick={() => void store()}
						>Keep the changes</Button
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
		does="Delete it with all that there is of it"
		onconfirm={() => void remove()}
		onclose={() => (going = undefined)}
	>
		<p>{going} A back-up is made first.</p>
	</Confirm>
{/if}

<style>
	.view {
		display: grid;
		grid-template-columns: 240px minmax(0, 1fr);
		height: 100%;
	}
	nav {
		padding: 16px;
		background: var(--panel);
		border-right: 1px solid var(--line-strong);
		overflow-y: auto;
	}
	nav ul {
		margin: 0 0 14px;
		padding: 0;
		list-style: none;
	}
	nav a {
		display: block;
		padding: 6px 10px;
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
		gap: 12px;
		padding: 18px;
		overflow-y: auto;
	}
	header {
		display: flex;
		flex-wrap: wrap;
		gap: 4px 16px;
		align-items: baseline;
	}
	header h2 {
		font-size: 19px;
	}
	header a {
		color: var(--azurite);
	}
	h3 {
		margin-top: 10px;
		padding-top: 12px;
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
		gap: 10px;
		align-items: center;
		padding-top: 6px;
	}
</style>
