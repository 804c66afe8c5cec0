<script lang="ts">
	import KeyCaps from '../KeyCaps.svelte';
	import type { Keys } from '$core/stroke/stroke';

	/** What proposals are for, where there is none yet, with a picture of one. */
	let { level }: { level: string } = $props();
	const STEPS = [
		'Change a key, a toolbar or a gesture in your personal level, and use it for a while.',
		'Propose the change, with a reason.',
		'A steward sees who is affected, tries it on the bench, and accepts or declines it.'
	];
</script>

<div class="none">
	<h2>Bring a good idea to everyone</h2>
	<ol>
		{#each STEPS as step (step)}<li>{step}</li>{/each}
	</ol>
	<figure aria-hidden="true">
		<p><b>A key for Mass properties</b> <span class="quiet">to {level}</span></p>
		<p class="quiet">I look it up twenty times a day.</p>
		<p class="part"><span class="tone-azurite toned">+</span> <KeyCaps keys={'Alt+M' as Keys} /> Mass properties</p>
		<p class="tone-epidote"><span class="toned">✓ accepted, 4 people gain the key, no one loses one</span></p>
	</figure>
</div>

<style>
	.none {
		display: grid;
		gap: var(--space-3);
		max-width: 460px;
		margin: var(--space-12) auto;
	}
	h2 {
		font-size: var(--heading);
	}
	ol {
		display: grid;
		gap: var(--space-2);
		margin: 0;
		padding-left: var(--space-5);
		list-style: decimal;
	}
	figure {
		display: grid;
		gap: var(--space-2);
		margin: var(--space-2) 0 0;
		padding: var(--space-3) var(--space-4);
		border: 1px dashed var(--line-strong);
		border-radius: var(--radius);
		background: var(--raised);
	}
	.part {
		display: flex;
		gap: var(--space-2);
		align-items: center;
	}
</style>
