<script lang="ts">
	import { moment } from '$lib/ui/when';
	import { goto } from '$app/navigation';
	import { Button } from 'flowbite-svelte';
	import type { PeopleDesk } from '$lib/state/people-desk.svelte';
	import type { Access } from '$lib/server/people/sign-in';
	import NameAndPassword from './NameAndPassword.svelte';
	import OneField from './OneField.svelte';

	/** One's own account: where one is signed in, one's password, tokens and levels. */
	let { desk }: { desk: PeopleDesk } = $props();
	let endTokens = $state(false);

	async function signOut(everywhere: boolean) {
		if (await desk.signOut(everywhere)) await goto('/sign-in', { invalidateAll: true });
	}
</script>

{#snippet list(name: string, all: readonly Access[], act: string, end: (one: Access) => void)}
	<ul aria-label={name}>
		{#each all as one (one.id)}
			<li>
				<span
					>{one.name}{#if one.isThis}<b>&nbsp;this session</b>{/if}
					<span class="quiet"
						>since {moment(one.createdAt)}, {one.lastUsedAt ? `last used ${moment(one.lastUsedAt)}` : 'never used'}, until {moment(
							one.expiresAt
						)}</span
					></span
				>
				{#if !one.isThis}<Button
						size="xs"
						color="alternative"
						aria-label="{act} {one.name}"
						disabled={desk.busy}
						onclick={() => end(one)}>{act}</Button
					>{/if}
			</li>
		{/each}
	</ul>
{/snippet}

{#if desk.me}
	<h2>You: {desk.me.name}</h2>
	<p class="quiet">Your role: {desk.me.role}.</p>
	<div class="row">
		<Button size="xs" color="alternative" onclick={() => void signOut(false)}>Sign out</Button>
		<Button size="xs" color="alternative" onclick={() => void signOut(true)}>Sign out everywhere</Button>
	</div>
	<details>
		<summary>Sessions · {desk.sessions.length}</summary>
		{@render list('Sessions', desk.sessions, 'End', ({ id }) => void desk.endSession(id))}
		{#if desk.sessions.length > 1}<Button
				size="xs"
				color="alternative"
				disabled={desk.busy}
				onclick={() => void desk.endSession('others')}>Sign out all others</Button
			>{/if}
	</details>
	<details>
		<summary>Change password</summary>
		<NameAndPassword
			isChange
			does="Change password"
			disabled={desk.busy}
			ondone={(current, next) => void desk.changePassword(current, next, endTokens)}
		/>
		{#if desk.tokens.length > 0}<label class="quiet"
				><input type="checkbox" bind:checked={endTokens} /> withdraw my {desk.tokens.length === 1
					? 'token'
					: `${desk.tokens.length} tokens`} as well</label
			>{/if}
	</details>
	<details open={desk.token !== undefined}>
		<summary>Tokens for terminals · {desk.tokens.length}</summary>
		{@render list('Tokens', desk.tokens, 'Withdraw', (one) => void desk.withdrawToken(one))}
		<OneField label="Purpose" does="Create token" disabled={desk.busy} ondone={(name) => desk.makeToken(name)} />
		{#if desk.token}<p class="callout tone-azurite">
				<code class="mono">{desk.token}</code> Set SKARN_TOKEN to this value where you run skarn.
			</p>{/if}
	</details>
	<details>
		<summary>Add a personal level</summary>
		<OneField label="Name" does="Create" disabled={desk.busy} ondone={(name) => desk.makeStratum('personal', name)} />
	</details>
{/if}

<style>
	.row {
		display: flex;
		flex-wrap: wrap;
		gap: var(--space-2);
	}
	ul {
		display: grid;
		gap: 6px;
		margin: 6px 0;
		padding: 0;
		list-style: none;
		font-size: var(--dense);
	}
	li {
		display: flex;
		gap: var(--space-2);
		justify-content: space-between;
		align-items: start;
	}
	li .quiet {
		display: block;
	}
	summary {
		padding: 6px 0;
		border-top: 1px solid var(--line);
	}
	code {
		display: block;
		overflow-wrap: anywhere;
	}
</style>
