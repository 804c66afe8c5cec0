<script lang="ts">
	import ViewActs from '$lib/ui/kit/ViewActs.svelte';
	import { Button } from 'flowbite-svelte';
	import { untrack } from 'svelte';
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { findingId, type Finding } from '$core/chapters/shortcuts/check/finding';
	import type { CommandId } from '$core/application/command';
	import { Macro, macroIdFor } from '$core/chapters/macros/macro';
	import { setMacro } from '$core/chapters/macros/writing';
	import { stepText } from '$core/chapters/macros/steps';
	import { strokesOf } from '$core/stroke/stroke';
	import { useWorkspace, type Workspace } from '$lib/state/workspace.svelte';
	import StatePicker from '$lib/ui/StatePicker.svelte';
	import { BenchSession } from '$lib/ui/bench/session.svelte';
	import StandIn from '$lib/ui/bench/StandIn.svelte';
	import StopwatchPanel from '$lib/ui/bench/StopwatchPanel.svelte';
	import KeyCaps from '$lib/ui/KeyCaps.svelte';
	import Trace from '$lib/ui/Trace.svelte';
	import { labelOf, outcomeText } from '$lib/ui/wording';

	/** The workspace that is edited, whichever state is looked at; none where a proposal is tried. */
	let { edited }: { edited?: Workspace } = $props();
	const workspace = useWorkspace();
	const session = new BenchSession(workspace);
	let frame = $state<HTMLElement | undefined>(undefined);
	const last = $derived(session.last);
	const replayable = $derived(workspace.findings.open.filter((f) => f.witness.keys !== undefined && f.severity !== 'note'));

	$effect(() => {
		const wanted = page.url.searchParams.get('finding');
		const finding = wanted ? untrack(() => workspace.findings.all.find((f) => findingId(f) === wanted)) : undefined;
		if (finding && frame) untrack(() => replay(finding));
	});

	$effect(() => {
		const wanted = page.url.searchParams.get('macro') as CommandId | null;
		if (wanted && frame && untrack(() => workspace.macros.inForce.has(wanted)))
			untrack(() => {
				session.run(wanted);
				frame?.focus();
			});
	});

	/** What was recorded becomes a macro of the stratum that is written to. */
	async function keepRecording() {
		const steps = session.endRecording();
		const label = 'Recorded on the bench';
		const id = macroIdFor(label, (taken) => workspace.catalogue.has(taken));
		if (await workspace.edits.commit(`Macro: ${label}`, setMacro(workspace.target, Macro.parse({ id, label, steps }))))
			await goto(`macros?macro=${encodeURIComponent(id)}`);
	}

	function replay({ witness }: Pick<Finding, 'witness'>) {
		workspace.standIn(witness.situation);
		if (witness.keys) session.replay(witness.keys, strokesOf(witness.keys));
		frame?.focus();
	}
</script>

