<script lang="ts">
	import { useWorkspace } from '$lib/state/workspace.svelte';

	/** What just happened, for some seconds; a failure stays until it is closed. */
	const workspace = useWorkspace();
	const notice = $derived(workspace.notice);

	$effect(() => {
		if (notice?.kind !== 'done') return;
		const timer = setTimeout(() => (workspace.notice = undefined), 4000);
		return () => clearTimeout(timer);
	});

	let element = $state<HTMLDivElement | undefined>(undefined);
	let isInDialog = $state(false);
	/** Everything outside a dialog is inert and beneath it, so that what is said while one is open is said within. */
	$effect(() => {
		const home = element?.parentElement;
		if (!notice || !element || !home) return;
		const dialog = [...document.querySelectorAll('dialog[open]')].at(-1);
		const goHome = () => {
			home.append(element!);
			isInDialog = false;
		};
		if (!dialog) return;
		dialog.append(element);
		isInDialog = true;
		dialog.addEventListener('close', goHome);
		return () => {
			dialog.removeEventListener('close', goHome);
			goHome();
		};
	});
</script>

<div class="notices" class:in-dialog={isInDialog} bind:this={element} role="status" aria-live="polite">
	{#if notice}
		<p class="notice {notice.kind === 'done' ? 'tone-epidote' : 'tone-garnet'}">
			<span class="toned" aria-hidden="true">{notice.kind === 'done' ? '✓' : '◆'}</span>
			{notice.text}
			<button type="button" aria-label="Close" onclick={() => (workspace.notice = undefined)}>×</button>
		</p>
	{/if}
</div>

<style>
	.notices {
		position: fixed;
		z-index: 60;
		bottom: 44px;
		left: 50%;
		translate: -50% 0;
		max-width: 640px;
		pointer-events: none;
	}
	.notices.in-dialog {
		top: 8px;
		bottom: auto;
	}
	.notice {
		pointer-events: auto;
		padding: var(--space-2) var(--space-2) var(--space-2) var(--space-3);
		border: 1px solid var(--tone);
		border-radius: 4px;
		background: var(--raised);
		box-shadow: 0 4px 16px rgb(0 0 0 / 0.18);
	}
	button {
		margin-left: var(--space-2);
		width: 24px;
		height: 24px;
		border: 0;
		background: none;
		color: var(--ink-3);
		font-size: var(--heading);
		line-height: 1;
	}
</style>
