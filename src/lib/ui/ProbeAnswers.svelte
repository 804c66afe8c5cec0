<script lang="ts">
	import { resolveEverywhere } from '$core/answer/resolve';
	import { strokesOf, type Keys } from '$core/stroke/stroke';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import Pips from './Pips.svelte';
	import Recorder from './Recorder.svelte';
	import Situations from './Situations.svelte';
	import Trace from './Trace.svelte';
	import { keptText, outcomeMark, outcomeText } from './wording';

	/** What keys or the mouse would do in the state that is looked at. */
	let {
		keys = $bindable(),
		field = $bindable(),
		onleave
	}: { keys: Keys | undefined; field: HTMLElement | undefined; onleave: () => void } = $props();
	const workspace = useWorkspace();
	const groups = $derived(keys ? resolveEverywhere(workspace.index, keys) : []);
	const keeps = $derived(keys ? keptText(keys, workspace.office.kept(keys)) : undefined);
	const last = $derived(keys ? strokesOf(keys).at(-1)! : undefined);

	/** The pad for the mouse comes when the probe is opened. */
	const Pad = () => import('./gestures/ProbePad.svelte');
	let pad = $state<{ clear(): void } | undefined>(undefined);
	let isDrawn = $state(false);
	let recorder = $state<{ clear(): void } | undefined>(undefined);

	/** The mouse asks: no keys do any more. */
	function ask() {
		isDrawn = true;
		if (keys !== undefined) recorder?.clear();
	}
</script>

<Recorder
	label="Press any keys"
	atOnce
	onheard={(heard) => {
		keys = heard;
		if (heard === undefined) return;
		isDrawn = false;
		pad?.clear();
	}}
	bind:this={recorder}
	{onleave}
	bind:field
/>
{#if keys && !isDrawn}
	<section aria-live="polite">
		<h3>Here: {workspace.space.labelOf(workspace.situation)}</h3>
		{#if keeps}<p class="tone-limonite toned" role="note">{keeps}</p>{/if}
		<Trace {keys} situation={workspace.situation} />
	</section>
	<section>
		<h3>Everywhere</h3>
		<ul class="groups">
			{#each groups as { outcome, situations: where } (where[0])}
				{@const mark = outcomeMark(outcome)}
				<li>
					<span class="tone-{mark.tone}"><span class="toned" aria-hidden="true">{mark.shape}</span></span>
					<span>{outcomeText(workspace.index, outcome)}</span>
					<Situations list={where} />
					<button class="linkish" type="button" onclick={() => workspace.standIn(where[0]!)}
						>switch to {workspace.space.labelOf(where[0]!)}</button
					>
				</li>
			{/each}
		</ul>
	</section>
	{#if last}
		<section class="planes">
			<h3>On this key in this situation</h3>
			<Pips key={last.key} />
		</section>
	{/if}
{:else if !isDrawn}
	<p class="quiet">Press a key or a sequence. Nothing runs and nothing changes.</p>
{/if}
{#await Pad() then { default: ProbePad }}<ProbePad bind:this={pad} onask={ask} />{/await}

<style>
	h3 {
		font-size: var(--dense);
		color: var(--ink-2);
		margin-bottom: var(--space-1);
	}
	.groups {
		margin: 0;
		padding: 0;
		list-style: none;
	}
	.groups li {
		display: grid;
		grid-template-columns: 18px 1fr auto;
		column-gap: 6px;
		padding: var(--space-1) 0;
		border-top: 1px solid var(--line);
	}
	.groups button {
		grid-column: 2 / -1;
		justify-self: start;
		font-size: var(--caption);
		text-align: left;
	}
	.planes {
		display: flex;
		align-items: center;
		justify-content: space-between;
	}
</style>
