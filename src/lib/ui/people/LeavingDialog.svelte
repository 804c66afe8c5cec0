<script lang="ts">
	import { counted } from '$core/text/counted';
	import { untrack } from 'svelte';
	import type { Listed, PeopleDesk } from '$lib/state/people-desk.svelte';
	import { told } from '$lib/state/api';
	import Confirm from '../Confirm.svelte';

	/** Asks before somebody leaves, and shows at one look what they leave behind. */
	let { desk, person, onclose }: { desk: PeopleDesk; person: Listed; onclose: () => void } = $props();
	/** Asked once: while the dialog closes, there may be nobody to ask about any more. */
	const leaving = untrack(() => person);
	const found = untrack(() => desk.leftBehind(person));
</script>

<Confirm title="Remove {leaving.name}?" does="Remove {leaving.name}" onconfirm={() => void desk.leave(leaving)} {onclose}>
	<p>Their sessions end immediately. Their personal levels are kept, and you can transfer them to someone else.</p>
	{#await found}
		<p class="quiet" role="status">Looking for their content …</p>
	{:then left}
		<ul aria-label="Unassigned content">
			{#each left.strata as { id, name, entries: held } (id)}<li>{name}: {counted(held, 'entry', 'entries')}</li>{/each}
			{#if left.seats.length > 0}<li>Uses {left.seats.join(', ')}, which becomes free.</li>{/if}
			{#if left.unled.length > 0}<li class="tone-limonite">
					<span class="toned">▲</span> No one else leads {left.unled.join(', ')}.
				</li>{/if}
			{#each left.setups as { program, name, isRequired } (program + name)}<li class="tone-limonite">
					<span class="toned">▲</span>
					{name} of {program} is {isRequired ? 'required' : 'recommended'}, and does not change.
				</li>{/each}
			{#each left.proposals as { program, id, label } (id)}<li>Open proposal {id} of {program}: {label}</li>{/each}
			{#if left.strata.length + left.seats.length + left.setups.length + left.proposals.length === 0}<li class="quiet">
					No changes.
				</li>{/if}
		</ul>
	{:catch error}
		<p class="callout tone-garnet" role="alert">{told(error)}</p>
	{/await}
</Confirm>

<style>
	ul {
		display: grid;
		gap: var(--space-1);
		max-height: 30dvh;
		margin: 6px 0 0;
		padding: 0 0 0 var(--space-4);
		overflow-y: auto;
	}
</style>
