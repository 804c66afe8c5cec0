<script lang="ts">
	import { tick } from 'svelte';
	import { dragHandle, dragHandleZone, type DndEvent } from 'svelte-dnd-action';
	import type { AnyFinding } from '$core/check/finding';
	import { STEP_KINDS, type MacroStep, type StepKind } from '$core/chapters/macros/macro';
	import { SIGNS } from '../findings/severity';
	import StepFields from './StepFields.svelte';
	import { STEP_LOOKS } from './wording';

	/** The steps in their order. Dragged by the grip; by keys: Alt with an arrow moves a step, Delete takes it out. */
	let {
		steps,
		findings,
		at = $bindable(0),
		disabled,
		fresh,
		onchange
	}: {
		steps: readonly MacroStep[];
		findings: readonly AnyFinding[];
		/** The step in hand. */
		at: number;
		disabled: boolean;
		/** A new step of this kind. */
		fresh: (kind: StepKind) => MacroStep;
		onchange: (label: string, steps: MacroStep[]) => void;
	} = $props();

	interface Item {
		readonly id: number;
		readonly step: MacroStep;
	}
	let list = $state<HTMLElement | undefined>(undefined);
	let dragged = $state.raw<Item[] | undefined>(undefined);
	const items = $derived<Item[]>(dragged ?? steps.map((step, id) => ({ id, step })));
	const still = matchMedia('(prefers-reduced-motion: reduce)').matches;

	const name = (step: MacroStep) => STEP_LOOKS[step.do].name.toLowerCase();

	async function focus(index: number) {
		at = Math.max(0, index);
		await tick();
		list?.querySelectorAll<HTMLElement>('[data-step]')[at]?.focus();
	}

	function move(from: number, to: number) {
		if (to < 0 || to >= steps.length) return;
		const next = [...steps];
		next.splice(to, 0, ...next.splice(from, 1));
		onchange(`move ${name(steps[from]!)} to position ${to + 1}`, next);
		void focus(to);
	}

	function remove(index: number) {
		onchange(`remove ${name(steps[index]!)}`, steps.toSpliced(index, 1));
		void focus(Math.min(index, steps.length - 2));
	}

	function add(kind: StepKind) {
		const place = steps.length === 0 ? 0 : Math.min(at, steps.length - 1) + 1;
		onchange(`add ${STEP_LOOKS[kind].name.toLowerCase()}`, steps.toSpliced(place, 0, fresh(kind)));
		void focus(place);
	}

	function onkeydown(event: KeyboardEvent, index: number) {
		if (event.target !== event.currentTarget) {
			if (event.key === 'Escape') void focus(index);
			return;
		}
		const arrow = { ArrowUp: -1, ArrowDown: 1 }[event.key];
		if (arrow && event.altKey && !disabled) move(index, index + arrow);
		else if (arrow) void focus(Math.min(steps.length - 1, index + arrow));
		else if ((event.key === 'Delete' || event.key === 'Backspace') && !disabled) remove(index);
		else if (event.key === 'Enter') (event.currentTarget as HTMLElement).querySelector<HTMLElement>('input, .command')?.focus();
		else return;
		event.preventDefault();
	}

	function drop({ detail }: CustomEvent<DndEvent<Item>>) {
		dragged = undefined;
		const order = detail.items.map((item) => item.id);
		if (order.every((id, i) => id === i)) return;
		onchange(
			'change the order',
			order.map((id) => steps[id]!)
		);
	}
</script>

<ol
	bind:this={list}
	aria-label="Steps"
	use:dragHandleZone={{
		items,
		flipDurationMs: still ? 0 : 140,
		dragDisabled: disabled,
		dropTargetStyle: {},
		autoAriaDisabled: true
	}}
	onconsider={(event: CustomEvent<DndEvent<Item>>) => (dragged = event.detail.items)}
	onfinalize={drop}
>
	{#each items as { id, step }, i (id)}
		{@const found = findings.find(({ witness }) => witness.kind === 'macro' && witness.step === i)}
		<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
		<li
			data-step
			tabindex={i === Math.min(at, items.length - 1) ? 0 : -1}
			aria-label="Step {i + 1}: {name(step)}"
			class:current={i === at}
			onfocusin={() => (at = i)}
			onkeydown={(event) => onkeydown(event, i)}
		>
			<span use:dragHandle class="grip" aria-label="Move step {i + 1}" title="Drag to move">⠿</span>
			<span class="num quiet">{i + 1}</span>
			<span class="shape" aria-hidden="true">{STEP_LOOKS[step.do].shape}</span>
			<span class="kind">{STEP_LOOKS[step.do].name}</span>
			<div class="fields">
				<StepFields {step} number={i + 1} {disabled} onchange={(changed) => onchange(`step ${i + 1}`, steps.with(i, changed))} />
			</div>
			<span class="mark"
				>{#if found}<span class="tone-{SIGNS[found.severity].tone} toned" title={found.sentence()}
						>{SIGNS[found.severity].shape}<span class="visually-hidden">{found.sentence()}</span></span
					>{/if}</span
			>
			<button type="button" class="out" {disabled} aria-label="Remove step {i + 1}" title="Remove (Del)" onclick={() => remove(i)}
				>×</button
			>
		</li>
	{:else}
		<li class="none quiet">No steps yet. Add one below, or record them on the bench.</li>
	{/each}
</ol>
<div class="add" role="group" aria-label="Add a step">
	<span class="quiet">Add:</span>
	{#each STEP_KINDS as kind (kind)}
		<button type="button" class="pill" {disabled} title={STEP_LOOKS[kind].tells} onclick={() => add(kind)}
			><span aria-hidden="true">{STEP_LOOKS[kind].shape}</span> {STEP_LOOKS[kind].name}</button
		>
	{/each}
</div>

<style>
	ol {
		margin: 0;
		padding: 0;
		list-style: none;
		border-bottom: 1px solid var(--line);
	}
	li {
		display: grid;
		grid-template-columns: 18px 22px 20px 104px minmax(0, 1fr) 18px 26px;
		gap: 6px;
		align-items: center;
		min-height: 42px;
		padding: 3px 6px;
		border-top: 1px solid var(--line);
		background: var(--ground);
	}
	li.current {
		box-shadow: inset 3px 0 0 var(--azurite);
	}
	li:focus-visible {
		outline-offset: -2px;
	}
	.none {
		display: block;
		padding: var(--space-3) var(--space-2);
	}
	.grip {
		cursor: grab;
		color: var(--ink-3);
		text-align: center;
	}
	.shape {
		text-align: center;
		color: var(--ink-2);
	}
	.kind {
		font-size: var(--dense);
		font-stretch: 90%;
		font-weight: 600;
	}
	.fields {
		min-width: 0;
		font-size: var(--dense);
	}
	.out {
		height: 26px;
		border: 0;
		background: none;
		color: var(--ink-3);
		font-size: var(--heading);
	}
	.out:hover:not(:disabled) {
		color: var(--garnet);
	}
	.add {
		display: flex;
		flex-wrap: wrap;
		gap: 6px;
		align-items: center;
		padding: var(--space-2) 6px;
		font-size: var(--dense);
	}
	.pill:disabled {
		color: var(--ink-3);
		border-style: dashed;
	}
</style>
