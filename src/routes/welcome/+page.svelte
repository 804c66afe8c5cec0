<script lang="ts">
	import { goto, invalidateAll } from '$app/navigation';
	import { Button } from 'flowbite-svelte';
	import { may } from '$core/people/may';
	import { ask, told } from '$lib/state/api';
	import NameAndPassword from '$lib/ui/people/NameAndPassword.svelte';
	import Frame from '$lib/ui/programs/Frame.svelte';

	/** The first start: for whom, with which program, and then the first job. */
	let { data } = $props();
	let who = $state<'me' | 'office' | undefined>(undefined);
	let problem = $state('');
	let busy = $state(false);
	const isSettled = $derived(data.isOpen || who === 'me');
	const mayAdd = $derived(data.person !== null && may(data.person, 'programs'));

	/** Programs that come with Skarn, to learn with. */
	const SAMPLES = [
		{
			id: 'gneiss-solid-5',
			name: 'Gneiss Solid 5',
			line: 'Solid modelling: sketches, parts, assemblies. Shortcuts and a ribbon.'
		},
		{ id: 'varve-draft-7', name: 'Varve Draft 7', line: 'Drafting with a command line. Aliases, toolbars and search folders.' },
		{ id: 'tuff-mesh-3', name: 'Tuff Mesh 3', line: 'Mesh modelling. Keys by position and mouse gestures.' }
	] as const;

	async function work(does: () => Promise<void>) {
		busy = true;
		problem = '';
		try {
			await does();
		} catch (error) {
			problem = told(error);
		} finally {
			busy = false;
		}
	}

	const openOffice = (name: string, password: string) =>
		work(async () => {
			await ask('/api/office', 'POST', { name, password });
			await invalidateAll();
		});

	const addSample = (id: string) =>
		work(async () => {
			const file = await fetch(`/stand-ins/${id}.json`);
			await ask('/api/applications', 'POST', await file.json());
			await goto(`/${id}/start`, { invalidateAll: true });
		});
</script>

<Frame title="Welcome">
	<div class="view">
		{#if problem}<p class="callout tone-garnet" role="alert">{problem}</p>{/if}
		{#if !isSettled}
			<h2>Who will use Skarn?</h2>
			<div class="cards">
				<button class="task-card" type="button" aria-pressed={false} onclick={() => (who = 'me')}
					><b>Just me</b><span class="quiet"
						>No account. Skarn can be used on this computer only. You can open it to an office later.</span
					></button
				>
				<button class="task-card" type="button" aria-pressed={who === 'office'} onclick={() => (who = 'office')}
					><b>An office</b><span class="quiet"
						>Everyone gets an account and personal levels. You are the first steward and invite the others.</span
					></button
				>
			</div>
			{#if who === 'office'}
				<h3>Your account</h3>
				<NameAndPassword does="Open to my office" disabled={busy} ondone={(name, password) => void openOffice(name, password)} />
			{/if}
		{:else if mayAdd || !data.isOpen}
			<h2>Which program do you want to customise?</h2>
			<div class="cards">
				<a class="task-card" href="/programs/new"
					><b>My program</b><span class="quiet">From a list of its commands, as CSV, JSON, XML or a spreadsheet.</span></a
				>
				{#each SAMPLES as { id, name, line } (id)}
					<button class="task-card" type="button" disabled={busy} onclick={() => void addSample(id)}
						><b>{name}</b><span class="quiet">Sample. {line}</span></button
					>
				{/each}
			</div>
			<p class="quiet">You can add more programs later, and delete the sample.</p>
			{#if who === 'me'}<p><Button size="xs" color="alternative" onclick={() => (who = undefined)}>Back</Button></p>{/if}
		{:else}
			<h2>There is no program yet</h2>
			<p>Skarn works with the commands of a program. A steward of your office adds the first one.</p>
		{/if}
	</div>
</Frame>

<style>
	.view {
		display: grid;
		align-content: start;
		gap: var(--space-4);
		max-width: 860px;
		padding: var(--space-8);
	}
	h2 {
		font-size: var(--title);
	}
	.cards {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(240px, 1fr));
		gap: var(--space-4);
	}
</style>
