<script lang="ts">
	import { goto } from '$app/navigation';
	import { Button } from 'flowbite-svelte';
	import { onMount } from 'svelte';
	import { RIGHTS } from '$core/people/may';
	import { ApiError } from '$lib/state/api';
	import { hearChanges } from '$lib/state/live.svelte';
	import { PeopleDesk } from '$lib/state/people-desk.svelte';
	import Confirm from '$lib/ui/Confirm.svelte';
	import Invite from '$lib/ui/people/Invite.svelte';
	import NameAndPassword from '$lib/ui/people/NameAndPassword.svelte';
	import OneField from '$lib/ui/people/OneField.svelte';
	import PersonRow from '$lib/ui/people/PersonRow.svelte';
	import { RIGHT_WORDS } from '$lib/ui/people/rights';
	import StrataList from '$lib/ui/people/StrataList.svelte';
	import Frame from '$lib/ui/programs/Frame.svelte';

	const desk = new PeopleDesk();
	const roles = ['steward', 'lead', 'designer', 'trainer'] as const;
	let leaving = $state.raw<(typeof desk.people)[number] | undefined>(undefined);

	const load = () =>
		void desk.load().catch((error: unknown) => {
			if (error instanceof ApiError && error.status === 401) void goto('/sign-in?to=/people');
			else throw error;
		});
	onMount(() => {
		load();
		return hearChanges(null, { changed: ({ about }) => about === 'people' && load(), reached: load });
	});

	async function signOut(everywhere: boolean) {
		if (await desk.signOut(everywhere)) await goto('/sign-in', { invalidateAll: true });
	}
</script>

<Frame title="People">
	<div class="view">
		<section aria-label="The office">
			{#if desk.said}
				<p
					class="callout {desk.said.kind === 'done' ? 'tone-epidote' : 'tone-garnet'}"
					role={desk.said.kind === 'done' ? 'status' : 'alert'}
				>
					{desk.said.text}
					{#if desk.undo}<Button size="xs" color="alternative" disabled={desk.busy} onclick={() => void desk.takeBack()}
							>Undo</Button
						>{/if}
				</p>
			{/if}
			{#if desk.me && !desk.isOpen}
				<h2>You are alone</h2>
				<p>
					Nobody signs in, and only this machine is answered. Open Skarn to the office to work with others: each with a name,
					strata and setups of their own.
				</p>
				<p>What is yours now stays yours; you become the first steward.</p>
				<NameAndPassword
					does="Open to the office"
					disabled={desk.busy}
					ondone={(name, password) => void desk.open(name, password)}
				/>
			{:else if desk.me}
				<h2>Who is here</h2>
				<ul class="people">
					{#each desk.here as person (person.id)}
						<PersonRow {desk} {person} onleave={() => (leaving = person)} />
					{/each}
				</ul>
				{#if desk.isSteward}
					<h2>Invite somebody</h2>
					<Invite {desk} />
				{/if}
				<h2>The office’s strata</h2>
				<StrataList {desk} />
				{#if desk.isSteward}
					<div class="row">
						{#each ['discipline', 'project'] as const as kind (kind)}
							<OneField label="New {kind}" does="Make it" disabled={desk.busy} ondone={(name) => desk.makeStratum(kind, name)} />
						{/each}
					</div>
				{/if}
			{:else}
				<p class="quiet" role="status">Reading …</p>
			{/if}
		</section>
		<aside aria-label="Yourself">
			{#if desk.me && desk.isOpen}
				<h2>{desk.me.name}</h2>
				<p class="quiet">You are here as {desk.me.role}.</p>
				<div class="row">
					<Button size="xs" color="alternative" onclick={() => void signOut(false)}>Sign out</Button>
					<Button size="xs" color="alternative" onclick={() => void signOut(true)}>Sign out everywhere</Button>
				</div>
				<h3>Another password</h3>
				<NameAndPassword
					isChange
					does="Change it"
					disabled={desk.busy}
					ondone={(current, next) => void desk.changePassword(current, next)}
				/>
				<h3>For a terminal</h3>
				<OneField label="What it is for" does="Make a token" disabled={desk.busy} ondone={(name) => desk.makeToken(name)} />
				{#if desk.token}<p class="callout tone-azurite">
						<code class="mono">{desk.token}</code> Set it as SKARN_TOKEN where you run skarn.
					</p>{/if}
				<h3>Another stratum of your own</h3>
				<OneField label="Its name" does="Make it" disabled={desk.busy} ondone={(name) => desk.makeStratum('personal', name)} />
			{/if}
			<h2>Who may what</h2>
			<table>
				<thead
					><tr
						><th scope="col">Right</th>{#each roles as role (role)}<th scope="col"><span class="narrow">{role}</span></th
							>{/each}</tr
					></thead
				>
				<tbody>
					{#each Object.entries(RIGHTS) as [right, allowed] (right)}
						<tr>
							<th scope="row">{RIGHT_WORDS[right as keyof typeof RIGHTS]}</th>
							{#each roles as role (role)}
								{@const may = (allowed as readonly string[]).includes(role)}
								<td class={may ? 'tone-epidote' : ''}
									><span class="toned">{may ? '✓' : ''}</span><span class="visually-hidden">{may ? 'yes' : 'no'}</span></td
								>
							{/each}
						</tr>
					{/each}
				</tbody>
			</table>
		</aside>
	</div>
</Frame>
{#if leaving}
	{@const person = leaving}
	<Confirm
		title="{person.name} leaves?"
		does="{person.name} leaves"
		onconfirm={() => void desk.leave(person)}
		onclose={() => (leaving = undefined)}
	>
		<p>Their sessions end at once. What they kept for themselves stays, and you can hand it over.</p>
	</Confirm>
{/if}

<style>
	.view {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 420px;
		height: 100%;
	}
	section,
	aside {
		display: flex;
		flex-direction: column;
		gap: 10px;
		padding: 20px 26px 40px;
		overflow-y: auto;
	}
	aside {
		background: var(--panel);
		border-left: 1px solid var(--line-strong);
	}
	h2 {
		margin-top: 12px;
	}
	section > h2:first-child,
	aside > h2:first-child {
		margin-top: 0;
	}
	p {
		max-width: 66ch;
	}
	.people {
		margin: 0;
		padding: 0;
		list-style: none;
	}
	.row {
		display: flex;
		flex-wrap: wrap;
		gap: 18px;
	}
	table {
		border-collapse: collapse;
		font-size: 13px;
	}
	th,
	td {
		padding: 4px 6px;
		border-top: 1px solid var(--line);
		text-align: center;
		font-weight: 400;
	}
	th:first-child {
		text-align: left;
	}
	thead th {
		border-top: 0;
		color: var(--ink-3);
	}
	code {
		display: block;
		overflow-wrap: anywhere;
	}
</style>
