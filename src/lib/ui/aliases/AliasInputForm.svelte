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
		['none', 'none: there is no command line'],
		['line', 'a command line takes them']
	],
	(value) => onchange(value === 'line' ? USUAL : undefined)
)}
{#if input}
	{@render choice(
		'Upper and lower case',
		input.case,
		[
			['ignored', 'are one'],
			['matters', 'differ']
		],
		(value) => set({ case: value as AliasInput['case'] })
	)}
	{@render choice(
		'A typed name is made of',
		input.signs,
		[
			['letters', 'letters'],
			['letters and digits', 'letters and digits'],
			['any but blanks', 'anything but blanks']
		],
		(value) => set({ signs: value as AliasInput['signs'] })
	)}
	<label class="rule">
		Longest name, in characters
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
		'What accepts a name',
		input.accept.join('+'),
		[
			['Enter', 'Enter'],
			['Enter+Space', 'Enter and Space'],
			['Space', 'Space']
		],
		(value) => set({ accept: value.split('+') as AliasInput['accept'] })
	)}
	{@render choice(
		'A beginning that is the only one',
		input.completes ? 'yes' : 'no',
		[
			['no', 'is not enough'],
			['yes', 'is enough: the rest is filled in']
		],
		(value) => set({ completes: value === 'yes' })
	)}
	{@render choice(
		'Of two lines about one name',
		input.twice,
		[
			['first', 'the first holds'],
			['last', 'the last holds']
		],
		(value) => set({ twice: value as AliasInput['twice'] })
	)}
{/if}

<style>
	.rule {
		display: grid;
		gap: 3px;
		font-size: 13px;
		color: var(--ink-2);
	}
	.rule :global(select) {
		max-width: none;
		width: 100%;
	}
	input {
		height: 28px;
		padding: 1px 9px;
		border: 1px solid var(--control);
		border-radius: var(--radius);
		background: var(--raised);
		color: var(--ink);
		font-size: 13px;
	}
</style>
