<script lang="ts">
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { Button, Input, Label } from 'flowbite-svelte';
	import { ask, told } from '$lib/state/api';
	import RoleMark from '$lib/ui/people/RoleMark.svelte';
	import Frame from '$lib/ui/programs/Frame.svelte';

	const path = $derived(`/api/invitations/${page.params.secret}`);
	let password = $state('');
	let again = $state('');
	let problem = $state('');

	async function join() {
		problem = '';
		if (password !== again) return void (problem = 'The passwords differ.');
		try {
			await ask(path, 'POST', { password });
			await goto('/', { invalidateAll: true });
		} catch (error) {
			problem = told(error);
		}
	}
</script>

<Frame title="Welcome">
	<div class="view">
		{#await ask<{ name: string; role: 'designer'; does: 'join' | 'password'; expiresAt: string }>(path)}
			<p class="quiet" role="status">Checking the link …</p>
		{:then invited}
			<form
				onsubmit={(event) => {
					event.preventDefault();
					void join();
				}}
			>
				<h2>{invited.name}</h2>
				{#if invited.does === 'join'}
					<p>
						<RoleMark role={invited.role} /> You are invited as {invited.role}. Choose a password. You sign in with your name and
						this password.
					</p>
				{:else}
					<p>Choose a new password. You will have to sign in again on all computers.</p>
				{/if}
				<input type="hidden" autocomplete="username" value={invited.name} />
				<div>
					<Label for="password">Password, at least 8 characters</Label>
					<Input id="password" size="sm" type="password" bind:value={password} autocomplete="new-password" required />
				</div>
				<div>
					<Label for="again">Repeat password</Label>
					<Input id="again" size="sm" type="password" bind:value={again} autocomplete="new-password" required />
				</div>
				<Button type="submit" size="sm">{invited.does === 'join' ? 'Join' : 'Change the password'}</Button>
				{#if problem}<p class="callout tone-garnet" role="alert">{problem}</p>{/if}
			</form>
		{:catch error}
			<p class="callout tone-garnet" role="alert">{told(error)}</p>
			<p><a href="/sign-in">Sign in</a></p>
		{/await}
	</div>
</Frame>

<style>
	.view {
		display: grid;
		gap: var(--space-3);
		justify-items: start;
		padding: 44px 60px;
	}
	form {
		display: grid;
		gap: var(--space-3);
		width: 340px;
	}
</style>
