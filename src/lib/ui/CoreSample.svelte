<script lang="ts">
	import { whose } from '$core/people/may';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import { bandClass, thickness } from './stratum-look';
	import { sizeOf } from './wording';

	/** The drill core of the profile: one band a stratum, as thick as its entries; also the switch for what is written to. */
	const workspace = useWorkspace();
	const writable = $derived(workspace.writable);
	/** From so many signs on a name leaves no room for the numbers. */
	const LONG = 10;
	const isMine = $derived(new Set(writable.map(({ id }) => id)));

	function onkeydown(event: KeyboardEvent) {
		const step = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key];
		if (!step) return;
		event.preventDefault();
		const at = writable.findIndex((s) => s.id === workspace.targetId);
		const next = writable[(at + step + writable.length) % writable.length]!;
		workspace.writeTo(next.id);
		(event.currentTarget as HTMLElement).parentElement?.querySelector<HTMLElement>(`[data-stratum="${next.id}"]`)?.focus();
	}
</script>

<div
	class="core"
	class:many={workspace.profile.length > 3 || workspace.profile.some(({ name }) => name.length > LONG)}
	role="radiogroup"
	aria-label="Level that you edit"
>
	{#each workspace.profile as stratum (stratum.id)}
		{@const isTarget = stratum.id === workspace.targetId}
		{#if !isMine.has(stratum.id)}
			<span
				class={bandClass(stratum.kind)}
				style:flex-grow={thickness(sizeOf(stratum))}
				title="{stratum.name}: {stratum.kind === 'factory' ? 'read-only' : `edited by ${whose(stratum)}`}"
			>
				<b>{stratum.name}</b>
				{sizeOf(stratum)}
			</span>
		{:else}
			<button
				type="button"
				role="radio"
				aria-checked={isTarget}
				tabindex={isTarget ? 0 : -1}
				data-stratum={stratum.id}
				class={bandClass(stratum.kind)}
				style:flex-grow={thickness(sizeOf(stratum))}
				title={isTarget ? `Editing: ${stratum.name}` : `Edit ${stratum.name}`}
				onclick={() => workspace.writeTo(stratum.id)}
				{onkeydown}
			>
				<span class="plate"
					><b>{stratum.name}</b>
					{sizeOf(stratum)}{#if isTarget}<span aria-hidden="true">&nbsp;✎</span>{/if}</span
				>
			</button>
		{/if}
	{/each}
</div>

<style>
	.core {
		display: flex;
		height: 28px;
		width: 100%;
		border: 1px solid var(--ink-3);
		border-radius: 14px;
		overflow: hidden;
	}
	.core:focus-within {
		outline: 2px solid var(--azurite);
		outline-offset: 2px;
	}
	.core > * {
		flex: 1 1 0;
		min-width: 2px;
		display: flex;
		align-items: center;
		justify-content: center;
		gap: var(--space-1);
		padding: 0 var(--space-1);
		border: 0;
		border-left: 1px solid var(--ground);
		color: var(--ink);
		font: inherit;
		font-size: var(--caption);
		font-stretch: 80%;
		white-space: nowrap;
		overflow: hidden;
	}
	.core:not(.many) > [aria-checked='true'] {
		min-width: max-content;
	}
	.core > :first-child {
		border-left: 0;
		color: #14181a;
	}
	b {
		font-weight: 650;
	}
	/* of many strata only the one that is written to says how much it holds */
	.many > * {
		flex-shrink: 1;
		font-size: 0;
	}
	.many b {
		min-width: 0;
		font-size: var(--caption);
		overflow: hidden;
		text-overflow: ellipsis;
	}
	.many .plate {
		min-width: 0;
		max-width: 100%;
		overflow: hidden;
	}
	.many [aria-checked='true'] {
		flex: 0 0 auto;
		max-width: 45%;
		font-size: var(--caption);
	}
	.plate {
		display: inline-flex;
		gap: var(--space-1);
		padding: 1px var(--space-2);
		border-radius: 9px;
		background: var(--ground);
		color: var(--ink);
	}
	[aria-checked='true'] .plate {
		background: var(--ink);
		color: var(--ground);
	}
	button:focus-visible {
		outline: 0;
	}
</style>
