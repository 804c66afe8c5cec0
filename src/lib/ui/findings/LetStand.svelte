<script lang="ts">
	import { Button, Input } from 'flowbite-svelte';
	import { onMount } from 'svelte';
	import { acceptedAs, accepts, type Acceptable } from '$core/check/acceptance';
	import type { Effective } from '$core/chapters/shortcuts/effective';
	import { useWorkspace } from '$lib/state/workspace.svelte';

	/** Accepts a finding with a reason; of one that is accepted, says by whom and why, and takes that back. */
	let {
		finding,
		sentence,
		effective,
		ready = true,
		focused = false,
		onsettled = () => {}
	}: {
		finding: Acceptable;
		sentence: string;
		/** The profile in which it may have been accepted. */
		effective: Effective;
		/** False while the finding may be out of date. */
		ready?: boolean;
		/** Whether the field for the reason takes the focus when it comes. */
		focused?: boolean;
		onsettled?: () => void;
	} = $props();
	const workspace = useWorkspace();
	const accepted = $derived(acceptedAs(effective, finding));
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
		const change = accepts(pen, finding, reason, workspace.role);
		if (await workspace.commit(`Accept: ${sentence.slice(0, 120)}`, [change])) {
			reason = '';
			onsettled();
		}
	}

	const takeBack = () =>
		accepted && workspace.commit('Take an acceptance back', [{ stratum: accepted.stratum, before: accepted.entry, after: null }]);
</script>

{#if accepted}
	<div class="callout tone-epidote">
		<p>Accepted by the {accepted.acceptance.role}: {accepted.acceptance.reason}</p>
		<Button size="xs" color="alternative" disabled={workspace.busy} onclick={takeBack}>Take the acceptance back</Button>
	</div>
{:else}
	<form
		bind:this={form}
		onsubmit={(event) => {
			event.preventDefault();
			void accept();
		}}
	>
		<Input size="sm" bind:value={reason} placeholder="Why it may stand" aria-label="Why it may stand" />
		<Button size="sm" color="alternative" type="submit" disabled={reason.trim().length < 3 || workspace.busy || !ready}
			>Accept as {workspace.role}</Button
		>
	</form>
{/if}

<style>
	.callout {
		display: grid;
		gap: 6px;
		justify-items: start;
		margin-bottom: 10px;
	}
	form {
		display: flex;
		flex-wrap: wrap;
		gap: 8px;
	}
	form :global(input) {
		width: 180px;
	}
</style>
