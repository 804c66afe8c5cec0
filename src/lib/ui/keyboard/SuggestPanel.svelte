<script lang="ts">
	import { Checkbox } from 'flowbite-svelte';
	import type { Command } from '$core/application/command';
	import type { OfficeDesks } from '$core/keyboard/office-desks';
	import { EVERYWHERE, type Scope } from '$core/context/scope';
	import { suggest, type Elsewhere } from '$core/suggest/suggest';
	import type { Keys } from '$core/stroke/stroke';
	import { ask } from '$lib/state/api';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import KeyCaps from '../KeyCaps.svelte';
	import ScopePicker from '../ScopePicker.svelte';
	import { labelOf } from '../wording';
	import CommandPick from '../CommandPick.svelte';

	/** Ranked free strokes for a command and a scope, each with its reasons. */
	let {
		command,
		office,
		onwish,
		onchoose
	}: {
		command: Command | undefined;
		office: OfficeDesks;
		onwish: (command: Command) => void;
		onchoose: (command: Command, keys: Keys, scope: Scope) => void;
	} = $props();
	const workspace = useWorkspace();
	let scope = $state.raw<Scope>(EVERYWHERE);
	let wasted = $state(false);
	let elsewhere = $state.raw<Elsewhere>(new Map());
	const suggestions = $derived(command ? suggest(workspace.index, office, { command, scope, elsewhere, wasted, most: 12 }) : []);

	$effect(() => {
		ask<{ actions: Record<string, { keys: Keys; application: string }[]> }>(`${workspace.path}/elsewhere`)
			.then(({ actions }) => (elsewhere = new Map(Object.entries(actions))))
			// without it the suggestions only lack one reason
			.catch(() => undefined);
	});
</script>

<section aria-label="Suggestions">
	<h2>
		Suggest{#if command}&nbsp;for {command.label}{/if}
	</h2>
	<CommandPick label={command ? 'for another command' : 'for a command: type its name'} onpick={onwish} />
	{#if command}
		<div class="where">
			<ScopePicker {scope} onchange={(next) => (scope = next)} />
			<Checkbox bind:checked={wasted} class="way">also keys of unused commands</Checkbox>
		</div>
		<ul>
			{#each suggestions as { keys, reach, reasons, lost } (keys)}
				<li>
					<button type="button" class="row-button" onclick={() => onchoose(command, keys, scope)}>
						<span class="tone-fluorite"><span class="toned" aria-hidden="true">◇</span></span>
						<KeyCaps {keys} />
						<span class="why"
							>{reasons.map((r) => r.text).join(', ') ||
								(reach.effort === 'easy' ? 'within easy reach' : 'free')}{#if lost.length > 0}<span class="tone-limonite"
									><span class="toned"
										>; {lost.map((b) => labelOf(workspace.index, b.command)).join(', ')} would lose its key</span
									></span
								>{/if}</span
						>
						<span class="num quiet">{reach.mm.toFixed(0)} mm, {reach.seconds.toFixed(1)} s</span>
					</button>
				</li>
			{:else}
				<li class="quiet none">
					No key that all equipment can type is free in this scope. Narrow the scope, or include keys of unused commands.
				</li>
			{/each}
		</ul>
	{:else}
		<p class="quiet">
			Free keys, sorted by reach, letter, neighbours, the key of the opposite command, and other programs of the office.
		</p>
	{/if}
</section>

<style>
	section {
		display: grid;
		gap: var(--space-2);
		align-content: start;
	}
	.where {
		display: grid;
		gap: 6px;
	}
	.where :global(label) {
		font-size: var(--caption);
		font-weight: 400;
		color: var(--ink-2);
	}
	ul {
		margin: 0;
		padding: 0;
		list-style: none;
	}
	.why {
		flex: 1;
		line-height: 1.25;
	}
	.none {
		font-size: var(--dense);
	}
</style>
