<script lang="ts">
	import { day } from '$lib/ui/when';
	import ViewActs from '$lib/ui/kit/ViewActs.svelte';
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
	import Table from '../kit/Table.svelte';

	/** Who works in the office, and what can be done about it. */
	const desk = new PeopleDesk();
	const roles = ['steward', 'lead', 'designer', 'trainer'] as const;
	let leaving = $state.raw<Listed | undefined>(undefined);
	let isInviting = $state(false);

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
			<h2>You work alone</h2>
			<p>
				Skarn has no accounts yet and can be used on this computer only. Open it to your office to work with others; everyone gets
				an account, personal levels and setups.
			</p>
			<p>Your content stays yours, and you become the first steward.</p>
			<NameAndPassword
				does="Open to my office"
				disabled={desk.busy}
				ondone={(name, password) => void desk.open(name, password)}
			/>
		{:else if desk.me}
			{#if desk.isSteward}<ViewActs><Button size="sm" onclick={() => (isInviting = true)}>Invite people …</Button></ViewActs>{/if}
			{#if desk.made.length > 0}<MadeLinks {desk} />{/if}
			<PeopleTable {desk} />
			{#if desk.links.length > 0}
				<h2>Open invitations and links · {desk.links.length}</h2>
				<ul class="invited" aria-label="Links">
					{#each desk.links as link (link.id)}
						<li>
							<span>{link.name}</span>
							<span class="quiet">{link.does === 'join' ? `invited as ${link.role}` : 'new password'}</span>
							<span class="quiet">by {link.by}, until {day(link.expiresAt)}</span>
							<Button
								size="xs"
								color="alternative"
								aria-label="Withdraw the link for {link.name}"
								disabled={desk.busy}
								onclick={() => void desk.withdraw(link)}>Withdraw</Button
							>
						</li>
					{/each}
				</ul>
			{/if}
			<h2>Shared levels</h2>
			<StrataList {desk} />
			{#if desk.isSteward}
				<div class="row">
					{#each ['discipline', 'project'] as const as kind (kind)}
						<OneField label="New {kind}" does="Create" disabled={desk.busy} ondone={(name) => desk.makeStratum(kind, name)} />
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
			<summary>Permissions</summary>

			<div class="permissions">
				<Table name="Permissions by role" heads={['Permission', ...roles]}>
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
				</Table>
			</div>
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
		gap: var(--space-2);
		padding: var(--space-5) var(--space-6) var(--space-10);
		overflow-y: auto;
	}
	aside {
		background: var(--panel);
		border-left: 1px solid var(--line-strong);
	}
	h2 {
		margin-top: var(--space-3);
	}
	section > h2:first-child {
		margin-top: 0;
	}
	p {
		max-width: 66ch;
	}
	.invited {
		margin: 0;
		padding: 0;
		list-style: none;
	}
	.invited li {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 160px minmax(0, 1fr) auto;
		gap: var(--space-3);
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
		gap: var(--space-4);
	}
	.permissions {
		--table-ground: var(--panel);
	}
</style>
