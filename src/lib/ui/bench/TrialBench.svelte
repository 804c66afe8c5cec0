<script lang="ts">
	import { provideWorkspace, type Workspace } from '$lib/state/workspace.svelte';
	import BenchView from './BenchView.svelte';

	/** The bench as it would be if a proposal were taken in. */
	let { workspace, label, leave }: { workspace: Workspace; label: string; leave: string } = $props();
	provideWorkspace(() => workspace);
</script>

<div class="trial">
	<p class="callout tone-fluorite">
		<span class="toned" aria-hidden="true">◇</span> Preview with “{label}” accepted. Nothing is saved.
		<a href={leave}>Back to the proposal</a>
	</p>
	<BenchView />
</div>

<style>
	.trial {
		display: grid;
		grid-template-rows: auto minmax(0, 1fr);
		height: 100%;
	}
	a {
		color: var(--azurite);
		text-decoration: underline;
	}
</style>
