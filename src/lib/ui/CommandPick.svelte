<script lang="ts">
	import { Input } from 'flowbite-svelte';
	import { pathText, type Command } from '$core/application/command';
	import { useWorkspace } from '$lib/state/workspace.svelte';

	/**
	 * A search for a command that gives the one that was chosen: a combobox with a list, as the ARIA Authoring Practices describe it.
	 * Several may stand on one page.
	 */
	let {
		label,
		onpick,
		carried
	}: {
		label: string;
		onpick: (command: Command) => void;
		/** Under which name a command can be carried away by mouse; undefined where it cannot. */
		carried?: string;
	} = $props();
	const workspace = useWorkspace();
	const list = $props.id();
	const optionId = (i: number) => `${list}-${i}`;
	let text = $state('');
	let at = $state(0);
	let isAway = $state(false);
	/** A command of the list is held by the mouse: the list stays until it is let go. */
	let isHeld = $state(false);
	const found = $derived(text.trim() === '' || isAway ? [] : workspace.search.find(text, workspace.index).slice(0, 7));

	function pick(command: Command | undefined) {
		if (!command) return;
		text = '';
		onpick(command);
	}

	function onkeydown(event: KeyboardEvent) {
		if (event.key === 'ArrowDown') at = Math.min(at + 1, found.length - 1);
		else if (event.key === 'ArrowUp') at = Math.max(at - 1, 0);
		else if (event.key === 'Enter') pick(found[at]?.command);
		else if (event.key === 'Escape' && text !== '') text = '';
		else return;
		event.preventDefault();
		event.stopPropagation();
	}
</script>

<div class="pick">
	<Input
		size="sm"
		bind:value={text}
		placeholder={label}
		aria-label={label}
		role="combobox"
		aria-expanded={found.length > 0}
		aria-controls={list}
		aria-autocomplete="list"
		aria-activedescendant={found.length > 0 ? optionId(at) : undefined}
		oninput={() => (at = 0)}
		onfocus={() => (isAway = false)}
		onblur={() => (isAway = !isHeld)}
		{onkeydown}
	/>
	{#if found.length > 0}
		<ul role="listbox" id={list} aria-label="Commands">
			{#each found as { command }, i (command.id)}
				<!-- svelte-ignore a11y_click_events_have_key_events -->
				<li
					role="option"
					id={optionId(i)}
					aria-selected={i === at}
					draggable={carried !== undefined}
					onpointerdown={(event) => (carried === undefined ? event.preventDefault() : (isHeld = true))}
					onpointerup={() => (isHeld = false)}
					ondragstart={(event) => carried !== undefined && event.dataTransfer?.setData(carried, command.id)}
					ondragend={() => ((isHeld = false), (isAway = true))}
					onclick={() => pick(command)}
				>
					{command.label} <small class="quiet">{pathText(command)}</small>
				</li>
			{/each}
		</ul>
	{/if}
</div>

<style>
	.pick {
		position: relative;
	}
	ul {
		position: absolute;
		z-index: 10;
		top: 100%;
		left: 0;
		right: 0;
		margin: 2px 0 0;
		padding: 3px;
		list-style: none;
		border: 1px solid var(--control);
		border-radius: 4px;
		background: var(--raised);
		box-shadow: 0 8px 24px rgb(0 0 0 / 0.2);
	}
	li {
		padding: var(--space-1) var(--space-2);
		border-radius: 2px;
		font-size: var(--body);
		cursor: pointer;
	}
	[aria-selected='true'] {
		background: var(--azurite-wash);
	}
</style>
