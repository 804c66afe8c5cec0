<script lang="ts">
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

	const time = (at: string) => new Date(at).toLocaleString('en-GB', { dateStyle: 'short', timeStyle: 'short' });
</script>

{#if trouble}
	<p>
		<span class="tone-garnet toned"><span aria-hidden="true">!</span> Trouble</span>
		with release {trouble.release}: <q>{trouble.words}</q>
		<span class="quiet">{desk.reporter(trouble)}, {time(trouble.at)}</span>
		{#if desk.maySettle(seat)}<button
				type="button"
				class="linkish"
				disabled={desk.busy}
				aria-label="The trouble of {seat.id} is settled"
				onclick={() => void desk.settle(seat.id)}>Settled</button
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
			placeholder="what does not work with release {seat.report?.release}"
			aria-label="What does not work at {seat.id}"
		/>
		<Button size="xs" type="submit" disabled={desk.busy || words.trim() === ''}>Report</Button>
		<button type="button" class="linkish" onclick={() => void close()}>Cancel</button>
	</form>
{:else if seat.report?.release}
	<button type="button" class="linkish quiet" bind:this={opener} aria-label="Report trouble of {seat.id}" onclick={open}
		>Report trouble …</button
	>
{/if}

<style>
	p {
		margin: 0;
	}
	form {
		display: grid;
		grid-template-columns: 1fr auto auto;
		gap: 8px;
		align-items: center;
	}
	.linkish {
		justify-self: start;
	}
</style>
