<script lang="ts">
	import type { CommandId } from '$core/application/command';
	import Control from './Control.svelte';
	import type { Group } from './surfaces';

	/** The stand-in's ribbon; what does not fit falls off group by group. */
	let { groups, onrun }: { groups: readonly Group[]; onrun: (command: CommandId) => void } = $props();
</script>

<div class="ribbon" role="group" aria-label="Ribbon">
	{#each groups as { name, commands } (name)}
		<div class="group">
			<div class="controls">
				{#each commands as command (command.id)}<Control {command} form="ribbon" onrun={() => onrun(command.id)} />{/each}
			</div>
			<span class="name">{name}</span>
		</div>
	{/each}
</div>

<style>
	.ribbon {
		display: flex;
		flex-wrap: wrap;
		gap: 2px;
		height: 89px;
		padding: 3px 6px;
		border-bottom: 1px solid var(--line-strong);
		background: var(--panel);
		overflow: hidden;
	}
	.group {
		display: grid;
		grid-template-rows: 1fr auto;
		height: 82px;
		padding: 0 6px;
		border-right: 1px solid var(--line-strong);
	}
	.controls {
		display: flex;
	}
	.name {
		font-size: var(--caption);
		color: var(--ink-3);
		text-align: center;
	}
</style>
