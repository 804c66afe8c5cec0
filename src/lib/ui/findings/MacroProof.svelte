<script lang="ts">
	import type { CommandId } from '$core/application/command';
	import { macroGround } from '$core/chapters/macros/check';
	import { IDLE, play } from '$core/chapters/macros/machine';
	import type { ShortcutIndex } from '$core/answer/shortcut-index';
	import type { Profile } from '$core/strata/stratum';

	/** What the macro does, step by step, up to its end; picks are taken as made. */
	let { macro, step, index, profile }: { macro: CommandId; step: number | undefined; index: ShortcutIndex; profile: Profile } =
		$props();
	const SHOWN = 40;
	const events = $derived([...play(macro, macroGround(index, profile), IDLE)].slice(0, SHOWN));
</script>

<ol>
	{#each events as event, i (i)}
		<li class:current={event.path.length === 1 && event.step === step}>
			{#if event.fault}<span class="tone-limonite toned" aria-hidden="true">▲ </span>{/if}{event.said}
		</li>
	{:else}
		<li class="quiet">It does nothing.</li>
	{/each}
</ol>

<style>
	ol {
		margin: 0;
		padding-left: var(--space-6);
		font-size: var(--dense);
	}
	li {
		padding: 3px 6px;
	}
	.current {
		background: var(--azurite-wash);
		box-shadow: inset 3px 0 0 var(--azurite);
	}
</style>
