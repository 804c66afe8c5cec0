<script lang="ts">
	import { counted } from '$core/text/counted';
	import type { Command } from '$core/application/command';
	import { macroGround } from '$core/chapters/macros/check';
	import { IDLE, play, type MacroEvent } from '$core/chapters/macros/machine';
	import type { Macro } from '$core/chapters/macros/macro';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import Picker from '../Picker.svelte';
	import { labelOf } from '../wording';

	/** What the macro does, step by step, with what runs after each; picks are taken as made. */
	let { macro, at, onchoose }: { macro: Macro; at: number; onchoose: (step: number) => void } = $props();
	const workspace = useWorkspace();
	/** Commands that a macro for use inside may be used in, the most used first. */
	const hosts = $derived(
		workspace.document.commands
			.filter((c) => c.kind === 'interactive')
			.sort((a, b) => (b.use ?? 0) - (a.use ?? 0))
			.slice(0, 12)
	);
	let chosen = $state('');
	const host = $derived<Command | undefined>(macro.inside ? (hosts.find((c) => c.id === chosen) ?? hosts[0]) : undefined);
	const events = $derived<MacroEvent[]>([
		...play(macro.id, macroGround(workspace.index, workspace.profile), host ? { running: [host.id], text: '' } : IDLE)
	]);
	const waits = $derived(events.filter((e) => e.waits).length);
</script>

<h2>Effect</h2>
{#if macro.inside && host}
	<p class="host">
		<span class="quiet">used while this runs:</span>
		<Picker
			label="Used inside"
			value={host.id}
			items={hosts.map((c) => ({ value: c.id, name: c.label }))}
			onpick={(id) => (chosen = id)}
		/>
	</p>
{/if}
<ol>
	{#each events as event, i (i)}
		<li class:inner={event.path.length > 1} class:current={event.path.length === 1 && event.step === at}>
			<button type="button" onclick={() => event.path.length === 1 && onchoose(event.step)}>
				<span class="num quiet">{event.path.length > 1 ? '' : event.step + 1}</span>
				<span
					>{#if event.fault}<span class="tone-limonite toned" aria-hidden="true">▲ </span>{/if}{event.said}
					{#if event.activity.running.length > 0 || event.activity.text !== ''}
						<small class="quiet"
							>{event.activity.running.map((id) => labelOf(workspace.index, id)).join(' › ')}{#if event.activity.text !== ''}
								: <span class="mono">{event.activity.text}</span>{/if}</small
						>
					{/if}</span
				>
			</button>
		</li>
	{:else}
		<li class="quiet none">Empty.</li>
	{/each}
</ol>
{#if events.length > 0}
	<p class="quiet sum">
		{counted(events.length, 'step')}, {waits === 0 ? 'without a pick' : waits === 1 ? 'one pick' : `${waits} picks`}.
		<a href="bench?macro={encodeURIComponent(macro.id)}">Run on the bench</a>
	</p>
{/if}

<style>
	h2 {
		margin-bottom: 6px;
	}
	.host {
		display: flex;
		gap: var(--space-2);
		align-items: center;
		margin-bottom: 6px;
		font-size: var(--dense);
	}
	ol {
		margin: 0;
		padding: 0;
		list-style: none;
		border-bottom: 1px solid var(--line);
	}
	li {
		border-top: 1px solid var(--line);
	}
	.inner button {
		padding-left: var(--space-8);
	}
	.current {
		background: var(--azurite-wash);
	}
	button {
		display: grid;
		grid-template-columns: 20px 1fr;
		gap: var(--space-2);
		width: 100%;
		padding: var(--space-1) 2px;
		border: 0;
		background: none;
		color: var(--ink);
		font: inherit;
		font-size: var(--dense);
		text-align: left;
	}
	small {
		display: block;
		font-size: var(--caption);
	}
	.none {
		padding: 6px 2px;
	}
	.sum {
		padding-top: 6px;
		font-size: var(--dense);
	}
	a {
		color: var(--azurite);
	}
</style>
