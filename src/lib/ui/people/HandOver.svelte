<script lang="ts">
	import type { OwnedHead } from '$core/people/may';
	import type { Person } from '$core/people/person';
	import { told } from '$lib/state/api';
	import { wouldChange, type WouldChange } from '$lib/state/handing-over';
	import Confirm from '../Confirm.svelte';
	import KeyCaps from '../KeyCaps.svelte';

	/** Asks before a stratum goes over to somebody, and shows what it would change for them. */
	let { stratum, heir, onconfirm, onclose }: { stratum: OwnedHead; heir: Person; onconfirm: () => void; onclose: () => void } =
		$props();
	let found = $state.raw<readonly WouldChange[] | undefined>(undefined);
	let problem = $state('');
	/** So many of each program are listed. */
	const MOST = 60;
	const SIGN = { added: '+', changed: '±', removed: '−' } as const;

	$effect(() => {
		const asked = [stratum, heir] as const;
		found = undefined;
		wouldChange(stratum.id, heir)
			.then((answer) => {
				if (asked[0] === stratum && asked[1] === heir) found = answer;
			})
			.catch((error: unknown) => (problem = told(error)));
	});
</script>

<Confirm title="Transfer {stratum.name} to {heir.name}" does="Transfer" {onconfirm} {onclose}>
	<p>It is not part of any setup of {heir.name} until they add it. Added on top of their default setup, it would change:</p>
	{#if problem}
		<p class="callout tone-garnet" role="alert">{problem}</p>
	{:else if !found}
		<p class="quiet" role="status">Comparing …</p>
	{:else}
		{#each found as { program, setup, differences } (program)}
			<section aria-label={program}>
				<h3>{program} <span class="quiet">on {setup}</span></h3>
				{#if differences.length === 0}
					<p class="quiet">No changes.</p>
				{:else}
					<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
					<ul tabindex="0" aria-label="Differences in {program}">
						{#each differences.slice(0, MOST) as { id, kind, caption } (id)}
							<li>
								<span>{SIGN[kind]}</span>
								{#if caption.keys}<KeyCaps keys={caption.keys} />{:else if caption.typed}<span class="mono">{caption.typed}</span
									>{/if}
								{caption.label} <small class="quiet">{caption.detail}</small>
							</li>
						{/each}
						{#if differences.length > MOST}<li class="quiet">and {differences.length - MOST} more</li>{/if}
					</ul>
				{/if}
			</section>
		{/each}
	{/if}
</Confirm>

<style>
	ul {
		max-height: 160px;
		margin: var(--space-1) 0 0;
		padding: 0;
		overflow-y: auto;
		list-style: none;
	}
	li {
		display: flex;
		flex-wrap: wrap;
		gap: var(--space-1) var(--space-2);
		align-items: center;
	}
</style>
