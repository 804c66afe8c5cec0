<script lang="ts">
	import { isAccepted } from '$core/check/acceptance';
	import type { AnyFinding } from '$core/check/finding';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import LetStand from './LetStand.svelte';
	import { SIGNS } from './severity';

	/** Findings of what is in hand, of any chapter: each with the ways out that were tried, and a place to let it stand. */
	let {
		findings,
		name,
		onshow
	}: {
		/** Accepted ones among them. */
		findings: readonly AnyFinding[];
		/** What the open ones are called, as in "Findings of this macro". */
		name: string;
		onshow?: (finding: AnyFinding) => void;
	} = $props();
	const workspace = useWorkspace();
	const pen = $derived({ profile: workspace.profile, target: workspace.targetId });
	const stands = (finding: AnyFinding) => isAccepted(workspace.accepted, finding.acceptable());
	const open = $derived(findings.filter((f) => !stands(f)));
	const accepted = $derived(findings.filter(stands));
	/** The id of the finding for which a reason is asked. */
	let letting = $state<string | undefined>(undefined);
</script>

{#if open.length > 0}
	<section aria-label={name}>
		<h2>Findings</h2>
		<ul>
			{#each open as finding (finding.id)}
				{@const sign = SIGNS[finding.severity]}
				<li class="tone-{sign.tone}">
					<button type="button" class="sentence" title={finding.title} onclick={() => onshow?.(finding)}
						><span class="toned" aria-hidden="true">{sign.shape}</span> {finding.sentence()}</button
					>
					<span class="fixes"
						>{#each finding.fixes(pen) as fix (fix.label)}<button
								class="pill"
								type="button"
								disabled={workspace.edits.busy}
								onclick={() => void workspace.edits.commit(fix.label, fix.changes)}>{fix.label}</button
							>{/each}<button
							class="pill"
							type="button"
							aria-expanded={letting === finding.id}
							onclick={() => (letting = letting === finding.id ? undefined : finding.id)}>Let it stand …</button
						></span
					>
					{#if letting === finding.id}
						<div class="stand">
							<LetStand
								finding={finding.acceptable()}
								sentence={finding.sentence()}
								acceptances={workspace.accepted}
								focused
								onsettled={() => (letting = undefined)}
							/>
						</div>
					{/if}
				</li>
			{/each}
		</ul>
	</section>
{/if}
{#if accepted.length > 0}
	<section aria-label="Accepted">
		<h2>Accepted</h2>
		{#each accepted as finding (finding.id)}
			<p class="quiet accepted">{finding.sentence()}</p>
			<LetStand finding={finding.acceptable()} sentence={finding.sentence()} acceptances={workspace.accepted} />
		{/each}
	</section>
{/if}

<style>
	h2 {
		margin-bottom: 6px;
	}
	ul {
		margin: 0;
		padding: 0;
		list-style: none;
	}
	li {
		padding: 5px 0;
		border-top: 1px solid var(--line);
	}
	.stand {
		padding: 6px 0 2px;
	}
	.accepted {
		margin-bottom: 6px;
		font-size: 13px;
	}
	.sentence {
		border: 0;
		background: none;
		padding: 0;
		color: var(--ink);
		font: inherit;
		font-size: 13px;
		text-align: left;
	}
	.fixes {
		display: flex;
		flex-wrap: wrap;
		gap: 6px;
		padding-top: 5px;
	}
	.fixes .pill {
		height: auto;
		min-height: 26px;
		white-space: normal;
		text-align: left;
	}
</style>
