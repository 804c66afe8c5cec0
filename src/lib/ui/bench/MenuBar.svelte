<script lang="ts">
	import type { CommandId } from '$core/application/command';
	import Control from './Control.svelte';
	import type { Group } from './surfaces';

	/** The stand-in's menus, by mouse and by the keys of a menu bar (WAI-ARIA Authoring Practices, menubar). */
	let { menus, onrun }: { menus: readonly Group[]; onrun: (command: CommandId) => void } = $props();
	/** The menu that is open; two may have one name. */
	let open = $state<number | undefined>(undefined);
	/** The menu whose title Tab comes to. */
	let at = $state(0);
	let bar = $state<HTMLElement | undefined>(undefined);

	const titles = () => [...(bar?.querySelectorAll<HTMLElement>('[data-title]') ?? [])];
	const items = () => [...(bar?.querySelectorAll<HTMLElement>('[role="menu"] [role="menuitem"]') ?? [])];

	async function show(menu: number, item?: 'first' | 'last') {
		const wasOpen = open !== undefined;
		at = (menu + menus.length) % menus.length;
		open = item || wasOpen ? at : undefined;
		await Promise.resolve();
		titles()[at]?.focus();
		if (open !== undefined && item)
			items()
				.at(item === 'first' ? 0 : -1)
				?.focus();
	}

	function close() {
		open = undefined;
		titles()[at]?.focus();
	}

	function onkeydown(event: KeyboardEvent) {
		if (event.ctrlKey || event.altKey || event.metaKey) return;
		const list = items();
		const on = list.indexOf(document.activeElement as HTMLElement);
		const to = (item: number) => list.at(item % list.length)?.focus();
		const isInMenu = on >= 0;
		const does: Record<string, () => unknown> = {
			ArrowRight: () => show(at + 1, isInMenu ? 'first' : undefined),
			ArrowLeft: () => show(at - 1, isInMenu ? 'first' : undefined),
			ArrowDown: () => (isInMenu ? to(on + 1) : show(at, 'first')),
			ArrowUp: () => (isInMenu ? to(on - 1) : show(at, 'last')),
			Home: () => (isInMenu ? to(0) : show(0)),
			End: () => (isInMenu ? to(-1) : show(-1)),
			...(open !== undefined && { Escape: close })
		};
		const run = does[event.key];
		if (!run) return;
		event.preventDefault();
		event.stopPropagation();
		run();
	}
</script>

<svelte:window onpointerdown={(event) => open !== undefined && !bar?.contains(event.target as Node) && (open = undefined)} />

<div class="menus" role="menubar" tabindex="-1" aria-label="Menus" bind:this={bar} {onkeydown}>
	{#each menus as { name, commands }, i (i)}
		<div class="place" role="none">
			<button
				type="button"
				role="menuitem"
				data-title
				tabindex={at === i ? 0 : -1}
				aria-haspopup="true"
				aria-expanded={open === i}
				onclick={() => ((at = i), (open = open === i ? undefined : i))}>{name}</button
			>
			{#if open === i}
				<div class="menu" role="menu" aria-label={name}>
					{#each commands as command, n (n)}
						<Control {command} form="menu" onrun={() => (close(), onrun(command.id))} />
					{/each}
				</div>
			{/if}
		</div>
	{/each}
</div>

<style>
	.menus {
		display: flex;
		flex-wrap: wrap;
		padding: 2px 6px;
		border-bottom: 1px solid var(--line);
	}
	.place {
		position: relative;
	}
	.place > button {
		padding: 2px 6px;
		border: 0;
		background: none;
		color: var(--ink);
		font: inherit;
		font-size: var(--dense);
		font-stretch: 84%;
		border-radius: var(--radius);
	}
	.place > button:hover,
	[aria-expanded='true'] {
		background: var(--line);
	}
	.menu {
		position: absolute;
		z-index: 20;
		top: 100%;
		left: 0;
		width: 300px;
		max-height: 380px;
		overflow-y: auto;
		padding: 4px;
		border: 1px solid var(--control);
		border-radius: 4px;
		background: var(--raised);
		box-shadow: 0 8px 24px rgb(0 0 0 / 0.2);
	}
</style>
