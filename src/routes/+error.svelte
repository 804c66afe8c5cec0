<script lang="ts">
	import { page } from '$app/state';
</script>

<svelte:head><title>Skarn</title></svelte:head>
<main>
	<h1>{page.status === 404 ? 'There is no such view' : 'This could not be shown'}</h1>
	<p>{page.error?.message ?? ''}</p>
	<p><a href="/">Go to the first application</a> or <a href="/catalogue">bring another one</a>.</p>
</main>

<style>
	main {
		display: grid;
		gap: 10px;
		max-width: 560px;
		margin: 20dvh auto 0;
	}
	a {
		color: var(--azurite);
	}
</style>
