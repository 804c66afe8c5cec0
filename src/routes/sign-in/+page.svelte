<script lang="ts">
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { Button, Input, Label } from 'flowbite-svelte';
	import { told } from '$lib/state/api';
	import { askWithPassword } from '$lib/state/signing-in';
	import { within } from '$lib/ui/people/within';
	import Frame from '$lib/ui/programs/Frame.svelte';
	import RoleMark from '$lib/ui/people/RoleMark.svelte';

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
				<p>
					Nobody has an account here yet. The console where Skarn was started shows a code; whoever has it becomes the first
					steward.
				</p>
				<div>
					<Label for="code">Code from the console</Label><Input
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
				{#if isWorking}<p class="quiet" role="status">There were many wrong tries: this takes a few seconds …</p>{/if}
				<p class="quiet">
					You have no name here yet, or have forgotten your password? A steward of your office gives you a link.
				</p>
			</form>
			{#if data.desks}
				<section aria-labelledby="desks">
					<h2 id="desks">Or as a desk of the made-up office</h2>
					{#if data.wantsCode}
						<div>
							<Label for="code">Code from the console</Label>
							<Input id="code" size="sm" bind:value={code} autocomplete="off" />
						</div>
					{/if}
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
