<script lang="ts">
	import { goto } from '$app/navigation';
	import { Button } from 'flowbite-svelte';
	import type { PeopleDesk } from '$lib/state/people-desk.svelte';
	import type { Access } from '$lib/server/people/sign-in';
	import NameAndPassword from './NameAndPassword.svelte';
	import OneField from './OneField.svelte';

	/** One's own account: where one is signed in, one's password, tokens and levels. */
	let { desk }: { desk: PeopleDesk } = $props();
	let endTokens = $state(false);
	const when = (at: string) => new Date(at).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' });

	async function signOut(everywhere: boolean) {
		if (await desk.signOut(everywhere)) await goto('/sign-in', { invalidateAll: true });
	}
</script>

{#snippet list(name: string, all: readonly Access[], act: string, end: (one: Access) => void)}
	<ul aria-label={name}>
		{#each all as one (one.id)}
			<li>
				<span
					>{one.name}{#if one.isThis}<b>&nbsp;this one</b>{/if}
					<span class="quiet"
						>since {when(one.createdAt)}, {one.lastUsedAt ? `last used ${when(one.lastUsedAt)}` : 'never used'}, until {when(
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
	<p class="quiet">You are here as {desk.me.role}.</p>
	<div class="row">
		<Button size="xs" color="alternative" onclick={() => void signOut(false)}>Sign out</Button>
		<Button size="xs" color="alternative" onclick={() => void signOut(true)}>Sign out everywhere</Button>
	</div>
	<details>
		<summary>Where you are signed in · {desk.sessions.length}</summary>
		{@render list('Sessions', desk.sessions, 'End', ({ id }) => void desk.endSession(id))}
		{#if desk.sessions.length > 1}<Button
				size="xs"
				color="alternative"
				disabled={desk.busy}
				onclick={() => void desk.endSession('others')}>End all others</Button
			>{/if}
	</details>
	<details>
		<summary>Change your password</summary>
		<NameAndPassword
			isChange
			does="Change it"
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
		<OneField label="What it is for" does="Make a token" disabled={desk.busy} ondone={(name) => desk.makeToken(name)} />
		{#if desk.token}<p class="callout tone-azurite">
				<code class="mono">{desk.token}</code> Set it as SKARN_TOKEN where you run skarn.
			</p>{/if}
	</details>
	<details>
		<summary>Another level of your own</summary>
		<OneField label="Its name" does="Make it" disabled={desk.busy} ondone={(name) => desk.makeStratum('personal', name)} />
	</details>
{/if}

<style>
	.row {
		display: flex;
		flex-wrap: wrap;
		gap: 8px;
	}
	ul {
		display: grid;
		gap: 6px;
		margin: 6px 0;
		padding: 0;
		list-style: none;
		font-size: 13px;
	}
	li {
		display: flex;
		gap: 10px;
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
