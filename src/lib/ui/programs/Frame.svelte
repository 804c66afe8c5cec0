<script lang="ts">
	import type { Snippet } from 'svelte';

	/** A page that is of no program: its head leads back. */
	let { title, children }: { title: string; children: Snippet } = $props();
</script>

<svelte:head><title>{title} · Skarn</title></svelte:head>
<div class="frame">
	<header>
		<a href="/" class="brand"><img src="/mark.svg" alt="" width="28" height="28" /> Skarn</a>
		<h1>{title}</h1>
	</header>
	<main>{@render children()}</main>
</div>

<style>
	.frame {
		display: flex;
		flex-direction: column;
		height: 100%;
	}
	header {
		display: flex;
		align-items: center;
		gap: var(--space-6);
		height: 62px;
		flex: none;
		padding: 0 var(--space-4);
		background: var(--panel);
		border-bottom: 1px solid var(--line-strong);
	}
	.brand {
		display: flex;
		align-items: center;
		gap: var(--space-2);
		color: var(--ink);
		font-size: var(--title);
		font-weight: 650;
		text-decoration: none;
	}
	main {
		flex: 1;
		min-height: 0;
	}
</style>