{#if edited}<ViewActs><StatePicker workspace={edited} /></ViewActs>{/if}

<div class="view">
	<section class="stage" aria-label="Bench">
		<StandIn {session} bind:frame />
	</section>
	<aside>
		<section class="record" aria-label="Recording">
			{#if session.recording}
				<h2><span class="dot" aria-hidden="true"></span> Recording</h2>
				<ol class="steps">
					{#each session.recording as step, i (i)}<li class="mono">{stepText(step)}</li>{:else}<li class="quiet">
							Run commands, type, pick; each becomes a step.
						</li>{/each}
				</ol>
				<p class="buttons">
					<Button size="xs" disabled={session.recording.length === 0} onclick={() => void keepRecording()}>Save as macro</Button>
					<Button size="xs" color="alternative" onclick={() => (session.endRecording(), frame?.focus())}>Discard</Button>
				</p>
			{:else}
				<Button size="xs" color="alternative" onclick={() => (session.record(), frame?.focus())}>Record a macro</Button>
			{/if}
			{#if session.activity.running.length > 0}
				<p class="running">
					<span class="quiet">Runs:</span>
					{session.activity.running.map((id) => labelOf(workspace.index, id)).join(' › ')}
					<button class="linkish" type="button" onclick={() => (session.cancel(), frame?.focus())}>End</button>
				</p>
			{/if}
		</section>
		<StopwatchPanel {session} onfocus={() => frame?.focus()} />
		<section>
			<h2>Reason</h2>
			{#if last?.keys}
				<p class="asked">
					<KeyCaps keys={last.keys} />{#if last.ran}<span
							>ran <a href="../{workspace.document.application.id}/commands?command={encodeURIComponent(last.ran)}"
								>{labelOf(workspace.index, last.ran)}</a
							></span
						>{/if}
				</p>
				<Trace keys={last.keys} situation={last.situation} />
			{:else if last?.typed}
				<p class="asked">
					<kbd class="mono">{last.typed.text}</kbd>{#if last.ran}<span
							>ran <a href="../{workspace.document.application.id}/commands?command={encodeURIComponent(last.ran)}"
								>{labelOf(workspace.index, last.ran)}</a
							></span
						>{/if}
				</p>
				<ol class="why">
					{#each last.typed.trace as step, i (i)}<li>{step}</li>{/each}
				</ol>
			{:else if last?.ran}
				<p>
					{labelOf(workspace.index, last.ran)} ran from {last.from ?? 'a control'}.
					<a href="../{workspace.document.application.id}/commands?command={encodeURIComponent(last.ran)}">Show command</a>
				</p>
			{:else}
				<p class="quiet">
					Click into the window and press keys. Select parts, or change the document or the pane, to change the situation.
					Alt+click on a button shows its command.
				</p>
			{/if}
		</section>
		{#if session.isStale}
			<section class="callout tone-limonite">
				The alias file has changed. {workspace.document.application.name} still uses the version that it loaded.
				<button class="linkish" type="button" onclick={() => (session.reload(), frame?.focus())}>Reload</button>
			</section>
		{/if}
		<section class="log">
			<h2>Log</h2>
			<ol>
				{#each session.log.slice(0, 12) as happening (happening.id)}
					<li class:step={happening.said !== undefined}>
						<span class="key"
							>{#if happening.keys}<KeyCaps keys={happening.keys} />{:else if happening.typed}<kbd class="mono"
									>{happening.typed.text}</kbd
								>{:else if happening.said !== undefined}<span class="quiet" aria-hidden="true">·</span>{:else}<span class="quiet"
									>{happening.from ?? 'click'}</span
								>{/if}</span
						>
						<span class={happening.fault ? 'tone-limonite' : ''}
							>{#if happening.fault}<span class="toned" aria-hidden="true">▲</span>
							{/if}{happening.ran
								? labelOf(workspace.index, happening.ran)
								: happening.outcome
									? outcomeText(workspace.index, happening.outcome)
									: (happening.said ?? happening.typed?.trace.at(-1) ?? '')}</span
						>
					</li>
				{:else}
					<li class="quiet">No entries yet.</li>
				{/each}
			</ol>
		</section>
		{#if replayable.length > 0}
			<section>
				<h2>Replay a finding</h2>
				<ul>
					{#each replayable.slice(0, 12) as finding (findingId(finding))}
						<li>
							<button type="button" class="row-button" onclick={() => replay(finding)}>
								<span class={finding.severity === 'error' ? 'tone-garnet' : 'tone-limonite'}
									><span class="toned" aria-hidden="true">{finding.severity === 'error' ? '◆' : '▲'}</span></span
								>
								{#if finding.witness.keys}<KeyCaps keys={finding.witness.keys} />{/if}
								<span>{finding.rule}: {labelOf(workspace.index, finding.command)}</span>
							</button>
						</li>
					{/each}
				</ul>
			</section>
		{/if}
	</aside>
</div>

<style>
	.view {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 336px;
		height: 100%;
	}
	.stage {
		padding: 12px;
		min-height: 0;
	}
	.why {
		margin: 6px 0 0;
		padding-left: 20px;
		list-style: decimal;
		font-size: var(--dense);
	}
	aside {
		display: flex;
		flex-direction: column;
		gap: 14px;
		padding: 14px 16px;
		background: var(--panel);
		border-left: 1px solid var(--line-strong);
		overflow-y: auto;
	}
	h2 {
		margin-bottom: 6px;
	}
	.record {
		display: grid;
		gap: 8px;
		justify-items: start;
	}
	.record .steps {
		width: 100%;
		max-height: 150px;
		overflow-y: auto;
		counter-reset: step;
	}
	.record .steps li {
		padding: 2px 0;
		border-top: 1px solid var(--line);
		overflow-wrap: anywhere;
	}
	.dot {
		display: inline-block;
		width: 10px;
		height: 10px;
		border-radius: 50%;
		background: var(--garnet);
	}
	.buttons {
		display: flex;
		gap: 8px;
	}
	.running {
		font-size: var(--dense);
	}
	.asked {
		display: flex;
		gap: 8px;
		align-items: center;
		margin-bottom: 4px;
	}
	a {
		color: var(--azurite);
	}
	ul,
	ol {
		margin: 0;
		padding: 0;
		list-style: none;
	}
	.log li {
		display: grid;
		grid-template-columns: 92px 1fr;
		gap: 8px;
		padding: 3px 0;
		border-top: 1px solid var(--line);
		font-size: var(--dense);
	}
	.log li.step {
		grid-template-columns: 10px 1fr;
	}
</style>
