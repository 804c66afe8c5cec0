<script lang="ts">
	import { shortMoment } from '$lib/ui/when';
	import { tick } from 'svelte';
	import { Button, Input } from 'flowbite-svelte';
	import type { RolloutDesk, RolloutSeat } from '$lib/state/rollout-desk.svelte';

	/** What somebody reports of a seat that does not work there; the next ring waits for it until it is settled. */
	let { seat, desk }: { seat: RolloutSeat; desk: RolloutDesk } = $props();
	let isSaying = $state(false);
	let words = $state('');
	let field = $state<HTMLInputElement | undefined>(undefined);
	let opener = $state<HTMLButtonElement | undefined>(undefined);
	const { trouble } = $derived(seat);

	async function open() {
		isSaying = true;
		await tick();
		field?.focus();
	}

	async function close() {
		[isSaying, words] = [false, ''];
		await tick();
		opener?.focus();
	}

	async function say(event: SubmitEvent) {
		event.preventDefault();
		if (words.trim() !== '' && (await desk.reportTrouble(seat.id, words.trim()))) await close();
	}
</script>

{#if trouble}
	<p>
		<span class="tone-garnet toned"><span aria-hidden="true">!</span> Problem</span>
		with release {trouble.release}: <q>{trouble.words}</q>
		<span class="quiet">{desk.reporter(trouble)}, {shortMoment(trouble.at)}</span>
		{#if desk.maySettle(seat)}<button
				type="button"
				class="linkish"
				disabled={desk.busy}
				aria-label="Problem of {seat.id} solved"
				onclick={() => void desk.settle(seat.id)}>Solved</button
			>{/if}
	</p>
{/if}
{#if isSaying}
	<form onsubmit={say}>
		<Input
			size="sm"
			bind:value={words}
			bind:elementRef={field}
			maxlength={400}
			onkeydown={({ key }: KeyboardEvent) => key === 'Escape' && void close()}
			placeholder="problem with release {seat.report?.release}"
			aria-label="Problem at {seat.id}"
		/>
		<Button size="xs" type="submit" disabled={desk.busy || words.trim() === ''}>Report</Button>
		<button type="button" class="linkish" onclick={() => void close()}>Cancel</button>
	</form>
{:else if seat.report?.release}
	<button type="button" class="linkish quiet" bind:this={opener} aria-label="Report a problem of {seat.id}" onclick={open}
		>Report a problem …</button
	>
{/if}

<style>
	p {
		margin: 0;
	}
	form {
		display: grid;
		grid-template-columns: 1fr auto auto;
		gap: var(--space-2);
		align-items: center;
	}
	.linkish {
		justify-self: start;
	}
</style>
