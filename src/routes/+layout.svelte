<script lang="ts">
	import '../app.css';
	import { afterNavigate } from '$app/navigation';
	import { provideLastDone } from '$lib/state/last-done.svelte';

	let { children } = $props();
	const done = provideLastDone();
	afterNavigate(({ from, to }) => {
		if (from?.url && from.url.pathname !== to?.url?.pathname) done.text = '';
	});
</script>

{@render children()}
