<script lang="ts">
	import { goto } from '$app/navigation';
	import { Button } from 'flowbite-svelte';
	import { onMount } from 'svelte';
	import { RIGHTS } from '$core/people/may';
	import { ApiError } from '$lib/state/api';
	import { hearChanges } from '$lib/state/live.svelte';
	import { PeopleDesk, type Listed } from '$lib/state/people-desk.svelte';
	import InviteDialog from './InviteDialog.svelte';
	import LeavingDialog from './LeavingDialog.svelte';
	import MadeLinks from './MadeLinks.svelte';
	import NameAndPassword from './NameAndPassword.svelte';
	import OneField from './OneField.svelte';
	import PeopleTable from './PeopleTable.svelte';
	import PersonDetails from './PersonDetails.svelte';
	import { RIGHT_WORDS } from './rights';
	import StrataList from './StrataList.svelte';
	import Yourself from './Yourself.svelte';

	/** Who works in the office, and what can be done about it. */
	const desk = new PeopleDesk();
	const roles = ['steward', 'lead', 'designer', 'trainer'] as const;
	let leaving = $state.raw<Listed | undefined>(undefined);
	let isInviting = $state(false);
	const day = (at: string) => new Date(at).toLocaleDateString('en-GB', { dateStyle: 'medium' });

	const load = () =>
		void desk
			.load()
			.then(() => desk.loadMore())
			.catch((error: unknown) => {
				if (error instanceof ApiError && error.status === 401) void goto('/sign-in?to=/people');
				else throw error;
			});
	onMount(() => {
		load();
		return hearChanges(null, { changed: ({ about }) => about === 'people' && load(), reached: load });
	});
</script>

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
				Nobody signs in, and only this machine is answered. Open Skarn to the office to work with others: each with a name, strata
				and setups of their own.
			</p>
			<p>What is yours now stays yours; you become the first steward.</p>
			<NameAndPassword
				does="Open to the office"
				disabled={desk.busy}
				ondone={(name, password) => void desk.open(name, password)}
			/>
		{:else if desk.me}
			<header>
				<h2>People</h2>
				{#if desk.isSteward}<Button size="sm" onclick={() => (isInviting = true)}>Invite people …</Button>{/if}
			</header>
			{#if desk.made.length > 0}<MadeLinks {desk} />{/if}
			<PeopleTable {desk} />
			{#if desk.links.length > 0}
				<h2>Links that are good · {desk.links.length}</h2>
				<ul class="invited" aria-label="Links">
					{#each desk.links as link (link.id)}
						<li>
							<span>{link.name}</span>
							<span class="quiet">{link.does === 'join' ? `invited as ${link.role}` : 'new password'}</span>
							<span class="quiet">by {link.by}, until {day(link.expiresAt)}</span>
							<Button
								size="xs"
								color="alternative"
								aria-label="Withdraw the link of {link.name}"
								disabled={desk.busy}
								onclick={() => void desk.withdraw(link)}>Withdraw</Button
							>
						</li>
					{/each}
				</ul>
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
	<aside aria-label="Details">
		{#if desk.person}<PersonDetails {desk} person={desk.person} onleave={() => (leaving = desk.person)} />{/if}
		{#if desk.isOpen}<Yourself {desk} />{/if}
		<details open={!desk.isOpen}>
			<summary>What each role may do</summary>

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
		</details>
	</aside>
</div>
{#if leaving}<LeavingDialog {desk} person={leaving} onclose={() => (leaving = undefined)} />{/if}
{#if isInviting}<InviteDialog {desk} onclose={() => (isInviting = false)} />{/if}

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
	section > h2:first-child {
		margin-top: 0;
	}
	p {
		max-width: 66ch;
	}
	header {
		display: flex;
		gap: 14px;
		justify-content: space-between;
		align-items: center;
	}
	header h2 {
		margin: 0;
	}
	.invited {
		margin: 0;
		padding: 0;
		list-style: none;
	}
	.invited li {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 160px minmax(0, 1fr) auto;
		gap: 12px;
		align-items: center;
		min-height: 34px;
		border-top: 1px solid var(--line);
	}
	summary {
		padding: 6px 0;
		border-top: 1px solid var(--line);
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
</style>
