<script lang="ts">
	import { MACROS } from '$core/chapters/macros/macro';
	import { Button, Checkbox, Input } from 'flowbite-svelte';
	import type { PlacedMacro } from '$core/chapters/macros/table';
	import type { MacroDesk } from '$lib/state/macro-desk.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import Blame from '../Blame.svelte';
	import StratumChip from '../StratumChip.svelte';
	import IconPicker from './IconPicker.svelte';
	import MacroIcon from './MacroIcon.svelte';
	import StepList from './StepList.svelte';

	/** The macro in hand: what it is called, what it does, and where it is said. */
	let {
		desk,
		placed,
		at = $bindable(),
		onduplicate,
		onremove
	}: { desk: MacroDesk; placed: PlacedMacro; at: number; onduplicate: () => void; onremove: () => void } = $props();
	const workspace = useWorkspace();
	const macro = $derived(placed.macro);
	const closed = $derived(desk.closed);
	const isClosed = $derived(closed !== undefined);
	let isChoosingIcon = $state(false);
	let label = $state<HTMLElement | undefined>(undefined);

	const fieldOf = (event: Event) => event.currentTarget as HTMLInputElement;

	/** The label, to be typed over. */
	export function focusLabel() {
		label?.querySelector('input')?.select();
		label?.querySelector('input')?.focus();
	}
</script>

<section class="editor" aria-label="Macro">
	<div class="head">
		<button
			type="button"
			class="icon"
			disabled={isClosed}
			aria-label="Choose the icon"
			title="Choose the icon"
			onclick={() => (isChoosingIcon = true)}><MacroIcon icon={macro.icon} size={30} /></button
		>
		<div class="names" bind:this={label}>
			<Input
				size="sm"
				class="title"
				value={macro.label}
				disabled={isClosed}
				aria-label="Label"
				onchange={(event: Event) => void desk.change('label', { label: fieldOf(event).value })}
			/>
			<span class="mono quiet">{macro.id}</span>
		</div>
		<StratumChip id={placed.stratum.id} named />
		<Blame stratum={placed.stratum.id} chapter={MACROS} thing={macro.id} />
	</div>
	<Input
		size="sm"
		value={macro.description}
		disabled={isClosed}
		placeholder="What it is for"
		aria-label="Description"
		onchange={(event: Event) => void desk.change('description', { description: fieldOf(event).value })}
	/>
	<div class="options">
		<Checkbox
			checked={macro.inside}
			disabled={isClosed}
			onchange={(event: Event) => void desk.change('for use inside', { inside: fieldOf(event).checked })}
			>For use while another command runs</Checkbox
		>
		<Checkbox checked={desk.isLockedHere} disabled={isClosed} onchange={(event: Event) => void desk.lock(fieldOf(event).checked)}
			>Locked for the strata above</Checkbox
		>
	</div>
	{#if isClosed}
		<p class="callout tone-azurite">{closed}</p>
	{:else if placed.stratum.id !== workspace.targetId}
		<p class="callout tone-azurite">
			{placed.stratum.name} says this macro. A change makes a version of its own in {workspace.target.name}.
		</p>
	{:else if placed.over}
		<p class="callout tone-azurite">
			This version stands in place of {placed.over.name}’s.
			<button class="linkish" type="button" onclick={onremove}>Go back to {placed.over.name}’s</button>
		</p>
	{/if}
	<StepList
		steps={macro.steps}
		findings={workspace.findings.of(MACROS).open.filter((f) => f.command === macro.id)}
		bind:at
		disabled={isClosed || workspace.edits.busy}
		fresh={desk.fresh}
		onchange={(what, steps) => void desk.change(what, { steps })}
	/>
	<div class="ways">
		<Button size="xs" color="alternative" onclick={onduplicate}>Duplicate</Button>
		<Button size="xs" color="alternative" disabled={isClosed} onclick={onremove}
			>{desk.isOwn ? 'Take away' : `Not in ${workspace.target.name}`}</Button
		>
	</div>
</section>
{#if isChoosingIcon}
	<IconPicker icon={macro.icon} onpick={(icon) => void desk.change('icon', { icon })} onclose={() => (isChoosingIcon = false)} />
{/if}

<style>
	.editor {
		display: flex;
		flex-direction: column;
		gap: 10px;
		min-height: 0;
		padding: 14px 16px;
		overflow-y: auto;
	}
	.head {
		display: flex;
		gap: 12px;
		align-items: flex-start;
	}
	.icon {
		display: grid;
		place-items: center;
		width: 52px;
		height: 52px;
		flex: none;
		border: 1px solid var(--control);
		border-radius: 6px;
		background: var(--raised);
	}
	.names {
		display: grid;
		flex: 1;
		gap: 3px;
		min-width: 0;
	}
	.names :global(.title) {
		font-weight: 650;
	}
	.options {
		display: flex;
		flex-wrap: wrap;
		gap: 8px 22px;
		font-size: 13px;
	}
	.callout {
		font-size: 13px;
	}
	.ways {
		display: flex;
		gap: 8px;
	}
</style>
