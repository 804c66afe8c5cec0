<script lang="ts">
	import { moment } from '$lib/ui/when';
	import { stringify } from 'csv-stringify/browser/esm/sync';
	import { Button } from 'flowbite-svelte';
	import type { PeopleDesk } from '$lib/state/people-desk.svelte';
	import { save } from '../save';

	/** The links that were just made: told this once, to be passed on one by one, as a table, or on paper. */
	let { desk }: { desk: PeopleDesk } = $props();
	const address = (secret: string) => new URL(`/join/${secret}`, location.href).href;
	const csv = $derived(
		stringify(
			[['name', 'link', 'valid until'], ...desk.made.map(({ name, secret, expiresAt }) => [name, address(secret), expiresAt])],
			{
				escape_formulas: true
			}
		)
	);
</script>

<section class="links callout tone-azurite" aria-label="New links">
	<ul>
		{#each desk.made as { name, secret, expiresAt } (secret)}
			<li>
				<b>{name}</b> <span class="quiet">until {moment(expiresAt)}</span>
				<code class="mono">{address(secret)}</code>
				<button class="linkish" type="button" onclick={() => void navigator.clipboard?.writeText(address(secret))}
					>Copy<span class="visually-hidden"> the link for {name}</span></button
				>
			</li>
		{/each}
	</ul>
	<p class="acts">
		{#if desk.made.length > 1}
			<Button size="xs" color="alternative" onclick={() => save('invitations.csv', csv, 'text/csv')}>Save as CSV</Button>
			<Button size="xs" color="alternative" onclick={() => print()}>Print</Button>
		{/if}
		<Button size="xs" color="alternative" onclick={() => (desk.made = [])}>Done</Button>
	</p>
</section>

<style>
	ul {
		display: grid;
		gap: var(--space-2);
		max-height: 30dvh;
		margin: 0;
		padding: 0;
		overflow-y: auto;
		list-style: none;
	}
	code {
		display: block;
		overflow-wrap: anywhere;
		font-size: var(--caption);
	}
	.acts {
		display: flex;
		gap: var(--space-2);
		margin: var(--space-2) 0 0;
	}
	@media print {
		.links {
			position: fixed;
			inset: 0;
			z-index: 100;
			background: white;
			color: black;
		}
		ul {
			max-height: none;
			overflow: visible;
		}
		li {
			break-inside: avoid;
			padding: 6mm 0;
			border-bottom: 1px dashed gray;
		}
		.acts,
		.linkish {
			display: none;
		}
	}
</style>
