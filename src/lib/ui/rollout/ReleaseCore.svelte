<script lang="ts">
	import { moment } from '$lib/ui/when';
	import { counted } from '$core/text/counted';
	import { Button } from 'flowbite-svelte';
	import type { Release } from '$core/release/release';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import { thickness } from '../stratum-look';

	/** The releases as a core, the newest on top; the one that seats follow is marked. */
	let {
		releases,
		channel,
		busy,
		onfollow
	}: {
		releases: readonly Release[];
		channel: number | null;
		busy: boolean;
		/** Lets seats follow another release; left out for who may not. */
		onfollow?: ((number: number) => void) | undefined;
	} = $props();
	const workspace = useWorkspace();
	const newestFirst = $derived([...releases].reverse());
	const nameOfStratum = (id: string) => workspace.document.layers.find((layer) => layer.id === id)?.name ?? id;
</script>

<ol>
	{#each newestFirst as release (release.number)}
		<li aria-current={release.number === channel ? 'true' : undefined}>
			<i class="band band-office" style:height="{10 + 6 * thickness(release.entries)}px"></i>
			<div>
				<h3>
					Release {release.number}{#if release.number === channel}<span class="mark">current release for seats</span>{/if}
				</h3>
				<p>{release.notes}</p>
				{#if release.strata.length > 1}<p class="quiet small">
						with {release.strata.slice(1).map(nameOfStratum).join(', ')}
					</p>{/if}
				<p class="quiet small">
					{moment(release.at)} by {workspace.document.isOpen ? workspace.nameOf(release.by) : `the ${release.role}`}, {counted(
						release.entries,
						'entry',
						'entries'
					)}, {release.bytes} bytes, SHA-256
					<span class="mono" title={release.sha256}>{release.sha256.slice(0, 12)}…</span>
				</p>
			</div>
			{#if release.number !== channel && onfollow}
				<Button size="xs" color="alternative" disabled={busy} onclick={() => onfollow(release.number)}
					>{channel !== null && release.number < channel ? 'Go back to' : 'Go on to'} {release.number}</Button
				>
			{/if}
		</li>
	{:else}
		<li class="quiet">Nothing has been published yet.</li>
	{/each}
</ol>

<style>
	ol {
		margin: 0;
		padding: 0;
		list-style: none;
	}
	li {
		display: grid;
		grid-template-columns: 30px 1fr auto;
		gap: var(--space-3);
		align-items: start;
	}
	li > div {
		padding-bottom: var(--space-3);
	}
	i {
		width: 30px;
		min-height: 100%;
		border-bottom: 2px solid var(--ground);
	}
	.mark {
		margin-left: var(--space-2);
		padding: 1px var(--space-2);
		border-radius: 9px;
		background: var(--azurite);
		color: var(--ground);
		font-size: var(--caption);
		font-weight: 600;
	}
	.small {
		font-size: var(--caption);
	}
</style>
