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
		placeholder="Description"
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
			>Locked for the levels above</Checkbox
		>
	</div>
	{#if isClosed}
		<p class="callout tone-azurite">{closed}</p>
	{:else if placed.stratum.id !== workspace.targetId}
		<p class="callout tone-azurite">
			{placed.stratum.name} defines this macro. A change creates a version in {workspace.target.name}.
		</p>
	{:else if placed.over}
		<p class="callout tone-azurite">
			This version replaces the one of {placed.over.name}.
			<button class="linkish" type="button" onclick={onremove}>Reset to the version of {placed.over.name}</button>
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
			>{desk.isOwn ? 'Delete' : `Remove in ${workspace.target.name}`}</Button
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
		gap: var(--space-2);
		min-height: 0;
		padding: var(--space-3) var(--space-4);
		overflow-y: auto;
	}
	.head {
		display: flex;
		gap: var(--space-3);
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
		gap: var(--space-2) var(--space-6);
		font-size: var(--dense);
	}
	.callout {
		font-size: var(--dense);
	}
	.ways {
		display: flex;
		gap: var(--space-2);
	}
</style>
