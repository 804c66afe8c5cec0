<script lang="ts">
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { Button, Input, Label } from 'flowbite-svelte';
	import { told } from '$lib/state/api';
	import { askWithPassword } from '$lib/state/signing-in';
	import { within } from '$lib/ui/people/within';
	import Frame from '$lib/ui/programs/Frame.svelte';
	import RoleMark from '$lib/ui/people/RoleMark.svelte';

	/** What to take an account of the demo for. */
	const HINTS: Readonly<Record<string, string>> = {
		steward: 'try everything',
		lead: 'decide on proposals of a discipline or project',
		designer: 'give keys, try them, propose them',
		trainer: 'compare and print setups'
	};
	let { data } = $props();
	let name = $state('');
	let password = $state('');
	let code = $state('');
	let problem = $state('');
	let busy = $state(false);
	/** After many wrong tries the browser has to compute something first. */
	let isWorking = $state(false);

	async function enter(path: string, body: object) {
		busy = true;
		problem = '';
		try {
			await askWithPassword(path, 'POST', body, { code, working: () => (isWorking = true) });
			await goto(within(page.url.searchParams.get('to')), { invalidateAll: true });
		} catch (error) {
			problem = told(error);
			password = '';
		} finally {
			busy = isWorking = false;
		}
	}
</script>

<Frame title="Sign in">
	<div class="view">
		{#if !data.isOpen && data.wantsCode}
			<form
				onsubmit={(event) => {
					event.preventDefault();
					void enter('/api/office', { name, password });
				}}
			>
				<h2>Set up this office</h2>
				<p>There are no accounts yet. The terminal where Skarn was started shows a code. Enter it to become the first steward.</p>
				<div>
					<Label for="code">Code from the terminal</Label><Input
						id="code"
						size="sm"
						bind:value={code}
						autocomplete="off"
						required
					/>
				</div>
				<div>
					<Label for="name">Your name</Label><Input id="name" size="sm" bind:value={name} autocomplete="username" required />
				</div>
				<div>
					<Label for="password">Password, at least 8 characters</Label>
					<Input id="password" size="sm" type="password" bind:value={password} autocomplete="new-password" required />
				</div>
				<Button type="submit" size="sm" disabled={busy}>Set up the office</Button>
				{#if problem}<p class="callout tone-garnet" role="alert">{problem}</p>{/if}
			</form>
		{:else if !data.isOpen}
			<p>This office has no accounts and is used by one person on this computer. <a href="/">Continue</a></p>
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
				{#if isWorking}<p class="quiet" role="status">Too many failed attempts: this takes a few seconds …</p>{/if}
				<p class="quiet">No account, or password forgotten? Ask a steward of your office for a link.</p>
			</form>
			{#if data.desks}
				<section aria-labelledby="desks">
					<h2 id="desks">Demo accounts</h2>
					{#if data.wantsCode}
						<div>
							<Label for="code">Code from the terminal</Label>
							<Input id="code" size="sm" bind:value={code} autocomplete="off" />
						</div>
					{/if}
					<p class="quiet">Altspur Cabins is a made-up office that designs cable-car cabins. No password is needed.</p>
					<ul>
						{#each data.desks as desk (desk.id)}
							<li>
								<button type="button" disabled={busy} onclick={() => void enter('/api/session/desk', { id: desk.id })}>
									<RoleMark role={desk.role} /><b>{desk.name}</b>
									<span class="quiet">{desk.role}: {HINTS[desk.role]}</span>
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
		gap: var(--space-3);
		align-content: start;
		width: 300px;
	}
	section {
		display: grid;
		gap: var(--space-2);
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
		gap: var(--space-2);
		align-items: center;
		width: 100%;
		padding: var(--space-2) var(--space-3) var(--space-2) var(--space-2);
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
