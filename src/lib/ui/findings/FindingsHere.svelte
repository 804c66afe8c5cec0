<script lang="ts">
	import { isAccepted } from '$core/check/acceptance';
	import type { AnyFinding } from '$core/check/finding';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import FindingHere from './FindingHere.svelte';
	import LetStand from './LetStand.svelte';

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
				<li>
					<FindingHere
						severity={finding.severity}
						title={finding.title}
						sentence={finding.sentence()}
						acceptable={finding.acceptable()}
						ways={finding.fixes(pen).map(({ label, changes }) => ({
							label,
							run: () => void workspace.edits.commit(label, changes)
						}))}
						isLetting={letting === finding.id}
						onshow={() => onshow?.(finding)}
						onlet={() => (letting = letting === finding.id ? undefined : finding.id)}
						onsettled={() => (letting = undefined)}
					/>
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
		border-top: 1px solid var(--line);
	}
	.accepted {
		margin-bottom: 6px;
		font-size: 13px;
	}
</style>
