<script lang="ts">
	import { tick } from 'svelte';
	import { page } from '$app/state';
	import { replaceState } from '$app/navigation';
	import { Button, Progressbar } from 'flowbite-svelte';
	import { isAccepted, staleAcceptances } from '$core/check/acceptance';
	import type { AnyFinding } from '$core/check/finding';
	import { SEVERITIES, type Severity } from '$core/check/severity';
	import { countsOf, GROUPINGS, groupsOf, trendOf, type FindingGroup, type Grouping } from '$core/check/groups';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import FindingDetail from '$lib/ui/findings/FindingDetail.svelte';
	import { SIGNS } from '$lib/ui/findings/severity';
	import StaleAcceptances from '$lib/ui/findings/StaleAcceptances.svelte';
	import { hotkeys } from '$lib/ui/hotkeys.svelte';
	import KeyCaps from '$lib/ui/KeyCaps.svelte';
	import VirtualRows from '$lib/ui/VirtualRows.svelte';

	/** A group's head, or a finding; one that is alone in its group needs no head and says itself what the group is. */
	type Line = { readonly group: FindingGroup } | { readonly finding: AnyFinding; readonly alone: FindingGroup | undefined };

	const workspace = useWorkspace();
	let grouping = $state<Grouping>('key');
	let shown = $state<readonly Severity[]>(SEVERITIES);
	let whose = $state<'mine' | 'office'>(workspace.target.kind === 'office' ? 'office' : 'mine');
	let withAccepted = $state(false);
	let chosen = $state(page.url.searchParams.get('finding') ?? '');
	let list = $state<VirtualRows<Line> | undefined>(undefined);
	let detail = $state<FindingDetail | undefined>(undefined);

	const source = $derived(whose === 'mine' ? workspace.findings : workspace.publishing);
	const circumstances = $derived(whose === 'mine' ? workspace.circumstances : workspace.publishing.circumstances);
	const everything = $derived(whose === 'mine' ? workspace.findings.ofAll : workspace.publishing.all);
	$effect(() => {
		if (whose === 'office') workspace.publishing.check();
	});
	const isLetStand = $derived.by(() => {
		const { accepted: known } = circumstances;
		return (f: AnyFinding) => known.has(f.id) && isAccepted(known, f.acceptable());
	});
	const open = $derived(everything.filter((f) => !isLetStand(f)));
	const accepted = $derived(everything.filter(isLetStand));
	const stale = $derived(
		circumstances.accepted.size === 0 || source.checks.progress !== undefined
			? []
			: staleAcceptances(
					circumstances.accepted,
					everything.filter((f) => circumstances.accepted.has(f.id)).map((f) => f.acceptable())
				)
	);
	const counts = $derived(countsOf(open));
	const trend = $derived(source.before && trendOf(source.before, open));
	const labelOf = (command: AnyFinding['command']) =>
		circumstances.index.catalogue.get(command)?.label ?? workspace.draft.names.option(command);
	const groups = $derived(
		groupsOf(
			(withAccepted ? everything : open).filter((f) => shown.includes(f.severity)),
			grouping,
			labelOf
		)
	);
	const lines = $derived(
		groups.flatMap((group): Line[] =>
			group.findings.length === 1
				? [{ finding: group.findings[0]!, alone: group }]
				: [{ group }, ...group.findings.map((finding) => ({ finding, alone: undefined }))]
		)
	);
	const order = $derived(
		lines.flatMap((line, i) => ('finding' in line ? [{ i, id: line.finding.id, finding: line.finding }] : []))
	);
	const at = $derived(
		Math.max(
			0,
			order.findIndex((o) => o.id === chosen)
		)
	);
	const current = $derived(order[at]);
	const finding = $derived(current?.finding);
	const alike = $derived(
		finding ? open.filter((f) => f.chapter === finding.chapter && f.rule === finding.rule && f.severity === finding.severity) : []
	);
	const textOf = (one: AnyFinding) => {
		const label = one.witness.kind === 'typed' ? `${one.witness.text}, ${labelOf(one.command)}` : labelOf(one.command);
		return grouping === 'rule' && countOf(one) > 1 ? label : `${one.title}: ${label}`;
	};
	const countOf = (one: AnyFinding) => groups.find((g) => g.findings.includes(one))?.findings.length ?? 0;
	const names: Record<Grouping, string> = { key: 'Key', command: 'Command', rule: 'Rule', seats: 'Seats' };

	function choose(id: string, i: number) {
		chosen = id;
		replaceState(`?finding=${encodeURIComponent(id)}`, {});
		void tick().then(() => list?.reveal(i));
	}

	function step(by: number) {
		const next = order[(at + by + order.length) % order.length];
		if (next) choose(next.id, next.i);
	}

	/** After a finding was settled, the one that takes its place in the list is the next. */
	function settled() {
		const next = order[Math.min(at, order.length - 1)];
		chosen = next?.id ?? '';
	}

	const isInList = (event: KeyboardEvent) => (event.target as HTMLElement).closest('[role="listbox"]') !== null;
	$effect(() =>
		hotkeys.add(() => ({
			title: 'Findings',
			keys: [
				{ keys: 'N', does: 'the next finding', run: () => step(1) },
				{ keys: 'P', does: 'the one before', run: () => step(-1) },
				{ keys: 'Shift N', shown: '', does: 'the one before', run: () => step(-1) },
				{ keys: 'ArrowDown', shown: '', does: 'the next finding', run: (event) => isInList(event) && step(1) },
				{ keys: 'ArrowUp', shown: '', does: 'the one before', run: (event) => isInList(event) && step(-1) },
				{ keys: 'Enter', does: 'to the ways out, from the list', run: (event) => isInList(event) && detail?.focusFixes() },
				...Array.from({ length: 9 }, (_, i) => ({
					keys: String(i + 1),
					shown: i === 0 ? '1 to 9' : '',
					does: 'apply that way out',
					run: () => detail?.applyFix(i)
				}))
			]
		}))
	);

	const toggle = (severity: Severity) =>
		(shown = shown.includes(severity) ? shown.filter((s) => s !== severity) : [...shown, severity]);

	const change = (severity: Severity) => {
		const { came, went } = trend![severity];
		return came === 0 && went === 0 ? 'as in the release' : `+${came} −${went} since the release`;
	};
