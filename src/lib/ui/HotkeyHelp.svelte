<script lang="ts">
	import { ABOUT } from './about';
	import { Button, Kbd, Modal, Toggle } from 'flowbite-svelte';
	import { hotkeys } from './hotkeys.svelte';
	import type { View } from './views';

	/** What the view is for, and what can be pressed here. */
	let { view, onclose }: { view: View | undefined; onclose: () => void } = $props();
	let open = $state(true);
	const sets = hotkeys.sets.filter((set) => set.keys.length > 0);
</script>

<Modal
	bind:open
	title="What can be pressed here"
	aria-label="What can be pressed here"
	size="md"
	{onclose}
	classes={{ body: 'p-4 md:p-4 space-y-3', header: 'p-4 md:p-4' }}
>
	{#if view}
		<section aria-label="What it is for">
			<h3>{view.name}</h3>
			<p>{ABOUT[view.path]}</p>
		</section>
	{/if}
	{#each sets as { title, keys } (title)}
		<section aria-label={title}>
			<h3>{title}</h3>
			<dl>
				{#each keys.filter((key) => key.shown !== '') as { keys: key, shown, does } (key)}
					<dt>
						{#each (shown ?? key).split(' ') as part, i (i)}{#if part === 'to'}<span class="quiet">to</span>{:else}<Kbd
									class="px-1.5 py-0.5">{part}</Kbd
								>{/if}{/each}
					</dt>
					<dd>{does}</dd>
				{/each}
			</dl>
		</section>
	{/each}
	<Toggle
		size="small"
		checked={hotkeys.letters}
		onchange={(event: Event) => hotkeys.allowLetters((event.currentTarget as HTMLInputElement).checked)}
		>Letters and signs without Ctrl or Alt count</Toggle
	>
	{#snippet footer()}
		<Button class="ml-auto" onclick={() => (open = false)}>Done</Button>
	{/snippet}
</Modal>

<style>
	h3 {
		margin-bottom: 4px;
		font-size: 14px;
	}
	dl {
		display: grid;
		grid-template-columns: 150px 1fr;
		gap: 5px 12px;
		margin: 0 0 6px;
		font-size: 13.5px;
		color: var(--ink);
	}
	dt {
		display: flex;
		gap: 4px;
		align-items: center;
	}
	dd {
		margin: 0;
	}
</style>
