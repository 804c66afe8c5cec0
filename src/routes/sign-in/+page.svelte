<script lang="ts">
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { Button, Input, Label } from 'flowbite-svelte';
	import { ask, told } from '$lib/state/api';
	import { within } from '$lib/ui/people/within';
	import Frame from '$lib/ui/programs/Frame.svelte';
	import RoleMark from '$lib/ui/people/RoleMark.svelte';

	let { data } = $props();
	let name = $state('');
	let password = $state('');
	let problem = $state('');
	let busy = $state(false);

	async function enter(path: string, body: unknown) {
		busy = true;
		problem = '';
		try {
			await ask(path, 'POST', body);
			await goto(within(page.url.searchParams.get('to')), { invalidateAll: true });
		} catch (error) {
			problem = told(error);
			password = '';
		} finally {
			busy = false;
		}
	}
</script>

<Frame title="Sign in">
	<div class="view">
		{#if !data.isOpen}
			<p>This office has no accounts: it is one person’s, on this machine. <a href="/">Go on</a></p>
		{:else}
			<form
				onsubmit={(event) => {
					event.preventDefault();
					void enter('/api/session', { name, password });
				}}
			>
				<h2>With your name</h2>
				<div><Label for="name">Name</Label><Input id="name" size="sm" bind:value={name} autocomplete="username" required /></div>
				<div>
					<Label for="password">Password</Label>
					<Input id="password" size="sm" type="password" bind:value={password} autocomplete="current-password" required />
				</div>
				<Button type="submit" size="sm" disabled={busy}>Sign in</Button>
				{#if problem}<p class="callout tone-garnet" role="alert">{problem}</p>{/if}
				<p class="quiet">You have no name here yet? A steward of your office invites you with a link.</p>
			</form>
			{#if data.desks}
				<section aria-labelledby="desks">
					<h2 id="desks">Or as a desk of the made-up office</h2>
					<p class="quiet">Altspur Cabins designs cable-car cabins. Six desks, two disciplines, one project; no password here.</p>
					<ul>
						{#each data.desks as desk (desk.id)}
							<li>
								<button type="button" disabled={busy} onclick={() => void enter('/api/session/desk', { id: desk.id })}>
									<RoleMark role={desk.role} /><b>{desk.name}</b>
									<span class="quiet">{desk.role}</span>
								</button>
							</li>
						{/each}
					</ul>
				</section>
			{/if}
		{/if}
	</div>
</Frame>

<style>
	.view {
		display: flex;
		flex-wrap: wrap;
		gap: 60px;
		padding: 44px 60px;
	}
	form {
		display: grid;
		gap: 14px;
		align-content: start;
		width: 300px;
	}
	section {
		display: grid;
		gap: 10px;
		align-content: start;
		max-width: 460px;
	}
	ul {
		display: grid;
		gap: 6px;
		margin: 0;
		padding: 0;
		list-style: none;
	}
	li button {
		display: grid;
		grid-template-columns: 34px 1fr auto;
		gap: 10px;
		align-items: center;
		width: 100%;
		padding: 9px 14px 9px 9px;
		border: 1px solid var(--line-strong);
		border-radius: var(--radius);
		background: var(--raised);
		color: var(--ink);
		text-align: left;
	}
	li button:hover {
		border-color: var(--azurite);
		background: var(--azurite-wash);
	}
</style>
