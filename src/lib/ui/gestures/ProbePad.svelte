<script lang="ts">
	import { resolveEverywhere } from '$core/answer/resolve';
	import { pressedEverywhere, toldIn } from '$core/chapters/gestures/everywhere';
	import { inputTold } from '$core/chapters/gestures/tell';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import { wheelKeys } from '../heard';
	import KeyCaps from '../KeyCaps.svelte';
	import Situations from '../Situations.svelte';
	import Trace from '../Trace.svelte';
	import { outcomeMark, outcomeText } from '../wording';
	import DrawPad, { type Drawn } from './DrawPad.svelte';
	import type { Keys } from '$core/stroke/stroke';

	/** Asks what the mouse would do: a click, a flick, a drag, a drawn shape or a turn of the wheel, here and everywhere. */
	let { onask }: { onask: () => void } = $props();
	const workspace = useWorkspace();
	let asked = $state.raw<Drawn | undefined>(undefined);
	let turned = $state.raw<Keys | undefined>(undefined);
	const press = $derived.by(() => {
		if (!asked) return undefined;
		const { path, ms, trigger } = asked;
		return { trigger, at: { path, ms, dx: path.at(-2)! - path[0]!, dy: path.at(-1)! - path[1]! } };
	});
	const here = $derived(press && toldIn(workspace.profile, workspace.index, press.trigger, press.at, workspace.situation));
	const keys = $derived(turned ?? (press && here && inputTold(press.trigger, here)));
	const groups = $derived.by(() => {
		if (turned) return resolveEverywhere(workspace.index, turned).map((group) => ({ ...group, keys: turned }));
		return press ? pressedEverywhere(workspace.profile, workspace.index, press.trigger, press.at) : [];
	});

	/** Nothing is asked any more, as when keys are. */
	export function clear() {
		asked = turned = undefined;
	}
</script>

<div
	role="presentation"
	onwheel={(event) => {
		event.preventDefault();
		asked = undefined;
		turned = wheelKeys(event);
		onask();
	}}
>
	<DrawPad
		label="Draw here"
		hint="Or flick, drag, click or draw here with any mouse button, or turn the wheel."
		ondraw={(drawn) => {
			turned = undefined;
			asked = drawn;
			onask();
		}}
	/>
</div>
{#if asked || turned}
	<section aria-live="polite">
		<h3>Here: {workspace.space.labelOf(workspace.situation)}</h3>
		{#if here && !turned}<p class="quiet">{here.trace}</p>{/if}
		{#if keys}<Trace {keys} situation={workspace.situation} />{/if}
	</section>
	<section>
		<h3>Everywhere</h3>
		<ul>
			{#each groups as { keys: said, outcome, situations } (`${said} ${situations[0]}`)}
				{@const mark = outcomeMark(outcome)}
				<li>
					<span class="tone-{mark.tone}"><span class="toned" aria-hidden="true">{mark.shape}</span></span>
					<span>
						{#if said}<KeyCaps keys={said} /> {outcomeText(workspace.index, outcome)}{:else}no input{/if}
					</span>
					<Situations list={situations} />
				</li>
			{/each}
		</ul>
	</section>
{/if}

<style>
	h3 {
		margin-bottom: var(--space-1);
		color: var(--ink-2);
		font-size: var(--dense);
	}
	p {
		margin: 0 0 var(--space-1);
		font-size: var(--dense);
	}
	ul {
		margin: 0;
		padding: 0;
		list-style: none;
	}
	li {
		display: grid;
		grid-template-columns: 18px 1fr auto;
		column-gap: 6px;
		padding: var(--space-1) 0;
		border-top: 1px solid var(--line);
	}
</style>
