<script lang="ts">
	import { Select } from 'flowbite-svelte';
	import { tick } from 'svelte';

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
		disabled = false,
		deliberate = false
	}: {
		label: string;
		items: readonly Item[];
		value: string;
		onpick: (value: string) => void;
		strong?: boolean;
		disabled?: boolean;
		/** What is passed by arrow keys is chosen only at Enter: for choices that go far, as to another program. */
		deliberate?: boolean;
	} = $props();
	/** What a closed list takes for a choice at once, though it may only be passed on the way to another. */
	const PASSES = /^(Arrow|Home$|End$|Page|.$)/;
	let isPassing = false;

	function onkeydown(event: KeyboardEvent & { currentTarget: HTMLSelectElement }) {
		if (!deliberate) return;
		const { key, currentTarget: list } = event;
		if (key === 'Enter' && list.value !== value) {
			event.preventDefault();
			take(list);
		} else if (key === 'Escape' && list.value !== value) {
			event.stopPropagation();
			list.value = value;
		}
		isPassing = PASSES.test(key) && key !== ' ' && !event.altKey;
	}

	function take(list: HTMLSelectElement) {
		isPassing = false;
		onpick(list.value);
		// what did not become the choice is not shown as if it had, and can be chosen again
		void tick().then(() => (list.value = value));
	}

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
	{onkeydown}
	onpointerdown={() => (isPassing = false)}
	onblur={(event) => deliberate && ((event.currentTarget as HTMLSelectElement).value = value)}
	onchange={(event) => !isPassing && take(event.currentTarget as HTMLSelectElement)}
>
	{#each groups as group (group)}
		<optgroup label={group}>
			{#each items.filter((item) => item.group === group) as item (item.value)}<option value={item.value}>{item.name}</option
				>{/each}
		</optgroup>
	{/each}
</Select>
