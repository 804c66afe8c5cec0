<script lang="ts">
	import type { Workspace } from '$lib/state/workspace.svelte';
	import Picker from './Picker.svelte';

	/** Which state of the setup the view is about. */
	let { workspace }: { workspace: Workspace } = $props();
	const { shown } = $derived(workspace);
	const CHOICES = [
		['edited', 'Edited', 'Your setup with your unpublished changes'],
		['next', 'Next release', 'The next release, with your personal changes'],
		['seat', 'At my seat', 'The release that is installed now, with your personal changes']
	] as const;
	const releases = $derived(workspace.releases.toReversed());
</script>

<div class="state" role="group" aria-label="State">
	<span class="segmented">
		{#each CHOICES as [value, name, hint] (value)}
			<button
				class="pill"
				type="button"
				title={hint}
				aria-pressed={shown.state === value}
				disabled={shown.busy}
				onclick={() => void shown.choose(value)}>{name}</button
			>
		{/each}
	</span>
	{#if releases.length > 0}
		<div class="release">
			<Picker
				label="Release"
				deliberate
				value={shown.state === 'release' ? String(shown.release) : ''}
				items={[
					{ value: '', name: 'A release …' },
					...releases.map(({ number }) => ({ value: String(number), name: `Release ${number}` }))
				]}
				onpick={(number) => number !== '' && void shown.choose('release', Number(number))}
			/>
		</div>
	{/if}
</div>

<style>
	.state {
		display: flex;
		flex-wrap: wrap;
		gap: var(--space-1);
		align-items: center;
	}
	.release {
		flex: none;
		min-width: 108px;
	}
</style>
