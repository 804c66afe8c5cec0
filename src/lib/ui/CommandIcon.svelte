<script lang="ts">
	import type { Command } from '$core/application/command';

	/** The command's sign from the shipped sprite; a command without one shows its kind. */
	let { command, size = 18 }: { command: Pick<Command, 'icon' | 'kind'>; size?: number } = $props();
	const fallback = { 'one-shot': 'point', toggle: 'toggle-left', interactive: 'hand-click', dialog: 'app-window' } as const;
	const name = $derived(command.icon || fallback[command.kind]);
</script>

<svg
	width={size}
	height={size}
	aria-hidden="true"
	fill="none"
	stroke="currentColor"
	stroke-width="1.7"
	stroke-linecap="round"
	stroke-linejoin="round"
>
	<use href="/command-icons.svg#{name}" />
</svg>

<style>
	svg {
		flex: none;
		color: var(--ink-2);
	}
</style>
