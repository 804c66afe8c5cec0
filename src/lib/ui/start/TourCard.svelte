<script lang="ts">
	import { Button } from 'flowbite-svelte';
	import { tick } from 'svelte';
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import type { TourRun } from '$lib/state/tour.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import { START } from '../views';

	/** The step of the tour, beside its control, which is framed. The page stays usable: the step is done with the real control. */
	let { run, onclose }: { run: TourRun; onclose: () => void } = $props();
	const workspace = useWorkspace();
	/** How often the tour looks whether its step is done, in ms. */
	const LOOKS_EVERY = 200;
	const GAP = 6;

	let card = $state<HTMLElement | undefined>(undefined);
	/** The frame around the control, in px of the window. */
	let frame = $state.raw<{ x: number; y: number; width: number; height: number } | undefined>(undefined);
	let isLeft = $state(false);
	const step = $derived(run.step);
	const view = $derived(page.url.pathname.split('/')[2] ?? '');
	const isElsewhere = $derived(step !== undefined && step.view !== view);
	const target = () => (step && !isElsewhere ? document.querySelector<HTMLElement>(step.target) : null);

	function look() {
		const shows = (selector: string, text = '') =>
			[...document.querySelectorAll(selector)].some((one) => one.textContent?.includes(text));
		if (step?.done?.({ view, edits: run.edits, shows })) run.at++;
		const box = target()?.getBoundingClientRect();
		frame = box && { x: box.x - GAP, y: box.y - GAP, width: box.width + 2 * GAP, height: box.height + 2 * GAP };
		// the card goes to the other side when it would cover the control
		const own = card?.getBoundingClientRect();
		if (!box || !own) return;
		const share = box.width / innerWidth;
		if (share < 0.6) isLeft = box.x + box.width / 2 > innerWidth / 2;
	}

	$effect(() => {
		look();
		const timer = setInterval(look, LOOKS_EVERY);
		return () => clearInterval(timer);
	});

	/** Opens the view of the step and goes to its control. */
	async function show() {
		if (isElsewhere) await goto(`/${workspace.document.application.id}/${step!.view}`);
		await tick();
		const found = target();
		found?.scrollIntoView({ block: 'nearest' });
		const control = found?.matches('input, button, a, [tabindex]')
			? found
			: found?.querySelector<HTMLElement>('input, button, a, [tabindex="0"]');
		control?.focus();
	}

	async function end() {
		const ended = run;
		onclose();
		await ended.restore();
		await goto(`/${workspace.document.application.id}/${START.path}`);
	}
</script>

{#if frame}
	<div
		class="frame"
		aria-hidden="true"
		style="left: {frame.x}px; top: {frame.y}px; width: {frame.width}px; height: {frame.height}px"
	></div>
{/if}
<div
	class="card"
	class:left={isLeft}
	bind:this={card}
	role="dialog"
	aria-label="Tour: {run.tour.name}"
	tabindex="-1"
	onkeydown={(event) => event.key === 'Escape' && (event.stopPropagation(), void end())}
>
	<div role="status">
		{#if step}
			<p class="quiet">{run.tour.name}, step {run.at + 1} of {run.tour.steps.length}</p>
			<h2>{step.title}</h2>
			<p>{step.text}</p>
		{:else}
			<p class="quiet">{run.tour.name}</p>
			<h2>Done</h2>
			<p>The tour is undone: changes, level and situation are as before.</p>
		{/if}
	</div>
	<div class="acts">
		<Button size="xs" color="alternative" onclick={() => void end()}>{step ? 'End the tour' : 'Close the tour'}</Button>
		<span class="space"></span>
		{#if step}
			<Button size="xs" color="alternative" onclick={() => run.at++}>{step.done ? 'Skip' : 'Next'}</Button>
			<Button size="xs" onclick={() => void show()}>{isElsewhere ? 'Open the view' : 'Go to the control'}</Button>
		{/if}
	</div>
</div>

<style>
	.frame {
		position: fixed;
		z-index: 45;
		border: 2px solid var(--azurite);
		border-radius: 5px;
		pointer-events: none;
	}
	.card {
		position: fixed;
		z-index: 46;
		right: 16px;
		bottom: 48px;
		display: grid;
		gap: var(--space-3);
		width: 340px;
		max-width: calc(100vw - 32px);
		padding: var(--space-4);
		border: 1px solid var(--azurite);
		border-radius: 5px;
		background: var(--raised);
		box-shadow: 0 6px 24px rgb(0 0 0 / 0.25);
	}
	.card.left {
		right: auto;
		left: 152px;
	}
	[role='status'] {
		display: grid;
		gap: 6px;
	}
	[role='status'] .quiet {
		font-size: var(--caption);
	}
	.acts {
		display: flex;
		gap: var(--space-2);
	}
	.space {
		flex: 1;
	}
	@media (max-width: 760px) {
		.card.left {
			left: 16px;
		}
	}
	@media print {
		.frame,
		.card {
			display: none;
		}
	}
</style>
