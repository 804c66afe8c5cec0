<script lang="ts">
	import { officeOf } from '$core/strata/stratum';
	import type { HeldList } from '$lib/workers/held.worker';
	import { useWorkspace } from '$lib/state/workspace.svelte';

	/** The errors that hold the next release back: in the office stratum, and besides by the strata that people have together. */
	let { lists }: { lists: readonly HeldList[] } = $props();
	const workspace = useWorkspace();
	const { held } = workspace.next;
	const { errors, faults } = $derived(workspace.publishing);
	const findings = `/${workspace.document.application.id}/findings`;
	const SHOWN = 3;

	/** What goes out is mended or accepted in the office stratum. */
	function settle() {
		const office = officeOf(workspace.profile);
		if (office && workspace.writable.some(({ id }) => id === office.id)) workspace.writeTo(office.id);
	}
</script>

{#snippet toSettle(id: string, sentence: string)}
	<p class="small">
		{sentence}
		<a href="{findings}?finding={encodeURIComponent(id)}" onclick={settle}>Settle it</a>
	</p>
{/snippet}

{#if errors.length > 0}
	<div class="callout tone-garnet">
		<p>
			<strong class="toned">◆ {errors.length === 1 ? 'An error' : `${errors.length} errors`} would go out</strong>, so nothing is
			published until each is mended or accepted with a reason in
			<a href={findings}>Findings</a>.
		</p>
		{#each errors.slice(0, SHOWN) as { id, sentence } (id)}{@render toSettle(id, sentence)}{/each}
	</div>
{/if}
{#if faults.length > 0}
	<div class="callout tone-garnet">
		<p>
			<strong class="toned"
				>◆ {faults.length === 1 ? 'An error' : `${faults.length} errors`} in what the office says beside its keys</strong
			>
			would go out; mend or accept {faults.length === 1 ? 'it' : 'them'} in
			<a href={findings}>Findings</a>.
		</p>
		{#each faults.slice(0, SHOWN) as fault (fault.id)}{@render toSettle(fault.id, fault.sentence())}{/each}
	</div>
{/if}
{#if held.progress !== undefined}
	<p class="quiet" role="status">Checking what goes out besides: {Math.round(held.progress * 100)} %</p>
{/if}
{#each lists as list (list)}
	<div class="callout tone-garnet">
		<p>
			<strong class="toned"
				>◆ {list.errors.length === 1 ? 'An error' : `${list.errors.length} errors`} in {list.name} would go out.</strong
			>
			Mend or accept {list.errors.length === 1 ? 'it' : 'each'} in <a href={findings}>Findings</a>, with a setup of these strata.
		</p>
		{#each list.errors.slice(0, SHOWN) as { finding, sentence } (finding)}<p class="small">{sentence}</p>{/each}
		{#if list.errors.length > SHOWN}<p class="small quiet">and {list.errors.length - SHOWN} more</p>{/if}
	</div>
{/each}

<style>
	.small {
		font-size: 12.5px;
	}
	a {
		color: var(--azurite);
		text-decoration: underline;
	}
</style>
