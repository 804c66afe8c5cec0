<script lang="ts">
	import { counted } from '$core/text/counted';
	import { isAccepted } from '$core/check/acceptance';
	import type { AnyFinding } from '$core/check/finding';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import FindingHere from './FindingHere.svelte';
	import LetStand from './LetStand.svelte';

	/** Findings of what is in hand, of any chapter: each with the ways out that were tried, and a place to let it stand. */
	let {
		findings,
		name,
		folds = false,
		isAbout = () => false,
		onshow
	}: {
		/** Accepted ones among them. */
		findings: readonly AnyFinding[];
		/** What the open ones are called, as in "Findings of this macro". */
		name: string;
		/** Beside other content: many are folded to their number, but for those about what is selected. */
		folds?: boolean;
		isAbout?: (finding: AnyFinding) => boolean;
		onshow?: (finding: AnyFinding) => void;
	} = $props();
	/** So many are listed without folding. */
	const MOST_LISTED = 3;
	const workspace = useWorkspace();
	const pen = $derived({ profile: workspace.profile, target: workspace.targetId });
	const stands = (finding: AnyFinding) => isAccepted(workspace.accepted, finding.acceptable());
	const open = $derived(findings.filter((f) => !stands(f)));
	const accepted = $derived(findings.filter(stands));
	const isFolded = $derived(folds && open.length > MOST_LISTED);
	const [near, others] = $derived(isFolded ? [open.filter(isAbout), open.filter((f) => !isAbout(f))] : [open, []]);
	/** The id of the finding for which a reason is asked. */
	let letting = $state<string | undefined>(undefined);
</script>

{#snippet rows(list: readonly AnyFinding[])}
	<ul>
		{#each list as finding (finding.id)}
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
{/snippet}

{#if open.length > 0}
	<section aria-label={name}>
		<h2>Findings</h2>
		{@render rows(near)}
		{#if others.length > 0}
			<details>
				<summary>{counted(others.length, near.length > 0 ? 'other finding' : 'finding')}</summary>
				{@render rows(others)}
			</details>
		{/if}
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
	summary {
		padding: var(--space-1) 0;
		font-size: var(--body);
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
		font-size: var(--dense);
	}
</style>
