<script lang="ts">
	import { counted } from '$core/text/counted';
	import { officeOf } from '$core/strata/stratum';
	import type { HeldList } from '$lib/workers/held';
	import { useWorkspace } from '$lib/state/workspace.svelte';

	/** The errors that hold the next release back: in the office stratum, and besides by the strata that people have together. */
	let { lists }: { lists: readonly HeldList[] } = $props();
	const workspace = useWorkspace();
	const { held } = workspace.next;
	const { errors, faults } = $derived(workspace.publishing);
	const findings = `/${workspace.document.application.id}/findings`;
	const SHOWN = 3;

	/** The release contains mended or accepted in the office stratum. */
	function settle() {
		const office = officeOf(workspace.profile);
		if (office && workspace.writable.some(({ id }) => id === office.id)) workspace.writeTo(office.id);
	}
</script>

{#snippet toSettle(id: string, sentence: string)}
	<p class="small">
		{sentence}
		<a href="{findings}?finding={encodeURIComponent(id)}" onclick={settle}>Resolve</a>
	</p>
{/snippet}

{#if errors.length > 0}
	<div class="callout tone-garnet">
		<p>
			<strong class="toned">◆ {counted(errors.length, 'error')} would be published</strong>. Fix each error, or accept it with a
			reason, in
			<a href={findings}>Findings</a>.
		</p>
		{#each errors.slice(0, SHOWN) as { id, sentence } (id)}{@render toSettle(id, sentence)}{/each}
	</div>
{/if}
{#if faults.length > 0}
	<div class="callout tone-garnet">
		<p>
			<strong class="toned">◆ {faults.length === 1 ? 'An error' : `${faults.length} errors`} outside of shortcuts</strong>
			would be published; fix or accept {faults.length === 1 ? 'it' : 'them'} in
			<a href={findings}>Findings</a>.
		</p>
		{#each faults.slice(0, SHOWN) as fault (fault.id)}{@render toSettle(fault.id, fault.sentence())}{/each}
	</div>
{/if}
{#if held.progress !== undefined}
	<p class="quiet" role="status">Checking the other levels: {Math.round(held.progress * 100)} %</p>
{/if}
{#each lists as list (list)}
	<div class="callout tone-garnet">
		<p>
			<strong class="toned"
				>◆ {list.errors.length === 1 ? 'An error' : `${list.errors.length} errors`} in {list.name} would be published.</strong
			>
			Fix or accept {list.errors.length === 1 ? 'it' : 'each'} in <a href={findings}>Findings</a>, with a setup of these levels.
		</p>
		{#each list.errors.slice(0, SHOWN) as { finding, sentence } (finding)}<p class="small">{sentence}</p>{/each}
		{#if list.errors.length > SHOWN}<p class="small quiet">and {list.errors.length - SHOWN} more</p>{/if}
	</div>
{/each}

<style>
	.small {
		font-size: var(--caption);
	}
	a {
		color: var(--azurite);
		text-decoration: underline;
	}
</style>
