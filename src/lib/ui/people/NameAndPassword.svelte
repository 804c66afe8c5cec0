<script lang="ts">
	import { Button, Input, Label } from 'flowbite-svelte';

	/** A name and a password, or the password that one has and another one. */
	let {
		does,
		isChange = false,
		disabled = false,
		ondone
	}: { does: string; isChange?: boolean; disabled?: boolean; ondone: (first: string, password: string) => void } = $props();
	let first = $state('');
	let password = $state('');
	const id = $props.id();
</script>

<form
	onsubmit={(event) => {
		event.preventDefault();
		ondone(first, password);
		if (isChange) first = '';
		password = '';
	}}
>
	<div>
		<Label for="{id}-first">{isChange ? 'Current password' : 'Name: a role, a team or a person'}</Label>
		<Input
			id="{id}-first"
			size="sm"
			required
			type={isChange ? 'password' : 'text'}
			autocomplete={isChange ? 'current-password' : 'username'}
			bind:value={first}
		/>
	</div>
	<div>
		<Label for="{id}-password">{isChange ? 'New password' : 'Password'}, at least 8 characters</Label>
		<Input id="{id}-password" size="sm" required type="password" autocomplete="new-password" bind:value={password} />
	</div>
	<Button type="submit" size="sm" {disabled}>{does}</Button>
</form>

<style>
	form {
		display: grid;
		gap: var(--space-2);
		justify-items: start;
		max-width: 340px;
	}
	div {
		width: 100%;
	}
</style>
