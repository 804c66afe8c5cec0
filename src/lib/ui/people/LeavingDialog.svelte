<script lang="ts">
	import { untrack } from 'svelte';
	import type { Listed, PeopleDesk } from '$lib/state/people-desk.svelte';
	import { told } from '$lib/state/api';
	import Confirm from '../Confirm.svelte';

	/** Asks before somebody leaves, and shows at one look what they leave behind. */
	let { desk, person, onclose }: { desk: PeopleDesk; person: Listed; onclose: () => void } = $props();
	/** Asked once: while the dialog closes, there may be nobody to ask about any more. */
	const leaving = untrack(() => person);
	const found = untrack(() => desk.leftBehind(person));
	const entries = (n: number) => (n === 1 ? '1 entry' : `${n} entries`);
</script>

<Confirm title="{leaving.name} leaves?" does="{leaving.name} leaves" onconfirm={() => void desk.leave(leaving)} {onclose}>
	<p>Their sessions end at once. What they kept for themselves stays, and you can hand it over.</p>
	{#await found}
		<p class="quiet" role="status">Looking what is left behind …</p>
	{:then left}
		<ul aria-label="Left behind">
			{#each left.strata as { id, name, entries: held } (id)}<li>{name}: {entries(held)}</li>{/each}
			{#if left.seats.length > 0}<li>Sits at {left.seats.join(', ')}; nobody does then.</li>{/if}
			{#if left.unled.length > 0}<li class="tone-limonite">
					<span class="toned">▲</span> Nobody else leads {left.unled.join(', ')}.
				</li>{/if}
			{#each left.setups as { program, name, isRequired } (program + name)}<li class="tone-limonite">
					<span class="toned">▲</span>
					{name} of {program} is {isRequired ? 'required' : 'recommended'}, and goes on to be.
				</li>{/each}
			{#each left.proposals as { program, id, label } (id)}<li>Open proposal {id} of {program}: {label}</li>{/each}
			{#if left.strata.length + left.seats.length + left.setups.length + left.proposals.length === 0}<li class="quiet">
					Nothing.
				</li>{/if}
		</ul>
	{:catch error}
		<p class="callout tone-garnet" role="alert">{told(error)}</p>
	{/await}
</Confirm>

<style>
	ul {
		display: grid;
		gap: 4px;
		max-height: 30dvh;
		margin: 6px 0 0;
		padding: 0 0 0 18px;
		overflow-y: auto;
	}
</style>
