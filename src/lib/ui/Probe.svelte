<script lang="ts">
	import type { Keys } from '$core/stroke/stroke';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import { hotkeys } from './hotkeys.svelte';
	import InState from './InState.svelte';
	import ProbeAnswers from './ProbeAnswers.svelte';
	import StatePicker from './StatePicker.svelte';

	/** Answers "what would that do here?" from anywhere and changes nothing. */
	const workspace = useWorkspace();
	let open = $state(false);
	let keys = $state<Keys | undefined>(undefined);
	let field = $state<HTMLElement | undefined>(undefined);
	let opener: HTMLButtonElement;
	let panel = $state<HTMLElement | undefined>(undefined);

	/** Where one was when the probe was opened. */
	let before: HTMLElement | undefined;
	$effect(() => {
		if (open) field?.focus();
	});

	function show() {
		before = document.activeElement instanceof HTMLElement ? document.activeElement : undefined;
		open = true;
	}

	function close() {
		open = false;
		keys = undefined;
		if (before?.isConnected && before !== document.body) before.focus();
		else opener.focus();
	}

	$effect(() =>
		hotkeys.add(() => ({
			title: 'Probe',
			keys: [{ keys: 'Alt Q', does: 'ask what keys do here', run: () => !open && show() }]
		}))
	);
</script>

<svelte:window
	onpointerdown={(e) => open && !panel?.contains(e.target as Node) && !opener.contains(e.target as Node) && (open = false)}
/>

<div class="probe">
	<button
		type="button"
		bind:this={opener}
		class="opener"
		aria-expanded={open}
		aria-haspopup="dialog"
		onclick={() => (open ? close() : show())}
	>
		<span>Ask about a key </span><kbd>Alt Q</kbd>
	</button>
	{#if open}
		<div
			class="panel"
			role="dialog"
			aria-label="Probe"
			tabindex="-1"
			bind:this={panel}
			onkeydown={(e) => e.key === 'Escape' && close()}
		>
			<StatePicker {workspace} />
			<InState><ProbeAnswers bind:keys bind:field onleave={close} /></InState>
		</div>
	{/if}
</div>

<style>
	.probe {
		position: relative;
	}
	.opener {
		display: flex;
		align-items: center;
		justify-content: space-between;
		gap: var(--space-2);
		height: 34px;
		padding: 0 var(--space-2) 0 var(--space-4);
		border: 1px solid var(--azurite);
		border-radius: 17px;
		background: var(--raised);
		color: var(--ink-2);
		font: inherit;
		white-space: nowrap;
	}
	@media (max-width: 1100px) {
		.opener kbd {
			display: none;
		}
		.opener {
			gap: 6px;
			padding-left: var(--space-2);
		}
	}
	.opener kbd {
		padding: 1px var(--space-2);
		border: 1px solid var(--line-strong);
		border-radius: 3px;
		font-family: var(--font);
		font-size: var(--caption);
		font-stretch: 85%;
		font-weight: 600;
	}
	.panel {
		position: absolute;
		z-index: 40;
		top: 42px;
		right: 0;
		width: 460px;
		max-height: calc(100dvh - 120px);
		overflow: auto;
		padding: var(--space-3);
		display: grid;
		gap: var(--space-3);
		border: 1px solid var(--control);
		border-radius: 5px;
		background: var(--ground);
		box-shadow: 0 10px 34px rgb(0 0 0 / 0.22);
	}
</style>
