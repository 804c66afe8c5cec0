<script lang="ts">
	import { stringify } from 'csv-stringify/browser/esm/sync';
	import { Button } from 'flowbite-svelte';
	import type { RolloutDesk } from '$lib/state/rollout-desk.svelte';
	import { save } from '../save';

	/** The codes that were just made for several seats; told this once, to be kept as one file. */
	let { desk, address }: { desk: RolloutDesk; address: string } = $props();
	const commandOf = (seat: string, code: string) =>
		`npx skarn seat --server ${address} --folder ./${seat} --id ${seat} --code ${code}`;
	const csv = $derived(
		stringify([
			['seat', 'code', 'valid until', 'command'],
			...desk.codes.map(({ seat, code, expiresAt }) => [seat, code, expiresAt, commandOf(seat, code)])
		])
	);
</script>

<section class="callout tone-azurite" aria-label="New codes">
	<p>
		{desk.codes.length === 1 ? 'The code' : `${desk.codes.length} codes`}, valid once and for one day. They are shown only now.
	</p>
	<ul>
		{#each desk.codes as { seat, code } (seat)}<li><b>{seat}</b> <code class="mono">{code}</code></li>{/each}
	</ul>
	<p class="acts">
		<Button size="xs" color="alternative" onclick={() => save('seat-codes.csv', csv, 'text/csv')}>Save as CSV</Button>
		<Button size="xs" color="alternative" onclick={() => (desk.codes = [])}>Done</Button>
	</p>
</section>

<style>
	ul {
		max-height: 24dvh;
		margin: 6px 0;
		padding: 0;
		overflow-y: auto;
		list-style: none;
	}
	code {
		overflow-wrap: anywhere;
		font-size: var(--caption);
	}
	.acts {
		display: flex;
		gap: var(--space-2);
	}
</style>
