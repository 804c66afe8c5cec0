<script lang="ts">
	import { ABOUT } from './about';
	import { controlHelp } from './control-help';
	import { Button, Kbd, Modal, Toggle } from 'flowbite-svelte';
	import { GLOSSARY } from './glossary';
	import { hotkeys } from './hotkeys.svelte';
	import type { View } from './views';

	/** The control that had the focus, what the view is for, and the keys. */
	let { view, control, onclose }: { view: View | undefined; control: Element | null; onclose: () => void } = $props();
	// svelte-ignore state_referenced_locally
	const about = controlHelp(control);
	let open = $state(true);
	const sets = hotkeys.sets.filter((set) => set.keys.length > 0);
</script>

<Modal
	bind:open
	title="Keyboard shortcuts"
	aria-label="Keyboard shortcuts"
	size="md"
	{onclose}
	classes={{ body: 'p-4 md:p-4 space-y-3', header: 'p-4 md:p-4' }}
>
	{#if about}
		<section aria-label="This control">
			<h3>{about.name}</h3>
			<p>
				{about.does}{#if about.key}&#32;Key: <Kbd class="px-1.5 py-0.5">{about.key}</Kbd>{/if}
			</p>
		</section>
	{/if}
	{#if view}
		<section aria-label="About this view">
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
	<details>
		<summary>Glossary: {GLOSSARY.length} words</summary>
		<dl>
			{#each GLOSSARY as { word, meaning, also } (word)}
				<dt><b>{word}</b></dt>
				<dd>{meaning} <span class="quiet">Also: {also}.</span></dd>
			{/each}
		</dl>
	</details>
	<Toggle
		size="small"
		checked={hotkeys.letters}
		onchange={(event: Event) => hotkeys.allowLetters((event.currentTarget as HTMLInputElement).checked)}
		>Single-key shortcuts</Toggle
	>
	{#snippet footer()}
		<Button class="ml-auto" onclick={() => (open = false)}>Done</Button>
	{/snippet}
</Modal>

<style>
	h3 {
		margin-bottom: var(--space-1);
		font-size: var(--body);
	}
	dl {
		display: grid;
		grid-template-columns: 150px 1fr;
		gap: var(--space-1) var(--space-3);
		margin: 0 0 6px;
		font-size: var(--body);
		color: var(--ink);
	}
	dt {
		display: flex;
		gap: var(--space-1);
		align-items: center;
	}
	dd {
		margin: 0;
	}
</style>
