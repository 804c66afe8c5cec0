<script lang="ts">
	import { page } from '$app/state';
</script>

<svelte:head><title>Skarn</title></svelte:head>
<main>
	<h1>{page.status === 404 ? 'This view does not exist' : 'This page could not be shown'}</h1>
	<p>{page.error?.message ?? ''}</p>
	<p><a href="/">Open the first program</a> or <a href="/programs/new">add one</a>.</p>
</main>

<style>
	main {
		display: grid;
		gap: var(--space-2);
		max-width: 560px;
		margin: 20dvh auto 0;
	}
	a {
		color: var(--azurite);
	}
</style>
