<script lang="ts">
	import { MACROS } from '$core/chapters/macros/macro';
	import type { CommandId } from '$core/application/command';
	import { SEVERITIES } from '$core/check/severity';
	import { commandOfMacro, type PlacedMacro } from '$core/chapters/macros/table';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import { SIGNS } from '../findings/severity';
	import KeyCaps from '../KeyCaps.svelte';
	import StratumChip from '../StratumChip.svelte';
	import MacroIcon from './MacroIcon.svelte';

	/** The macros in force, with where they come from, how they are reached and what is wrong. */
	let {
		macros,
		chosen,
		onchoose
	}: { macros: readonly PlacedMacro[]; chosen: CommandId | undefined; onchoose: (id: CommandId) => void } = $props();
	const workspace = useWorkspace();
	let list = $state<HTMLElement | undefined>(undefined);

	/** The chosen macro's row. */
	export function focusChosen() {
		list?.querySelector<HTMLElement>('[aria-selected="true"]')?.focus();
	}

	const worst = (id: CommandId) =>
		SEVERITIES.find((s) => workspace.findings.of(MACROS).open.some((f) => f.command === id && f.severity === s));

	function onkeydown(event: KeyboardEvent) {
		const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
		if (!step) return;
		event.preventDefault();
		const at = macros.findIndex(({ macro }) => macro.id === chosen);
		const next = macros[Math.max(0, Math.min(macros.length - 1, at + step))];
		if (!next) return;
		onchoose(next.macro.id);
		list?.querySelector<HTMLElement>(`[data-id="${CSS.escape(next.macro.id)}"]`)?.focus();
	}
</script>

<ul bind:this={list} role="listbox" aria-label="Macros">
	{#each macros as { macro, stratum } (macro.id)}
		{@const severity = worst(macro.id)}
		{@const [route] = workspace.index.of(macro.id)}
		<li role="none">
			<button
				type="button"
				role="option"
				data-id={macro.id}
				aria-selected={macro.id === chosen}
				tabindex={macro.id === chosen || (chosen === undefined && macro === macros[0]?.macro) ? 0 : -1}
				onclick={() => onchoose(macro.id)}
				{onkeydown}
			>
				<MacroIcon icon={macro.icon} kind={commandOfMacro(macro).kind} />
				<StratumChip id={stratum.id} />
				<span class="label">{macro.label}</span>
				{#if severity}<span class="tone-{SIGNS[severity].tone} toned"
						>{SIGNS[severity].shape}<span class="visually-hidden">{SIGNS[severity].name}</span></span
					>{/if}
				{#if route}<KeyCaps keys={route.keys} />{/if}
			</button>
		</li>
	{/each}
</ul>

<style>
	ul {
		margin: 0;
		padding: 0;
		list-style: none;
		overflow-y: auto;
	}
	button {
		display: flex;
		gap: var(--space-2);
		align-items: center;
		width: 100%;
		min-height: 34px;
		padding: 3px var(--space-3);
		border: 0;
		border-top: 1px solid var(--line);
		border-left: 3px solid transparent;
		background: none;
		color: var(--ink);
		font: inherit;
		font-size: var(--body);
		text-align: left;
	}
	button:hover {
		background: var(--panel);
	}
	[aria-selected='true'] {
		border-left-color: var(--azurite);
		background: var(--azurite-wash);
	}
	.label {
		flex: 1;
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
</style>
