<script lang="ts">
	import { counted } from '$core/text/counted';
	import { POINTER_DEVICES } from '$core/keyboard/desk';
	import type { NavigationDesk, Part } from '$lib/state/navigation-desk.svelte';

	/** The pointing device in use, drawn from above; each of its buttons can be looked at. */
	let { desk }: { desk: NavigationDesk } = $props();
	/** Outlines in a box of 150 by 210. */
	const SHAPES: Readonly<Record<Part, string>> = {
		Left: 'M62 10H40Q12 12 12 52V92H62Z',
		Right: 'M88 10H110Q138 12 138 52V92H88Z',
		Middle: 'M66 10H84V28H66ZM66 72H84V92H66Z',
		Wheel: 'M68 30H82V70H68Z',
		Back: 'M4 112H12V136H4Z',
		Forward: 'M4 84H12V108H4Z'
	};
	const PEN: Partial<Record<Part, string>> = { Left: 'M70 176 75 200 80 176Z', Right: 'M68 96H82V136H68Z' };
	const isPen = $derived(desk.pointer === 'pen');
	const has = (part: Part) => desk.parts.includes(part);
</script>

<svg viewBox="0 0 150 210" role="group" aria-label="The {POINTER_DEVICES[desk.pointer].name}, from above">
	{#if isPen}<path class="body" d="M66 10H84V176L75 202 66 176Z" />
	{:else}<path class="body" d="M40 10H110Q138 12 138 52V150Q138 202 75 202 12 202 12 150V52Q12 12 40 10Z" />{/if}
	{#each desk.parts as part (part)}
		{@const outline = isPen ? PEN[part] : part === 'Middle' && !has('Wheel') ? 'M66 10H84V92H66Z' : SHAPES[part]}
		{#if outline}
			<path
				class="part"
				class:on={desk.part === part}
				d={outline}
				role="button"
				tabindex="0"
				aria-pressed={desk.part === part}
				aria-label="{part}: {counted(desk.countOf(part), 'shortcut')}"
				onclick={() => (desk.part = part)}
				onkeydown={(event) => {
					if (event.key !== 'Enter' && event.key !== ' ') return;
					event.preventDefault();
					desk.part = part;
				}}
			/>
		{/if}
	{/each}
</svg>

<style>
	svg {
		width: 150px;
		flex: none;
	}
	.body {
		fill: var(--panel);
		stroke: var(--control);
		stroke-width: 1.5;
	}
	.part {
		fill: var(--raised);
		stroke: var(--line-strong);
		stroke-width: 1.2;
		cursor: default;
	}
	.part:hover {
		fill: var(--azurite-wash);
	}
	.part:focus-visible {
		outline: none;
		stroke: var(--azurite);
		stroke-width: 3;
	}
	.on {
		fill: var(--azurite);
	}
</style>
