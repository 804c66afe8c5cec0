<script lang="ts">
	import { answerTo } from '$core/chapters/aliases/prompt';
	import { aliasTable } from '$core/chapters/aliases/table';
	import type { ShortcutIndex } from '$core/answer/shortcut-index';
	import type { Profile } from '$core/strata/stratum';

	/** What the command line does with the name, with the reasoning. */
	let { text, index, profile }: { text: string; index: ShortcutIndex; profile: Profile } = $props();
	const input = $derived(index.rules.aliases);
	const prompted = $derived(input && answerTo(aliasTable(profile, input), index.catalogue, text));
</script>

<p class="line mono"><span aria-hidden="true">&gt;</span> {text}</p>
{#if prompted}
	<ol>
		{#each prompted.trace as step, i (i)}<li>{step}</li>{/each}
	</ol>
{/if}

<style>
	.line {
		padding: var(--space-2) var(--space-3);
		border: 1px solid var(--control);
		border-radius: 4px;
		background: var(--raised);
	}
	ol {
		margin: var(--space-2) 0 0;
		padding-left: var(--space-5);
		font-size: var(--dense);
	}
</style>
