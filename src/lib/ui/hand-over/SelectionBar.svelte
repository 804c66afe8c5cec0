<script lang="ts">
	import { Checkbox } from 'flowbite-svelte';
	import { BARS } from '$core/chapters/bars/bar';
	import { MACHINE, SECTIONS, type Holdings, type Selection } from '$core/hand-over/selection';
	import { ALL_CHAPTERS } from '$core/profile/chapters';
	import { listed } from '$core/text/listed';
	import ScopePicker from '../ScopePicker.svelte';

	/** Which parts of a profile, which contexts and which commands are handed over. */
	let {
		selection,
		holds,
		categories,
		bars,
		onchange
	}: {
		selection: Selection;
		/** How many of each part there are; a part without any is not offered. */
		holds: Holdings;
		categories: readonly string[];
		bars: readonly { readonly id: string; readonly name: string }[];
		onchange: (selection: Selection) => void;
	} = $props();

	const capital = (text: string) => text[0]!.toUpperCase() + text.slice(1);
	const names: Readonly<Record<string, string>> = {
		...Object.fromEntries(ALL_CHAPTERS.map(({ id, words }) => [id, capital(words.many)])),
		[MACHINE]: 'Machine-specific settings'
	};

	const tick = (section: string, isIn: boolean) =>
		onchange({
			...selection,
			sections: SECTIONS.filter((s) => (s === section ? isIn : selection.sections.includes(s)))
		});

	/** None ticked means all. */
	const tickBar = (bar: string, isIn: boolean) =>
		onchange({ ...selection, bars: bars.map(({ id }) => id).filter((id) => (id === bar ? isIn : chosenBars.includes(id))) });
	const chosenBars = $derived(selection.bars ?? []);

	/** None ticked means all. */
	const tickCategory = (category: string, isIn: boolean) =>
		onchange({
			...selection,
			categories: categories.filter((c) => (c === category ? isIn : selection.categories.includes(c)))
		});
</script>

<div class="selection">
	<div class="parts" role="group" aria-label="Parts">
		{#each SECTIONS.filter((s) => (holds[s] ?? 0) > 0) as section (section)}
			<Checkbox
				checked={selection.sections.includes(section)}
				onchange={(event: Event) => tick(section, (event.currentTarget as HTMLInputElement).checked)}
				><span title={section === 'machine' ? 'Search folders, and macros that start programs' : undefined}
					>{names[section]} <span class="quiet num">{holds[section]}</span></span
				></Checkbox
			>
		{/each}
	</div>
	<div class="limits">
		<ScopePicker scope={selection.contexts} onchange={(contexts) => onchange({ ...selection, contexts })} />
		<details class="categories">
			<summary>
				Commands of {selection.categories.length === 0
					? 'all categories'
					: selection.categories.length <= 3
						? listed(selection.categories)
						: `${selection.categories.length} categories`}
			</summary>
			<div role="group" aria-label="Commands of">
				{#each categories as category (category)}
					<Checkbox
						checked={selection.categories.includes(category)}
						onchange={(event: Event) => tickCategory(category, (event.currentTarget as HTMLInputElement).checked)}
						>{category}</Checkbox
					>
				{/each}
				{#if selection.categories.length > 0}<button
						class="linkish"
						type="button"
						onclick={() => onchange({ ...selection, categories: [] })}>All categories</button
					>{/if}
			</div>
		</details>
		{#if bars.length > 1 && selection.sections.includes(BARS)}
			<details class="categories">
				<summary>
					{chosenBars.length === 0 ? 'All toolbars' : `${chosenBars.length} of ${bars.length} toolbars`}
				</summary>
				<div role="group" aria-label="Toolbars">
					{#each bars as { id, name } (id)}
						<Checkbox
							checked={chosenBars.includes(id)}
							onchange={(event: Event) => tickBar(id, (event.currentTarget as HTMLInputElement).checked)}>{name}</Checkbox
						>
					{/each}
					{#if chosenBars.length > 0}<button class="linkish" type="button" onclick={() => onchange({ ...selection, bars: [] })}
							>All toolbars</button
						>{/if}
				</div>
			</details>
		{/if}
	</div>
</div>

<style>
	.selection {
		display: grid;
		gap: var(--space-2);
		font-size: var(--dense);
	}
	.parts,
	.limits {
		display: flex;
		flex-wrap: wrap;
		gap: 6px var(--space-4);
		align-items: center;
	}
	.limits {
		gap: 6px;
	}
	.categories > div {
		display: grid;
		gap: var(--space-1);
		max-height: 180px;
		padding: 6px 0 2px;
		overflow-y: auto;
	}
</style>
