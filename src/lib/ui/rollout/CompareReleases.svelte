<script lang="ts">
	import type { Release } from '$core/release/release';
	import Picker from '../Picker.svelte';
	import ReleaseDiff from './ReleaseDiff.svelte';

	/** Any two releases against each other. */
	let { releases }: { releases: readonly Release[] } = $props();
	let open = $state(false);
	let from = $state('');
	let to = $state('');
	const items = $derived(releases.map(({ number }) => ({ value: String(number), name: `release ${number}` })));
	const first = $derived(from || items.at(-2)!.value);
	const second = $derived(to || items.at(-1)!.value);
</script>

<details bind:open>
	<summary>Compare two releases</summary>
	<p class="which">
		<Picker label="From" value={first} {items} onpick={(value) => (from = value)} />
		<Picker label="To" value={second} {items} onpick={(value) => (to = value)} />
	</p>
	{#if open}<ReleaseDiff from={Number(first)} to={Number(second)} />{/if}
</details>

<style>
	summary {
		font-weight: 600;
	}
	.which {
		display: flex;
		gap: var(--space-2);
		padding: var(--space-2) 0;
	}
</style>
