<script lang="ts">
	import { formOf } from '$core/text/counted';
	import type { AliasReportFinding } from '$core/chapters/aliases/report';
	import type { AliasWay } from '$core/chapters/aliases/sound-ways';
	import { SEVERITIES } from '$core/check/severity';
	import type { AliasSession } from '$lib/state/alias-session.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import { hotkeys } from '../hotkeys.svelte';
	import FindingHere from '../findings/FindingHere.svelte';
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
	let isLetting = $state(false);
	/** The finding that is open, and where in the list it was: the list changes under it while lines are written. */
	let opened = $state.raw<{ readonly about?: string; readonly at: number }>({ at: 0 });
	const aboutOf = ({ rule, stratum, typed }: AliasReportFinding) => `${rule} ${stratum} ${typed}`;
	const sight = $derived(session.sight);
	const shown = $derived(sight.findings);
	const at = $derived.by(() => {
		const found = shown.flatMap((one, i) => (aboutOf(one) === opened.about ? [i] : []));
		const nearest = found.sort((a, b) => Math.abs(a - opened.at) - Math.abs(b - opened.at))[0];
		return nearest ?? Math.min(opened.at, Math.max(0, shown.length - 1));
	});
	const current = $derived(shown[at]);
	/** While a check goes on, what it will find is not known. */
	const stale = $derived(session.checking ? [] : sight.gone.flatMap((id) => workspace.accepted.get(id) ?? []));
	/** So long after a key nothing is tried, in milliseconds: typing comes first. */
	const TRY_AFTER = 250;
	/** The ways out of the current finding, once they were tried. */
	let tried = $state.raw<{ of: AliasReportFinding; ways: readonly AliasWay[] } | undefined>(undefined);
	const ways = $derived(tried !== undefined && tried.of === current ? tried.ways : []);
	$effect(() => {
		const of = current;
		if (!of || session.checking) return;
		const timer = setTimeout(() => void look(of), session.isDirty ? TRY_AFTER : 0);
		return () => clearTimeout(timer);
	});

	async function look(of: AliasReportFinding) {
		tried = { of, ways: await session.waysOf(of) };
		return tried.ways;
	}

	/** Applies a way out by its number, also before the look at it is over. */
	async function mend(of: AliasReportFinding, i: number) {
		const way = (tried?.of === of ? tried.ways : await look(of))[i];
		if (way && of === current) onfix(way);
	}

	function show(i: number) {
		opened = { about: aboutOf(shown[i]!), at: i };
		isLetting = false;
		onshow(shown[i]!);
	}

	/** Accepting is about the file as it is written. */
	async function letStand() {
		if (!isLetting) await session.flush();
		isLetting = !isLetting;
	}

	function next() {
		if (at === shown.length - 1 && sight.left > 0) session.showMore();
		else show((at + 1) % shown.length);
	}

	$effect(() =>
		hotkeys.add(() => ({
			title: 'Findings of this file',
			keys: !current
				? []
				: [
						{ keys: 'N', does: 'next finding', run: next },
						{ keys: 'P', does: 'previous finding', run: () => show((at - 1 + shown.length) % shown.length) },
						{ keys: 'Shift N', shown: '', does: 'previous finding', run: () => show((at - 1 + shown.length) % shown.length) },
						{
							keys: 'A',
							does: 'accept the finding',
							run: () => current.acceptable !== undefined && !session.isAccepted(current) && void letStand()
						},
						...current.fixes.map((_, i) => ({
							keys: String(i + 1),
							shown: i === 0 ? '1 to 9' : '',
							does: 'apply that fix',
							run: () => void mend(current, i)
						}))
					]
		}))
	);
</script>

<div class="found" aria-label="Findings of this file" role="group">
	<p class="counts">
		{#each SEVERITIES as s (s)}
			{@const n = sight.counts[s]}
			<span class="tone-{SIGNS[s].tone}"
				><span class="toned">{SIGNS[s].shape} {n}</span> {formOf(n, SIGNS[s].name, SIGNS[s].names)}</span
			>{/each}
		{#if sight.elsewhere > 0}<span class="quiet">{sight.elsewhere} in other levels</span>{/if}
		{#if sight.accepted > 0}<button
				class="pill"
				type="button"
				aria-pressed={session.withAccepted}
				onclick={() => session.showAccepted(!session.withAccepted)}>Accepted {sight.accepted}</button
			>{/if}
		<span class="quiet keys"><kbd>N</kbd> next</span>
	</p>
	<StaleAcceptances {stale} />
	<ul>
		{#each shown as finding, i (`${finding.rule} ${finding.stratum} ${finding.line} ${finding.typed}`)}
			{@const isCurrent = finding === current}
			<li>
				<FindingHere
					severity={finding.severity}
					line={finding.line}
					sentence={finding.sentence}
					acceptable={finding.acceptable}
					ways={isCurrent ? ways.map((way) => ({ label: way.label, run: () => onfix(way) })) : []}
					isOpen={isCurrent}
					isLetting={isCurrent && isLetting}
					isStanding={isCurrent && session.isAccepted(finding)}
					isReady={!session.isDirty && !session.checking}
					showsKeys
					onshow={() => show(i)}
					onlet={() => void letStand()}
					onsettled={() => (isLetting = false)}
				/>
			</li>
		{:else}
			<li class="clean">{session.checking ? 'Checking …' : 'No findings in this file.'}</li>
		{/each}
		{#if sight.left > 0}
			<li class="clean">
				<button class="linkish" type="button" onclick={() => session.showMore()}>Show more</button> of {sight.left} more
			</li>
		{/if}
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
		flex: none;
		flex-wrap: wrap;
		gap: var(--space-1) var(--space-3);
		align-items: center;
		min-height: 33px;
		padding: 3px var(--space-3);
		background: var(--panel);
		font-size: var(--dense);
		white-space: nowrap;
	}
	.counts .pill {
		min-height: 26px;
	}
	.keys {
		margin-left: auto;
	}
	kbd {
		padding: 0 var(--space-1);
		border: 1px solid var(--line-strong);
		border-radius: 3px;
		font-family: var(--font);
		font-size: var(--caption);
	}
	ul {
		--finding-pad: 12px;
		/* painted apart from what changes around it at every key */
		isolation: isolate;
		contain: content;
		margin: 0;
		padding: 0;
		overflow-y: auto;
		list-style: none;
	}
	li {
		contain: layout;
		border-top: 1px solid var(--line);
	}
	.clean {
		padding: var(--space-2) var(--space-3);
		color: var(--ink-3);
		font-size: var(--dense);
	}
</style>
