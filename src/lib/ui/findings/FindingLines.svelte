<script lang="ts">
	import type { FindingLine, FindingsList } from '$lib/state/findings-list.svelte';
	import KeyCaps from '../KeyCaps.svelte';
	import VirtualRows from '../VirtualRows.svelte';
	import { SIGNS } from './severity';

	/** The findings by their groups. The name of the command always shows whole as far as there is room; the rule's words give way. */
	let { list, onchoose }: { list: FindingsList; onchoose: (id: string, line: number) => void } = $props();
	let rows = $state<VirtualRows<FindingLine> | undefined>(undefined);

	export function reveal(line: number) {
		rows?.reveal(line);
	}

	export function focus() {
		document.querySelector<HTMLElement>('[role="listbox"][aria-label="Findings"]')?.focus();
	}
</script>

<VirtualRows
	bind:this={rows}
	rows={list.lines}
	role="listbox"
	aria-label="Findings"
	tabindex={0}
	active={list.current?.i ?? -1}
	idOf={(i) => `finding-${i}`}
>
	{#snippet row(line, i, top)}
		{#if 'group' in line}
			<div class="line group" role="presentation" style:transform="translateY({top}px)">
				{#if line.group.keys}<KeyCaps keys={line.group.keys} />{:else}<strong>{line.group.title}</strong>{/if}
				<span class="quiet">{line.group.findings.length}</span>
			</div>
		{:else}
			{@const { finding, alone } = line}
			{@const sign = SIGNS[finding.severity]}
			{@const title = list.titleIn(finding, alone)}
			<!-- svelte-ignore a11y_click_events_have_key_events -->
			<div
				class="line finding tone-{sign.tone}"
				class:alone
				role="option"
				tabindex="-1"
				id="finding-{i}"
				aria-selected={finding.id === list.current?.id}
				style:transform="translateY({top}px)"
				title="{finding.title}: {list.labelIn(finding)}"
				onclick={() => onchoose(finding.id, i)}
			>
				<span class="toned" aria-hidden="true">{sign.shape}</span>
				{#if finding.witness.kind === 'keys' && (list.grouping !== 'key' || alone)}<KeyCaps keys={finding.witness.keys} />{/if}
				<span class="label">{list.labelIn(finding)}</span>
				{#if title}<span class="title">{title}</span>{/if}
			</div>
		{/if}
	{/snippet}
</VirtualRows>

<style>
	.line {
		position: absolute;
		top: 0;
		left: 0;
		width: 100%;
		height: var(--row);
		display: flex;
		gap: var(--space-2);
		align-items: center;
		padding: 0 var(--space-3);
		font-size: var(--body);
		white-space: nowrap;
		overflow: hidden;
	}
	.group {
		background: var(--panel);
		border-top: 1px solid var(--line);
	}
	.finding {
		padding-left: var(--space-6);
		border-top: 1px solid var(--line);
		cursor: pointer;
	}
	.finding.alone {
		padding-left: var(--space-3);
	}
	.finding:hover {
		background: var(--panel);
	}
	.finding[aria-selected='true'] {
		background: var(--azurite-wash);
		box-shadow: inset 4px 0 0 var(--azurite);
	}
	.label {
		flex: none;
		max-width: 100%;
		overflow: hidden;
		text-overflow: ellipsis;
	}
	.title {
		flex: 1;
		color: var(--ink-2);
		min-width: 0;
		overflow: hidden;
		text-overflow: ellipsis;
		font-size: var(--caption);
		text-align: right;
	}
</style>
