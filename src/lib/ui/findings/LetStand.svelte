<script lang="ts">
	import { Button, Input } from 'flowbite-svelte';
	import { onMount } from 'svelte';
	import { acceptedAs, accepts, dropsAcceptance, type Acceptable } from '$core/check/acceptance';
	import { ACCEPTANCES, type AcceptedFindings } from '$core/chapters/acceptances/acceptance';
	import { tagged } from '$core/profile/edit';
	import Blame from '../Blame.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';

	/** Accepts a finding with a reason; of one that is accepted, says by whom and why, and takes that back. */
	let {
		finding,
		sentence,
		acceptances,
		ready = true,
		focused = false,
		onsettled = () => {}
	}: {
		finding: Acceptable;
		sentence: string;
		/** What is accepted in the profile that has the finding. */
		acceptances: AcceptedFindings;
		/** False while the finding may be out of date. */
		ready?: boolean;
		/** Whether the field for the reason takes the focus when it comes. */
		focused?: boolean;
		onsettled?: () => void;
	} = $props();
	const workspace = useWorkspace();
	const accepted = $derived(acceptedAs(acceptances, finding));
	let reason = $state('');
	let form = $state<HTMLFormElement | undefined>(undefined);
	onMount(() => {
		if (focused) form?.querySelector('input')?.focus();
	});

	$effect(() => {
		void finding.id;
		reason = '';
	});

	async function accept() {
		const pen = { profile: workspace.profile, target: workspace.targetId };
		const change = accepts(pen, finding, reason);
		if (await workspace.edits.commit(`Accept: ${sentence.slice(0, 120)}`, tagged({ id: ACCEPTANCES }, [change]))) {
			reason = '';
			onsettled();
		}
	}

	const takeBack = () =>
		accepted && workspace.edits.commit('Withdraw an acceptance', tagged({ id: ACCEPTANCES }, [dropsAcceptance(accepted)]));
</script>

{#if accepted}
	<div class="callout tone-epidote">
		<p>
			Accepted by the {accepted.acceptance.role}: {accepted.acceptance.reason}
			<Blame stratum={accepted.stratum} chapter={ACCEPTANCES} thing={accepted.acceptance.finding} />
		</p>
		<Button size="xs" color="alternative" disabled={workspace.edits.busy} onclick={takeBack}>Withdraw acceptance</Button>
	</div>
{:else}
	<form
		bind:this={form}
		onsubmit={(event) => {
			event.preventDefault();
			void accept();
		}}
	>
		<Input size="sm" bind:value={reason} placeholder="Reason" aria-label="Reason" />
		<Button size="sm" color="alternative" type="submit" disabled={reason.trim().length < 3 || workspace.edits.busy || !ready}
			>Accept as {workspace.role}</Button
		>
	</form>
{/if}

<style>
	.callout {
		display: grid;
		gap: 6px;
		justify-items: start;
		margin-bottom: var(--space-2);
	}
	form {
		display: flex;
		flex-wrap: wrap;
		gap: var(--space-2);
	}
	form :global(input) {
		width: 180px;
	}
</style>
