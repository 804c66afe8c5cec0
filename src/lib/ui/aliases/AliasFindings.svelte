<script lang="ts">
	import type { AliasReportFinding } from '$core/alias/report';
	import { staleAcceptances } from '$core/check/acceptance';
	import { SEVERITIES } from '$core/check/finding';
	import type { AliasSession } from '$lib/state/alias-session.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import LetStand from '../findings/LetStand.svelte';
	import { SIGNS } from '../findings/severity';
	import StaleAcceptances from '../findings/StaleAcceptances.svelte';

	/** What is wrong in the alias file that is written to, with ways out; N goes to the next, 1 to 9 mend, A lets it stand. */
	let {
		session,
		onfix,
		onshow
	}: {
		session: AliasSession;
		onfix: (fix: AliasReportFinding['fixes'][number]) => void;
		onshow: (finding: AliasReportFinding) => void;
	} = $props();
	const workspace = useWorkspace();
	let withAccepted = $state(false);
	let isLetting = $state(false);
	let at = $state(0);
	/** So many lines are shown; N goes on to the others. */
	const MOST = 200;

	const open = $derived(session.open.filter((f) => f.stratum === workspace.targetId));
	const elsewhere = $derived(session.open.length - open.length);
	const accepted = $derived(session.report.findings.length - session.open.length);
	const shown = $derived(
		withAccepted ? session.report.findings.filter((f) => f.stratum === workspace.targetId || session.isAccepted(f)) : open
	);
	const counts = $derived(SEVERITIES.map((s) => ({ s, n: open.filter((f) => f.severity === s).length })));
	const current = $derived(shown[Math.min(at, shown.length - 1)]);
	const first = $derived(Math.max(0, Math.min(at, shown.length - 1) - MOST + 1));
	/** While a check goes on, what it will find is not known. */
	const stale = $derived(
		session.checking
			? []
			: staleAcceptances(
					workspace.effective,
					'aliases',
					session.report.findings.flatMap((f) => f.acceptable ?? [])
				)
	);
	/** What mends it here; of one that stands, or of another stratum's file, nothing. */
	const waysOf = (finding: AliasReportFinding) =>
		finding.stratum === workspace.targetId && !session.isAccepted(finding) ? finding.fixes : [];

	function show(i: number) {
		at = i;
		isLetting = false;
		onshow(shown[i]!);
	}

	/** Accepting is about the file as it is written. */
	async function letStand() {
		if (!isLetting) await session.flush();
		isLetting = !isLetting;
	}

	function onkeydown(event: KeyboardEvent) {
		if (event.ctrlKey || event.altKey || event.metaKey || event.defaultPrevented || !current) return;
		// the editor's own target is behind its shadow root
		const target = event.composedPath()[0] as HTMLElement;
		if (target.closest('input, textarea, select, [contenteditable="true"], [role="dialog"]')) return;
		const step = { n: 1, p: -1, N: -1 }[event.key];
		const way = /^[1-9]$/.test(event.key) ? waysOf(current)[Number(event.key) - 1] : undefined;
		if (step) show((at + step + shown.length) % shown.length);
		else if (event.key === 'a' && current.acceptable && !session.isAccepted(current)) void letStand();
		else if (way) onfix(way);
		else return;
		event.preventDefault();
	}
</script>

<svelte:window {onkeydown} />

<div class="found" aria-label="Findings of this file" role="group">
	<p class="counts">
		{#each counts as { s, n } (s)}<span class="tone-{SIGNS[s].tone}"
				><span class="toned">{SIGNS[s].shape} {n}</span> {n === 1 ? SIGNS[s].name : SIGNS[s].names}</span
			>{/each}
		{#if elsewhere > 0}<span class="quiet">{elsewhere} in other strata</span>{/if}
		{#if accepted > 0}<button
				class="pill"
				type="button"
				aria-pressed={withAccepted}
				onclick={() => (withAccepted = !withAccepted)}>Accepted {accepted}</button
			>{/if}
		<span class="quiet keys"><kbd>N</kbd> next</span>
	</p>
	<StaleAcceptances {stale} />
	<ul>
		{#each shown.slice(first, first + MOST) as finding, n (`${finding.rule} ${finding.stratum} ${finding.line} ${finding.start}`)}
			{@const sign = SIGNS[finding.severity]}
			<li class="tone-{sign.tone}" class:current={finding === current}>
				<button type="button" class="sentence" onclick={() => show(first + n)}
					><span class="toned" aria-hidden="true">{sign.shape}</span>
					<span class="num quiet">{finding.line}</span>
					<span>{finding.sentence}</span></button
				>
				{#if finding === current}
					{@const isStanding = session.isAccepted(finding)}
					{@const ways = waysOf(finding)}
					{#if ways.length > 0 || (finding.acceptable && !isStanding)}
						<span class="fixes"
							>{#each ways as way, i (i)}<button class="pill" type="button" onclick={() => onfix(way)}
									><kbd>{i + 1}</kbd> {way.label}</button
								>{/each}{#if finding.acceptable && !isStanding}<button
									class="pill"
									type="button"
									aria-expanded={isLetting}
									onclick={() => void letStand()}><kbd>A</kbd> Let it stand …</button
								>{/if}</span
						>
					{/if}
					{#if finding.acceptable && (isStanding || isLetting)}
						<div class="stand">
							<LetStand
								finding={finding.acceptable}
								sentence={finding.sentence}
								effective={workspace.effective}
								ready={!session.isDirty && !session.checking}
								focused={isLetting}
								onsettled={() => (isLetting = false)}
							/>
						</div>
					{/if}
				{/if}
			</li>
		{:else}
			<li class="clean">{session.checking ? 'Checking …' : 'Nothing is wrong in this file.'}</li>
		{/each}
		{#if first + MOST < shown.length}<li class="clean">
				and {shown.length - first - MOST} more; <kbd>N</kbd> goes on to them
			</li>{/if}
	</ul>
</div>

<style>
	.found {
		display: flex;
		flex-direction: column;
		max-height: 34%;
		border-top: 1px solid var(--line-strong);
	}
	.counts {
		display: flex;
		flex-wrap: wrap;
		gap: 4px 14px;
		align-items: center;
		min-height: 33px;
		padding: 3px 12px;
		background: var(--panel);
		font-size: 13px;
		white-space: nowrap;
	}
	.counts .pill {
		min-height: 26px;
	}
	.keys {
		margin-left: auto;
	}
	kbd {
		padding: 0 5px;
		border: 1px solid var(--line-strong);
		border-radius: 3px;
		font-family: var(--font);
		font-size: 12px;
	}
	ul {
		margin: 0;
		padding: 0;
		overflow-y: auto;
		list-style: none;
	}
	li {
		border-top: 1px solid var(--line);
	}
	.current {
		background: var(--wash);
	}
	.clean {
		padding: 8px 12px;
		color: var(--ink-3);
		font-size: 13px;
	}
	.sentence {
		display: grid;
		grid-template-columns: 14px 28px 1fr;
		gap: 6px;
		width: 100%;
		padding: 5px 12px;
		border: 0;
		background: none;
		color: var(--ink);
		font: inherit;
		font-size: 13px;
		text-align: left;
	}
	.fixes,
	.stand {
		padding: 0 12px 8px 66px;
	}
	.fixes {
		display: flex;
		flex-wrap: wrap;
		gap: 6px;
	}
	.stand {
		font-size: 13px;
	}
</style>
