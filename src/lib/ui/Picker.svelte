<script lang="ts">
	import { Select } from 'flowbite-svelte';

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
		items: readonly { value: string; name: string }[];
		value: string;
		onpick: (value: string) => void;
		strong?: boolean;
		disabled?: boolean;
	} = $props();
</script>

<Select
	size="sm"
	class="w-auto"
	classes={{ select: strong ? 'picker picker-strong' : 'picker' }}
	aria-label={label}
	placeholder=""
	items={[...items]}
	{value}
	{disabled}
	onchange={(event) => onpick((event.currentTarget as HTMLSelectElement).value)}
/>
