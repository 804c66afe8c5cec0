<script lang="ts">
	import type { BarDesk } from '$lib/state/bar-desk.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import Picker from '../Picker.svelte';

	/** Differences from the factory, the office or the last release; it is marked in the window and taken back one by one. */
	let { desk }: { desk: BarDesk } = $props();
	const workspace = useWorkspace();
	const BASES = { nothing: 'nothing', factory: 'factory', office: 'office', release: 'the last release' } as const;
	const DONE = { new: 'new', gone: 'taken away', moved: 'moved', changed: 'changed' } as const;
</script>

<div class="differs">
	<label class="pair"
		>Changed since <Picker
			label="Changed since"
			value={desk.against}
			items={(['nothing', ...desk.comparable] as const).map((base) => ({ value: base, name: BASES[base] }))}
			onpick={(base) => (desk.against = base as typeof desk.against)}
		/></label
	>
	{#if desk.against !== 'nothing'}
		<ul aria-label="Differences">
			{#each desk.differences as one (one.id)}
				<li>
					<button class="linkish" type="button" disabled={!one.is} onclick={() => desk.show(one.id)}
						>{desk.nameOf(one.is ?? one.was!)}</button
					>
					<span class="quiet">{DONE[one.kind]}</span>
					<button
						class="linkish"
						type="button"
						disabled={workspace.edits.busy}
						aria-label="Reset {desk.nameOf(one.is ?? one.was!)}"
						onclick={() => void desk.takeBack(one)}>Reset</button
					>
				</li>
			{:else}<li class="quiet">No differences.</li>{/each}
		</ul>
	{/if}
</div>

<style>
	.differs {
		font-size: var(--dense);
	}
	.pair {
		display: flex;
		gap: var(--space-2);
		align-items: center;
	}
	ul {
		margin: 6px 0;
		padding: 0;
		list-style: none;
	}
	li {
		display: flex;
		justify-content: space-between;
		padding: 3px 0;
	}
</style>
