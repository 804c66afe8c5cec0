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
			keys: [{ keys: 'Alt Q', does: 'ask what keys would do here', run: () => !open && show() }]
		}))
	);
</script>

<svelte:window
	onpointerdown={(e) => open && !panel?.contains(e.target as Node) && !opener.contains(e.target as Node) && (open = false)}
/>

<div class="probe" data-walk="probe">
	<button
		type="button"
		bind:this={opener}
		class="opener"
		aria-expanded={open}
		aria-haspopup="dialog"
		onclick={() => (open ? close() : show())}
	>
		<span>What would it do?</span><kbd>Alt Q</kbd>
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
		gap: 12px;
		width: 232px;
		height: 34px;
		padding: 0 8px 0 16px;
		border: 1px solid var(--azurite);
		border-radius: 17px;
		background: var(--raised);
		color: var(--ink-2);
		font: inherit;
	}
	@media (max-width: 1100px) {
		.opener {
			width: 176px;
			gap: 6px;
			padding-left: 10px;
		}
	}
	.opener kbd {
		padding: 1px 7px;
		border: 1px solid var(--line-strong);
		border-radius: 3px;
		font-family: var(--font);
		font-size: 12px;
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
		padding: 14px;
		display: grid;
		gap: 14px;
		border: 1px solid var(--control);
		border-radius: 5px;
		background: var(--ground);
		box-shadow: 0 10px 34px rgb(0 0 0 / 0.22);
	}
</style>
