<script lang="ts">
	import type { AliasInput } from '$core/application/command-line';
	import Picker from '../Picker.svelte';

	/** How an application's command line takes typed names; without it, there is none. */
	let { input, onchange }: { input: AliasInput | undefined; onchange: (input: AliasInput | undefined) => void } = $props();

	const USUAL: AliasInput = {
		case: 'ignored',
		signs: 'letters and digits',
		longest: 20,
		completes: false,
		accept: ['Enter'],
		twice: 'first'
	};
	const set = (part: Partial<AliasInput>) => onchange({ ...(input ?? USUAL), ...part });
</script>

{#snippet choice(label: string, value: string, items: [string, string][], take: (value: string) => void)}
	<div class="rule">
		{label}
		<Picker {label} {value} items={items.map(([v, name]) => ({ value: v, name }))} onpick={take} />
	</div>
{/snippet}

{@render choice(
	'Typed names',
	input ? 'line' : 'none',
	[
		['none', 'no command line'],
		['line', 'in a command line']
	],
	(value) => onchange(value === 'line' ? USUAL : undefined)
)}
{#if input}
	{@render choice(
		'Upper and lower case',
		input.case,
		[
			['ignored', 'ignored'],
			['matters', 'differ']
		],
		(value) => set({ case: value as AliasInput['case'] })
	)}
	{@render choice(
		'Characters of a name',
		input.signs,
		[
			['letters', 'letters'],
			['letters and digits', 'letters and digits'],
			['any except spaces', 'any except spaces']
		],
		(value) => set({ signs: value as AliasInput['signs'] })
	)}
	<label class="rule">
		Maximum length, in characters
		<input
			type="number"
			min="1"
			max="80"
			value={input.longest}
			onchange={(event) => {
				const longest = Math.round(event.currentTarget.valueAsNumber);
				if (longest >= 1 && longest <= 80) set({ longest });
				else event.currentTarget.value = String(input.longest);
			}}
		/>
	</label>
	{@render choice(
		'Key that accepts a name',
		input.accept.join('+'),
		[
			['Enter', 'Enter'],
			['Enter+Space', 'Enter and Space'],
			['Space', 'Space']
		],
		(value) => set({ accept: value.split('+') as AliasInput['accept'] })
	)}
	{@render choice(
		'Unique beginnings',
		input.completes ? 'yes' : 'no',
		[
			['no', 'not completed'],
			['yes', 'completed']
		],
		(value) => set({ completes: value === 'yes' })
	)}
	{@render choice(
		'Duplicate names',
		input.twice,
		[
			['first', 'the first line applies'],
			['last', 'the last line applies']
		],
		(value) => set({ twice: value as AliasInput['twice'] })
	)}
{/if}

<style>
	.rule {
		display: grid;
		gap: 3px;
		font-size: var(--dense);
		color: var(--ink-2);
	}
	.rule :global(select) {
		max-width: none;
		width: 100%;
	}
	input {
		height: 28px;
		padding: 1px var(--space-2);
		border: 1px solid var(--control);
		border-radius: var(--radius);
		background: var(--raised);
		color: var(--ink);
		font-size: var(--dense);
	}
</style>
