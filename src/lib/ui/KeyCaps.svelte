<script lang="ts">
	import { legendsOf, spokenKeys, strokesOf, type Keys } from '$core/stroke/stroke';

	/** An input as key caps; the strokes of a sequence are set apart by "then". */
	let { keys, tone }: { keys: Keys; tone?: 'garnet' | 'limonite' | undefined } = $props();
	const strokes = $derived(strokesOf(keys).map(legendsOf));
</script>

<span class="keys {tone ? `tone-${tone}` : ''}">
	<span class="visually-hidden">{spokenKeys(keys)}</span>
	<span aria-hidden="true" class="drawn">
		{#each strokes as legends, i (i)}
			{#if i > 0}<span class="then">then</span>{/if}
			<kbd class:toned-cap={tone}>{legends.join(' ')}</kbd>
		{/each}
	</span>
</span>

<style>
	.keys,
	.drawn {
		display: inline-flex;
		align-items: center;
		gap: var(--space-1);
		white-space: nowrap;
	}
	kbd {
		display: inline-block;
		min-width: 21px;
		padding: 1px var(--space-2) 2px;
		border: 1px solid var(--line-strong);
		border-bottom-width: 2px;
		border-radius: 3px;
		background: var(--raised);
		color: var(--ink);
		font-family: var(--font);
		font-stretch: 85%;
		font-weight: 600;
		font-size: var(--caption);
		line-height: 17px;
		text-align: center;
	}
	.toned-cap {
		border-color: var(--tone);
		color: var(--tone);
	}
	.then {
		font-size: var(--caption);
		color: var(--ink-3);
	}
</style>
