<script lang="ts">
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { Workspace, provideWorkspace } from '$lib/state/workspace.svelte';
	import DraftBar from '$lib/ui/DraftBar.svelte';
	import Header from '$lib/ui/Header.svelte';
	import MergeDialog from '$lib/ui/MergeDialog.svelte';
	import Notices from '$lib/ui/Notices.svelte';
	import Rail from '$lib/ui/Rail.svelte';
	import { views } from '$lib/ui/views';

	let { data, children } = $props();
	const workspace = $derived(new Workspace(data.document));
	provideWorkspace(() => workspace);
	$effect(() => () => workspace.findings.checks.stop());
	const items = views.flatMap((v) => [...v.items]);
	const here = $derived(items.find((i) => page.url.pathname.endsWith(`/${i.path}`)));

	function onkeydown(event: KeyboardEvent) {
		if (!event.altKey || event.ctrlKey || event.metaKey || event.shiftKey || event.defaultPrevented) return;
		const view = items.find((i) => event.code === `Digit${i.key}`);
		if (!view) return;
		event.preventDefault();
		void goto(`/${workspace.document.application.id}/${view.path}`);
	}
</script>

<svelte:head><title>{here?.name ?? 'Skarn'} · {workspace.document.application.name} · Skarn</title></svelte:head>
<svelte:window {onkeydown} onfocus={() => void workspace.catchUp().catch(() => undefined)} />

{#key workspace}
	<div class="shell">
		<Header applications={data.applications} />
		<div class="middle">
			<Rail />
			<main aria-busy={workspace.findings.checks.progress !== undefined}>{@render children()}</main>
		</div>
		<DraftBar />
	</div>
	{#if workspace.edits.merge}<MergeDialog merge={workspace.edits.merge} />{/if}
	<Notices />
{/key}

<style>
	.shell {
		display: flex;
		flex-direction: column;
		height: 100%;
	}
	.middle {
		display: flex;
		flex: 1;
		min-height: 0;
	}
	main {
		flex: 1;
		min-width: 0;
		min-height: 0;
	}
</style>
