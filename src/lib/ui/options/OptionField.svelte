<script lang="ts">
	import { Input, Toggle } from 'flowbite-svelte';
	import type { OptionDefinition, OptionValue } from '$core/application/option';

	import Picker from '../Picker.svelte';

	/** The field in which an option is set; a number is taken when it is left or entered. */
	let {
		definition,
		value,
		disabled,
		onset
	}: {
		definition: OptionDefinition;
		value: OptionValue;
		disabled: boolean;
		onset: (value: OptionValue) => void;
	} = $props();
	const { type, label } = $derived(definition);
	const textOf = (event: Event) => (event.currentTarget as HTMLInputElement).value;

	/** What was typed as a number; a comma stands for a point. */
	function setNumber(event: Event) {
		const typed = textOf(event).trim().replace(',', '.');
		const said = typed === '' ? Number.NaN : Number(typed);
		onset(Number.isNaN(said) ? typed : said);
	}
</script>

{#if type.kind === 'switch'}
	<Toggle
		size="small"
		checked={value === true}
		{disabled}
		aria-label={label}
		onchange={(event: Event) => onset((event.currentTarget as HTMLInputElement).checked)}
	/>
{:else if type.kind === 'choice'}
	<Picker
		{label}
		value={String(value)}
		{disabled}
		items={type.choices.map((choice) => ({ value: choice.value, name: choice.label }))}
		onpick={onset}
	/>
{:else if type.kind === 'number'}
	<span class="number">
		<Input
			size="sm"
			class="option-field num"
			inputmode="decimal"
			value={String(value)}
			{disabled}
			aria-label="{label}{type.unit && `, ${type.unit}`}"
			onchange={setNumber}
		/>
		<span class="quiet">{type.unit} <small>{type.min}–{type.max}</small></span>
	</span>
{:else}
	<Input
		size="sm"
		class="option-field"
		value={String(value)}
		{disabled}
		aria-label={label}
		onchange={(event: Event) => onset(textOf(event))}
	/>
{/if}

<style>
	.number {
		display: flex;
		gap: 6px;
		align-items: center;
		font-size: 13px;
	}
	.number :global(.num) {
		width: 84px;
		text-align: right;
		font-variant-numeric: tabular-nums;
	}
	small {
		font-size: 12px;
	}
</style>
