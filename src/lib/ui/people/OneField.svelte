<script lang="ts">
	import { Button, Input } from 'flowbite-svelte';

	/** One thing to type and a button; emptied when it was done. */
	let {
		label,
		does,
		most = 60,
		disabled = false,
		ondone
	}: { label: string; does: string; most?: number; disabled?: boolean; ondone: (text: string) => Promise<boolean> } = $props();
	let text = $state('');
	async function done() {
		if (text.trim() !== '' && (await ondone(text.trim()))) text = '';
	}
</script>

<form
	onsubmit={(event) => {
		event.preventDefault();
		void done();
	}}
>
	<Input size="sm" aria-label={label} placeholder={label} maxlength={most} bind:value={text} />
	<Button type="submit" size="xs" class="shrink-0 whitespace-nowrap" color="alternative" disabled={disabled || text.trim() === ''}
		>{does}</Button
	>
</form>

<style>
	form {
		display: flex;
		gap: var(--space-2);
		align-items: center;
	}
</style>
