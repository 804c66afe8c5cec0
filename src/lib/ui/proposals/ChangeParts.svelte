<script lang="ts">
	import { Button, Input, Label } from 'flowbite-svelte';
	import { SvelteMap } from 'svelte/reactivity';
	import type { Proposal, ProposalsDesk } from '$lib/state/proposals-desk.svelte';

	/** A reviewer changes what is proposed: parts that are not marked go, and shortcuts may get other keys. */
	let { desk, proposal, ondone }: { desk: ProposalsDesk; proposal: Proposal; ondone: () => void } = $props();
	let reason = $state('');
	const keys = new SvelteMap<number, string>();
	const keysOf = (i: number) => (proposal.changes[i] as { after?: { keys?: string } | null }).after?.keys;
	const kept = $derived(proposal.changes.length - desk.left.size);

	async function change(event: SubmitEvent) {
		event.preventDefault();
		if (await desk.change(proposal, keys, reason.trim())) ondone();
	}
</script>

<form onsubmit={change}>
	{#each desk.parts as part, i (i)}
		{#if !desk.left.has(i) && keysOf(i)}
			<div>
				<Label for="keys-{i}">Keys for {part.text}</Label>
				<Input
					id="keys-{i}"
					size="sm"
					value={keys.get(i) ?? keysOf(i)}
					oninput={(event) => keys.set(i, (event.currentTarget as HTMLInputElement).value)}
				/>
			</div>
		{/if}
	{/each}
	<div>
		<Label for="changed-why">Reason for the change</Label>
		<Input id="changed-why" size="sm" required bind:value={reason} />
	</div>
	<p class="go">
		<Button type="submit" size="sm" disabled={desk.busy || kept === 0 || reason.trim().length < 3}
			>Change{desk.left.size > 0 ? ` to ${kept} of ${proposal.changes.length} parts` : ''}</Button
		>
		<Button size="sm" color="alternative" onclick={ondone}>Cancel</Button>
	</p>
</form>

<style>
	form {
		display: grid;
		gap: var(--space-2);
		max-width: 420px;
		padding: var(--space-2) 0;
	}
	.go {
		display: flex;
		gap: var(--space-2);
	}
</style>
