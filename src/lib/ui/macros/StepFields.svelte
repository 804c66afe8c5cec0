<script lang="ts">
	import { Input } from 'flowbite-svelte';
	import type { MacroStep } from '$core/chapters/macros/macro';
	import { parseSteps, stepText, StepsError } from '$core/chapters/macros/steps';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import CommandPick from '../CommandPick.svelte';
	import { labelOf } from '../wording';
	import { STEP_LOOKS } from './wording';

	/** What one step says, to be changed in place. A change is given when the field is left or Enter is pressed. */
	let {
		step,
		number,
		disabled,
		onchange
	}: { step: MacroStep; number: number; disabled: boolean; onchange: (step: MacroStep) => void } = $props();
	const workspace = useWorkspace();
	let isPicking = $state(false);
	let refused = $state('');

	const valueOf = (event: Event) => (event.currentTarget as HTMLInputElement).value;

	function argumentsOf(text: string): string[] | undefined {
		try {
			const [said] = parseSteps(`launch x ${text}`);
			refused = '';
			return said?.do === 'launch' ? said.arguments : [];
		} catch (error) {
			if (!(error instanceof StepsError)) throw error;
			refused = error.message;
			return undefined;
		}
	}
	const argumentText = (said: readonly string[]) =>
		stepText({ do: 'launch', program: 'x', arguments: [...said] }).slice('launch "x" '.length);
</script>

{#if step.do === 'run'}
	{@const known = workspace.catalogue.get(step.command)}
	{#if isPicking && !disabled}
		<div class="pick">
			<CommandPick
				label="Find the command to run"
				onpick={({ id }) => ((isPicking = false), id !== step.command && onchange({ do: 'run', command: id }))}
			/>
		</div>
	{:else}
		<button type="button" class="command" {disabled} onclick={() => (isPicking = true)}>
			<span class="visually-hidden">Step {number} runs</span>
			<span class={known ? '' : 'tone-garnet toned'}>{labelOf(workspace.index, step.command)}</span>
			<span class="mono quiet">{step.command}</span>
		</button>
	{/if}
{:else if step.do === 'type'}
	<Input
		size="sm"
		class="mono"
		value={step.text}
		{disabled}
		aria-label="Text of step {number}"
		onchange={(event: Event) => valueOf(event) !== '' && onchange({ do: 'type', text: valueOf(event) })}
	/>
{:else if step.do === 'pick'}
	<Input
		size="sm"
		value={step.what}
		{disabled}
		placeholder="object to pick"
		aria-label="Pick of step {number}"
		onchange={(event: Event) => onchange({ do: 'pick', what: valueOf(event).slice(0, 80) })}
	/>
{:else if step.do === 'launch'}
	<div class="launch">
		<Input
			size="sm"
			class="mono"
			value={step.program}
			{disabled}
			aria-label="Program of step {number}"
			onchange={(event: Event) => valueOf(event).trim() !== '' && onchange({ ...step, program: valueOf(event).trim() })}
		/>
		<Input
			size="sm"
			class="mono"
			value={argumentText(step.arguments)}
			{disabled}
			placeholder="arguments, each in quotation marks"
			aria-label="Arguments of step {number}"
			onchange={(event: Event) => {
				const said = argumentsOf(valueOf(event));
				if (said) onchange({ ...step, arguments: said });
			}}
		/>
		{#if refused}<p class="tone-garnet"><span class="toned">◆</span> {refused}.</p>{/if}
	</div>
{:else}
	<span class="quiet">{STEP_LOOKS[step.do].tells}</span>
{/if}

<style>
	.command .mono {
		min-width: 0;
		overflow: hidden;
		text-overflow: ellipsis;
	}
	.command {
		display: flex;
		gap: var(--space-2);
		align-items: baseline;
		min-width: 0;
		max-width: 100%;
		padding: 3px var(--space-2);
		border: 1px solid var(--line-strong);
		border-radius: var(--radius);
		background: var(--raised);
		color: var(--ink);
		font: inherit;
		font-size: var(--dense);
		overflow: hidden;
		white-space: nowrap;
	}
	.launch {
		display: grid;
		grid-template-columns: minmax(90px, 0.6fr) 1fr;
		gap: 6px;
	}
	.launch p {
		grid-column: 1 / -1;
		font-size: var(--dense);
	}
</style>
