<script lang="ts">
	import { Button, Input, Label } from 'flowbite-svelte';
	import { Role } from '$core/strata/role';
	import type { PeopleDesk } from '$lib/state/people-desk.svelte';
	import Picker from '../Picker.svelte';

	/** Makes the link by which somebody joins. */
	let { desk }: { desk: PeopleDesk } = $props();
	let name = $state('');
	let role = $state<Role>('designer');
	let days = $state('7');
	let leads = $state<string[]>([]);
	const link = $derived(desk.link && new URL(desk.link.path, location.href).href);
</script>

<form
	onsubmit={(event) => {
		event.preventDefault();
		void desk.invite(name, role, leads, Number(days)).then((isDone) => isDone && (name = ''));
	}}
>
	<div>
		<Label for="invited">Role, desk or name</Label><Input id="invited" size="sm" required maxlength={60} bind:value={name} />
	</div>
	<div>
		<span class="quiet">as</span>
		<Picker
			label="As"
			items={Role.options.map((value) => ({ value, name: value }))}
			value={role}
			onpick={(value) => (role = value as Role)}
		/>
	</div>
	{#if role === 'lead'}
		<fieldset>
			<legend class="quiet">of</legend>
			{#each desk.led as stratum (stratum.id)}<label
					><input type="checkbox" value={stratum.id} bind:group={leads} /> {stratum.name}</label
				>{/each}
		</fieldset>
	{/if}
	<div>
		<span class="quiet">good for</span>
		<Picker
			label="Good for"
			items={['1', '7', '30'].map((value) => ({ value, name: value === '1' ? 'a day' : `${value} days` }))}
			value={days}
			onpick={(value) => (days = value)}
		/>
	</div>
	<Button type="submit" size="sm" disabled={desk.busy || name.trim() === ''}>Make the link</Button>
</form>
{#if desk.link && link}
	<p class="callout tone-azurite">
		For {desk.link.name}, until {new Date(desk.link.until).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' })}:
		<code class="mono">{link}</code>
		<button class="linkish" type="button" onclick={() => void navigator.clipboard?.writeText(link)}>Copy it</button>
	</p>
{/if}

<style>
	form {
		display: flex;
		flex-wrap: wrap;
		gap: 14px;
		align-items: end;
	}
	fieldset {
		display: flex;
		gap: 10px;
		margin: 0;
		padding: 0;
		border: 0;
	}
	code {
		display: block;
		overflow-wrap: anywhere;
	}
</style>
