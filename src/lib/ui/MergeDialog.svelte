<script lang="ts">
	import { formOf } from '$core/text/counted';
	import { Button, Modal } from 'flowbite-svelte';
	import type { PendingMerge } from '$lib/state/edits.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';

	/** Somebody else wrote between my look and my edit. Nothing was overwritten; the user decides. */
	let { merge }: { merge: PendingMerge } = $props();
	const workspace = useWorkspace();
	let open = $state(true);

	let keepsMine = false;

	/** The choice takes effect once the dialog has closed. */
	function settle(keepMine: boolean) {
		keepsMine = keepMine;
		open = false;
	}

	async function take() {
		await workspace.edits.settleMerge(keepsMine);
		// the server could not be reached: the edit still waits
		if (workspace.edits.merge === merge) open = true;
	}
</script>

<Modal
	bind:open
	title="The profile has changed"
	aria-label="The profile has changed"
	size="md"
	dismissable={false}
	onclose={() => void take()}
>
	<p>Your change “{merge.label}” is not saved. These edits were saved first:</p>
	<ul>
		{#each merge.since as edit (edit.revision)}<li>
				<span class="num">{edit.revision}</span>
				{edit.label} <span class="quiet">by {workspace.document.isOpen ? workspace.nameOf(edit.by) : `the ${edit.role}`}</span>
			</li>{/each}
	</ul>
	{#if merge.touched.length > 0}
		<p class="callout tone-limonite">
			They change the same {formOf(merge.touched.length, 'item', 'items')}: {merge.touched.join(', ')}.
		</p>
	{:else}
		<p class="callout tone-epidote">They change other items.</p>
	{/if}
	{#snippet footer()}
		<Button onclick={() => settle(true)}>Keep mine</Button>
		<Button color="alternative" onclick={() => settle(false)}>Use theirs</Button>
	{/snippet}
</Modal>

<style>
	ul {
		margin: 0;
		padding: 0;
		list-style: none;
	}
	li {
		padding: var(--space-1) 0;
		border-top: 1px solid var(--line);
	}
	.num {
		display: inline-block;
		min-width: 32px;
	}
</style>