</script>

<div class="view">
	<section class="left" aria-label="Findings">
		<div class="heads">
			<div class="whose" role="group" aria-label="Whose setup">
				<button class="pill" type="button" aria-pressed={whose === 'mine'} onclick={() => (whose = 'mine')}>My setup</button>
				<button class="pill" type="button" aria-pressed={whose === 'office'} onclick={() => (whose = 'office')}
					>What goes out</button
				>
			</div>
			<div class="counts" role="group" aria-label="Severity">
				{#each SEVERITIES as severity (severity)}
					{@const sign = SIGNS[severity]}
					<button
						type="button"
						class="count tone-{sign.tone}"
						aria-pressed={shown.includes(severity)}
						onclick={() => toggle(severity)}
					>
						<span class="number toned"><span aria-hidden="true">{sign.shape}</span> {counts[severity]}</span>
						<span class="name">{counts[severity] === 1 ? sign.name : sign.names}</span>
						{#if trend}<span class="trend">{change(severity)}</span>{/if}
					</button>
				{/each}
			</div>
			<div class="tools">
				<span class="quiet">By</span>
				<div role="group" aria-label="Group by">
					{#each GROUPINGS as by (by)}<button
							class="pill"
							type="button"
							aria-pressed={grouping === by}
							onclick={() => (grouping = by)}>{names[by]}</button
						>{/each}
				</div>
				{#if accepted.length > 0}<button
						class="pill"
						type="button"
						aria-pressed={withAccepted}
						onclick={() => (withAccepted = !withAccepted)}>Accepted {accepted.length}</button
					>{/if}
			</div>
			{#if source.checks.progress !== undefined}
				<div class="working" role="status">
					<Progressbar progress={Math.round(100 * source.checks.progress)} size="h-1.5" />
					<span>Checking, {Math.round(100 * source.checks.progress)} %</span>
					<Button size="xs" color="alternative" onclick={() => source.checks.stop()}>Stop</Button>
				</div>
			{:else if source.checks.stopped}
				<p class="callout tone-limonite">
					The check was stopped; what is listed may be of an earlier state.
					<button class="linkish" type="button" onclick={() => source.checks.again()}>Check again</button>
				</p>
			{/if}
			<StaleAcceptances {stale} />
		</div>
		{#if lines.length > 0}
			<VirtualRows
				bind:this={list}
				rows={lines}
				height={32}
				role="listbox"
				aria-label="Findings"
				tabindex={0}
				active={current?.i ?? -1}
				idOf={(i) => `finding-${i}`}
			>
				{#snippet row(line, i, top)}
					{#if 'group' in line}
						<div class="line group" role="presentation" style:transform="translateY({top}px)">
							{#if line.group.keys}<KeyCaps keys={line.group.keys} />{:else}<strong>{line.group.title}</strong>{/if}
							<span class="quiet">{line.group.findings.length}</span>
						</div>
					{:else}
						{@const sign = SIGNS[line.finding.severity]}
						{@const id = line.finding.id}
						<!-- svelte-ignore a11y_click_events_have_key_events -->
						<div
							class="line finding tone-{sign.tone}"
							class:alone={line.alone}
							role="option"
							tabindex="-1"
							id="finding-{i}"
							aria-selected={id === current?.id}
							style:transform="translateY({top}px)"
							onclick={() => choose(id, i)}
						>
							<span class="toned" aria-hidden="true">{sign.shape}</span>
							{#if line.finding.witness.kind === 'keys' && (grouping !== 'key' || line.alone)}<KeyCaps
									keys={line.finding.witness.keys}
								/>{/if}
							<span class="text">{textOf(line.finding)}</span>
						</div>
					{/if}
				{/snippet}
			</VirtualRows>
			<p class="hint quiet">
				<kbd>N</kbd> next <kbd>P</kbd> before <kbd>1</kbd>–<kbd>9</kbd> apply a way out <kbd>Enter</kbd> to the ways
			</p>
		{:else}
			<p class="none">
				{everything.length === 0
					? 'Nothing found: every input does one thing wherever it is heard.'
					: 'Nothing open under these filters.'}
			</p>
		{/if}
	</section>
	<section class="right" aria-label="The finding" aria-live="polite">
		{#if finding}
			<FindingDetail bind:this={detail} {finding} {circumstances} {alike} onsettled={settled} />
		{/if}
	</section>
</div>

<style>
	.view {
		display: grid;
		grid-template-columns: 400px minmax(0, 1fr);
		height: 100%;
	}
	.left {
		display: flex;
		flex-direction: column;
		min-height: 0;
		border-right: 1px solid var(--line-strong);
	}
	.heads {
		display: grid;
		gap: 10px;
		padding: 12px 14px;
		border-bottom: 1px solid var(--line-strong);
	}
	.whose,
	.tools,
	.tools > div {
		display: flex;
		gap: 6px;
		align-items: center;
	}
	.counts {
		display: grid;
		grid-template-columns: repeat(3, 1fr);
		gap: 6px;
	}
	.count {
		display: grid;
		justify-items: start;
		padding: 6px 8px;
		border: 1px solid var(--line-strong);
		border-radius: 4px;
		background: transparent;
		color: var(--ink-2);
		font: inherit;
		text-align: left;
		opacity: 0.65;
	}
	.count[aria-pressed='true'] {
		background: var(--wash);
		border-color: var(--tone);
		opacity: 1;
	}
	.number {
		font-size: 17px;
		font-weight: 650;
		font-variant-numeric: tabular-nums;
	}
	.name {
		font-size: 13px;
	}
	.trend {
		font-size: 12px;
		font-stretch: 86%;
		color: var(--ink-2);
	}
	.working {
		display: grid;
		grid-template-columns: 1fr auto auto;
		gap: 8px;
		align-items: center;
		font-size: 13px;
	}
	.callout {
		font-size: 13px;
	}
	.line {
		position: absolute;
		top: 0;
		left: 0;
		width: 100%;
		height: 32px;
		display: flex;
		gap: 8px;
		align-items: center;
		padding: 0 14px;
		font-size: 13.5px;
		white-space: nowrap;
		overflow: hidden;
	}
	.group {
		background: var(--panel);
		border-top: 1px solid var(--line);
	}
	.finding {
		padding-left: 24px;
		border-top: 1px solid var(--line);
		cursor: pointer;
	}
	.finding.alone {
		padding-left: 14px;
	}
	.finding:hover {
		background: var(--panel);
	}
	.finding[aria-selected='true'] {
		background: var(--azurite-wash);
		box-shadow: inset 4px 0 0 var(--azurite);
	}
	.text {
		overflow: hidden;
		text-overflow: ellipsis;
	}
	.hint {
		padding: 7px 14px;
		border-top: 1px solid var(--line);
		font-size: 12.5px;
	}
	.hint kbd {
		padding: 0 5px;
		border: 1px solid var(--line-strong);
		border-radius: 3px;
		font-family: var(--font);
	}
	.none {
		padding: 22px 16px;
		color: var(--ink-3);
	}
	.right {
		overflow-y: auto;
	}
	@media (max-width: 1180px) {
		.view {
			grid-template-columns: 330px minmax(0, 1fr);
		}
	}
</style>
