<script lang="ts">
	import { explain } from '$core/answer/resolve';
	import type { ShortcutIndex } from '$core/answer/shortcut-index';
	import type { Keys } from '$core/stroke/stroke';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import StratumChip from './StratumChip.svelte';
	import { outcomeMark, outcomeText } from './wording';

	/** Why an input does what it does in a situation: input, candidates, the rule that decided, what was masked. */
	let { keys, situation, index: given }: { keys: Keys; situation: number; index?: ShortcutIndex } = $props();
	const workspace = useWorkspace();
	const index = $derived(given ?? workspace.index);
	const explained = $derived(explain(index, keys, situation));
	const mark = $derived(outcomeMark(explained.outcome));
	const signs = {
		input: '⌨',
		typed: 'T',
		'cut-short': '▲',
		candidate: '●',
		elsewhere: '○',
		absent: '○',
		rule: '§',
		masked: '▲',
		waits: '…',
		result: '→'
	} as const;
</script>

<div class="trace">
	<p class="outcome tone-{mark.tone}">
		<span class="toned" aria-hidden="true">{mark.shape}</span> <strong>{outcomeText(index, explained.outcome)}</strong>
	</p>
	<ol>
		{#each explained.trace as step, i (i)}
			<li class={step.step}>
				<span class="sign" aria-hidden="true">{signs[step.step]}</span>
				<span>
					{#if step.binding && (step.step === 'candidate' || step.step === 'elsewhere' || step.step === 'absent')}<StratumChip
							id={step.binding.stratum}
						/>{/if}
					{step.text}
				</span>
			</li>
		{/each}
	</ol>
</div>

<style>
	ol {
		margin: 6px 0 0;
		padding: 0;
		list-style: none;
		border-left: 1px solid var(--line-strong);
	}
	li {
		display: grid;
		grid-template-columns: 22px 1fr;
		padding: 3px 0 3px 2px;
		font-size: var(--dense);
		color: var(--ink-2);
	}
	.sign {
		color: var(--ink-3);
		text-align: center;
	}
	.elsewhere,
	.absent {
		color: var(--ink-3);
	}
	.result {
		color: var(--ink);
		font-weight: 600;
	}
</style>
