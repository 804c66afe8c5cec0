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
		/** Gives why the option cannot have the value. */
		onset: (value: OptionValue) => string | undefined;
	} = $props();
	const { type, label } = $derived(definition);
	const textOf = (event: Event) => (event.currentTarget as HTMLInputElement).value;

	const id = $props.id();
	/** What was refused last, and why; the field has gone back to what counts. */
	let refused = $state.raw<{ readonly typed: string; readonly problem: string } | undefined>(undefined);

	/** Takes what was typed, or goes back to what counts and says why. */
	function take(event: Event, said: OptionValue) {
		const field = event.currentTarget as HTMLInputElement;
		const problem = onset(said);
		refused = problem === undefined ? undefined : { typed: field.value, problem };
		if (problem !== undefined) field.value = String(value);
	}

	/** What was typed as a number; a comma stands for a point. */
	function setNumber(event: Event) {
		const typed = textOf(event).trim().replace(',', '.');
		const said = typed === '' ? Number.NaN : Number(typed);
		take(event, Number.isNaN(said) ? typed : said);
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
		onpick={(picked) => void onset(picked)}
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
			aria-invalid={refused !== undefined}
			aria-describedby={refused ? `${id}-refused` : undefined}
			oninput={() => (refused = undefined)}
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
		aria-invalid={refused !== undefined}
		aria-describedby={refused ? `${id}-refused` : undefined}
		oninput={() => (refused = undefined)}
		onchange={(event: Event) => take(event, textOf(event))}
	/>
{/if}

{#if refused}<small class="refused tone-garnet" id="{id}-refused" role="alert"
		><span class="toned" aria-hidden="true">◆</span>
		{refused.typed === '' ? 'Nothing' : refused.typed} was not set: {refused.problem}</small
	>{/if}

<style>
	.refused {
		display: block;
	}
	.number {
		display: flex;
		gap: 6px;
		align-items: center;
		font-size: var(--dense);
	}
	.number :global(.num) {
		width: 84px;
		text-align: right;
		font-variant-numeric: tabular-nums;
	}
	small {
		font-size: var(--caption);
	}
</style>
