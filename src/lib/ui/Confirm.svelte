<script lang="ts">
	import { Button, Modal } from 'flowbite-svelte';
	import type { Snippet } from 'svelte';

	/** Asks before something is done that goes far. The button says what will be done. */
	let {
		title,
		does,
		onconfirm,
		onclose,
		children
	}: { title: string; does: string; onconfirm: () => void; onclose: () => void; children: Snippet } = $props();
	let open = $state(true);
	let isWanted = false;

	/** What was chosen is done once the dialog has closed, so that the focus is where the page wants it. */
	function choose(wanted: boolean) {
		isWanted = wanted;
		open = false;
	}
</script>

<Modal bind:open {title} aria-label={title} size="sm" onclose={() => (isWanted && onconfirm(), onclose())}>
	{@render children()}
	{#snippet footer()}
		<Button onclick={() => choose(true)}>{does}</Button>
		<Button color="alternative" onclick={() => choose(false)}>Cancel</Button>
	{/snippet}
</Modal>
