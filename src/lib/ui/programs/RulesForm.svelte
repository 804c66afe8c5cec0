<script lang="ts">
	import { Input, Label, Textarea } from 'flowbite-svelte';
	import AliasInputForm from '../aliases/AliasInputForm.svelte';
	import Picker from '../Picker.svelte';
	import type { Rules } from '$lib/state/program-rules';

	/** What a program is called and how it takes keys. */
	let { rules, onchange }: { rules: Rules; onchange: (rules: Rules) => void } = $props();
	const set = (part: Partial<Rules>) => onchange({ ...rules, ...part });
	const valueOf = (event: Event) => (event.currentTarget as HTMLInputElement).value;

	const choices = [
		{
			label: 'Several commands on one key',
			key: 'ambiguity',
			items: [
				{ value: 'narrowest', name: 'the narrowest scope wins' },
				{ value: 'first', name: 'the first in the list wins' },
				{ value: 'chooser', name: 'a chooser opens' },
				{ value: 'refuse', name: 'the second is not loaded' }
			]
		},
		{
			label: 'Keys are matched by',
			key: 'match',
			items: [
				{ value: 'character', name: 'the character they type' },
				{ value: 'position', name: 'their position' }
			]
		},
		{
			label: 'First key of a sequence',
			key: 'sequences',
			items: [
				{ value: 'at-once', name: 'runs immediately' },
				{ value: 'wait', name: 'waits for the next key' }
			]
		}
	] as const;
</script>

<div class="rules">
	<Label
		>Name<Input
			size="sm"
			value={rules.name}
			placeholder="name in your office"
			oninput={(event: Event) => set({ name: valueOf(event) })}
		/></Label
	>
	<Label>Version<Input size="sm" value={rules.version} oninput={(event: Event) => set({ version: valueOf(event) })} /></Label>
	{#each choices as { label, key, items } (key)}
		<div class="rule">
			{label}
			<Picker {label} value={rules[key]} items={[...items]} onpick={(value) => set({ [key]: value })} />
		</div>
	{/each}
	<Label
		>Reserved keys, one per line<Textarea
			rows={2}
			class="mono w-full"
			value={rules.hardwired}
			placeholder="F1 opens the help"
			oninput={(event: Event) => set({ hardwired: valueOf(event) })}
		/></Label
	>
	<AliasInputForm input={rules.aliases} onchange={(aliases) => set({ aliases })} />
</div>

<style>
	.rules {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(240px, 1fr));
		align-items: start;
		gap: var(--space-3) var(--space-4);
	}
	.rules :global(label) {
		color: var(--ink-2);
		font-size: var(--dense);
	}
	.rule {
		display: grid;
		gap: 3px;
		font-size: var(--dense);
		color: var(--ink-2);
	}
	.rules :global(select) {
		max-width: none;
		width: 100%;
	}
</style>
