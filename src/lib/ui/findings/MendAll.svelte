<script lang="ts">
	import { counted } from '$core/text/counted';
	import { Button, Progressbar } from 'flowbite-svelte';
	import { onDestroy, onMount } from 'svelte';
	import type { AnyFinding, Looking, MendingAll } from '$core/check/finding';
	import { KeyFinding, mendKeys } from '$core/chapters/shortcuts/checker';
	import { mendingAll } from '$core/profile/mend-all';
	import { useWorkspace } from '$lib/state/workspace.svelte';

	/** What mending all findings of one rule in one way would do, before it is done. */
	let {
		findings,
		kind,
		looking,
		onsettled,
		onclose
	}: {
		findings: readonly AnyFinding[];
		kind: string;
		looking: Looking;
		onsettled: () => void;
		onclose: () => void;
	} = $props();
	const workspace = useWorkspace();
	let all = $state.raw<MendingAll | undefined>(undefined);
	let seen = $state(0);
	let isLeft = false;
	let first = $state<HTMLElement | undefined>(undefined);
	/** Rows that are told one by one. */
	const MOST = 30;

	onDestroy(() => (isLeft = true));
	onMount(async () => {
		const { targetId, profile, subject } = workspace;
		const ofKeys = findings.filter((f): f is KeyFinding => f instanceof KeyFinding);
		if (ofKeys.length > 0) all = mendKeys(looking.circumstances, ofKeys, kind, { profile, target: targetId });
		else {
			const work = mendingAll(subject, { ...looking, profile }, findings, kind, targetId);
			for (let step = work.next(); !isLeft; step = work.next()) {
				if (step.done) {
					all = step.value;
					break;
				}
				seen = step.value;
				await new Promise((go) => setTimeout(go));
			}
		}
		first?.querySelector('button')?.focus();
	});

	async function apply() {
		if (!all) return;
		const [{ title }] = findings as [AnyFinding];
		if (await workspace.edits.commit(`${all.labels.length} × ${title.toLowerCase()}: ${kind}`, all.changes)) onsettled();
	}
</script>

{#if all}
	<p><strong>{all.labels.length} edits</strong> fix {all.labels.length} of {findings.length} similar findings:</p>
	<ol>
		{#each all.labels.slice(0, MOST) as label, i (i)}<li>{label}</li>{/each}
	</ol>
	{#if all.labels.length > MOST}<p class="quiet">and {all.labels.length - MOST} more</p>{/if}
	{#if all.left > 0}<p class="quiet">
			{counted(all.left, 'has no such fix and stays', 'have no such fix and stay')}.
		</p>{/if}
{:else}
	<div class="working" role="status">
		<Progressbar progress={Math.round((100 * seen) / findings.length)} size="h-1.5" />
		<span>Trying, {seen} of {findings.length}</span>
	</div>
{/if}
<div class="acts" bind:this={first}>
	{#if all}<Button size="sm" disabled={all.labels.length === 0 || workspace.edits.busy} onclick={() => void apply()}
			>Apply all {all.labels.length}</Button
		>{/if}
	<Button size="sm" color="alternative" onclick={onclose}>{all ? 'Back' : 'Stop'}</Button>
</div>

<style>
	ol {
		max-height: 220px;
		margin: 3px 0 0;
		padding: 0;
		overflow-y: auto;
		list-style: none;
		font-size: var(--dense);
	}
	li {
		padding: 2px 0 2px var(--space-3);
		border-left: 2px solid var(--line-strong);
	}
	.working {
		display: grid;
		grid-template-columns: 1fr auto;
		gap: var(--space-2);
		align-items: center;
		font-size: var(--dense);
	}
	.acts {
		display: flex;
		flex-wrap: wrap;
		gap: var(--space-2);
		margin-top: var(--space-2);
	}
</style>
