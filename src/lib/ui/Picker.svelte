<script lang="ts">
	import { Select } from 'flowbite-svelte';

	interface Item {
		readonly value: string;
		readonly name: string;
		/** What it stands under in a long list; those without one stand first. */
		readonly group?: string;
	}
	/** A choice from a list, in the dense form that the header, the facets and the forms share. */
	let {
		label,
		items,
		value,
		onpick,
		strong = false,
		disabled = false
	}: {
		label: string;
		items: readonly Item[];
		value: string;
		onpick: (value: string) => void;
		strong?: boolean;
		disabled?: boolean;
	} = $props();
	const groups = $derived([...new Set(items.flatMap(({ group }) => group ?? []))]);
</script>

<Select
	size="sm"
	class="w-auto"
	classes={{ select: strong ? 'picker picker-strong' : 'picker' }}
	aria-label={label}
	placeholder=""
	items={items.filter(({ group }) => group === undefined)}
	{value}
	{disabled}
	onchange={(event) => onpick((event.currentTarget as HTMLSelectElement).value)}
>
	{#each groups as group (group)}
		<optgroup label={group}>
			{#each items.filter((item) => item.group === group) as item (item.value)}<option value={item.value}>{item.name}</option
				>{/each}
		</optgroup>
	{/each}
</Select>
