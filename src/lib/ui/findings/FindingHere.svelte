<script lang="ts">
	import type { Acceptable } from '$core/check/acceptance';
	import type { Severity } from '$core/check/severity';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import LetStand from './LetStand.svelte';
	import { SIGNS } from './severity';

	/** A finding where what it is about is in hand: its sentence, and when it is open its ways out and a place to let it stand. */
	let {
		severity,
		line,
		title,
		sentence,
		acceptable,
		ways = [],
		isOpen = true,
		isLetting,
		isStanding = false,
		isReady = true,
		showsKeys = false,
		onshow,
		onlet,
		onsettled
	}: {
		severity: Severity;
		/** The line of the text that it is about. */
		line?: number;
		title?: string;
		sentence: string;
		/** Undefined if it cannot be let stand. */
		acceptable: Acceptable | undefined;
		ways?: readonly { readonly label: string; run(): void }[];
		isOpen?: boolean;
		/** Whether a reason is asked. */
		isLetting: boolean;
		/** Whether it was let stand. */
		isStanding?: boolean;
		/** Whether it is about what is stored. */
		isReady?: boolean;
		/** Whether 1 to 9 and A do the same as the buttons. */
		showsKeys?: boolean;
		onshow: () => void;
		onlet: () => void;
		onsettled: () => void;
	} = $props();
	const workspace = useWorkspace();
	const sign = $derived(SIGNS[severity]);
</script>

<div class="finding tone-{sign.tone}" class:current={showsKeys && isOpen}>
	<button type="button" class="sentence" class:has-line={line !== undefined} {title} onclick={onshow}
		><span class="toned" aria-hidden="true">{sign.shape}</span>
		{#if line !== undefined}<span class="num quiet">{line}</span>{/if}
		<span>{sentence}</span></button
	>
	{#if isOpen}
		{#if ways.length > 0 || (acceptable && !isStanding)}
			<span class="fixes" class:has-line={line !== undefined}
				>{#each ways as way, i (i)}<button class="pill" type="button" disabled={workspace.edits.busy} onclick={() => way.run()}
						>{#if showsKeys}<kbd>{i + 1}</kbd>&nbsp;{/if}{way.label}</button
					>{/each}{#if acceptable && !isStanding}<button
						class="pill"
						type="button"
						aria-label="{showsKeys ? 'A ' : ''}Accept …: {sentence}"
						aria-expanded={isLetting}
						onclick={onlet}
						>{#if showsKeys}<kbd>A</kbd>&nbsp;{/if}Accept …</button
					>{/if}</span
			>
		{/if}
		{#if acceptable && (isStanding || isLetting)}
			<div class="stand" class:has-line={line !== undefined}>
				<LetStand
					finding={acceptable}
					{sentence}
					acceptances={workspace.accepted}
					ready={isReady}
					focused={isLetting}
					{onsettled}
				/>
			</div>
		{/if}
	{/if}
</div>

<style>
	.current {
		background: var(--wash);
	}
	.sentence {
		display: grid;
		grid-template-columns: 14px 1fr;
		gap: 6px;
		width: 100%;
		padding: var(--space-1) var(--finding-pad, 0px);
		border: 0;
		background: none;
		color: var(--ink);
		font: inherit;
		font-size: var(--dense);
		text-align: left;
	}
	.sentence.has-line {
		grid-template-columns: 14px 28px 1fr;
	}
	.fixes,
	.stand {
		padding: 0 var(--finding-pad, 0px) var(--space-2);
		font-size: var(--dense);
	}
	.fixes.has-line,
	.stand.has-line {
		padding-left: calc(54px + var(--finding-pad, 0px));
	}
	.fixes {
		display: flex;
		flex-wrap: wrap;
		gap: 6px;
	}
	.fixes .pill {
		height: auto;
		min-height: 26px;
		white-space: normal;
		text-align: left;
	}
	kbd {
		padding: 0 var(--space-1);
		border: 1px solid var(--line-strong);
		border-radius: 3px;
		font-family: var(--font);
		font-size: var(--caption);
	}
</style>
