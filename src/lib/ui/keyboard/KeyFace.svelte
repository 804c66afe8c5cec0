<script lang="ts">
	import type { Face } from '$core/keyboard/face';
	import type { StratumKind } from '$core/profile/stratum';
	import type { Severity } from '$core/check/finding';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import { SIGNS } from '../findings/severity';
	import { commandOn } from './legend';
	import { pipClass } from './pip-rules';

	/** One key: its legend, what it does on the drawn plane, and a pip for each combination of the common modifiers. */
	let {
		face,
		plane: at,
		legend,
		severity,
		kindOf,
		reachText
	}: {
		face: Face;
		plane: number;
		legend: string;
		severity: Severity | undefined;
		kindOf: (stratum: string) => StratumKind;
		/** In the reach drawing, the way of the fingers instead of the pips. */
		reachText: string | undefined;
	} = $props();
	const workspace = useWorkspace();
	const plane = $derived(face.planes[at]!);
</script>

<span class="legend">{legend}</span>
{#if severity}<span class="sign tone-{SIGNS[severity].tone}"
		><span class="toned" aria-hidden="true">{SIGNS[severity].shape}</span></span
	>{/if}
<span class="command">{commandOn(plane, workspace.index)}</span>
{#if plane.keys !== undefined}
	{#if reachText !== undefined}
		<span class="reach">{reachText}</span>
	{:else}
		<span class="pips {pipClass(face.planes, kindOf)}" aria-hidden="true"></span>
	{/if}
{/if}

<style>
	.legend {
		position: absolute;
		left: 12%;
		top: 5%;
		font-size: 13px;
		font-weight: 600;
		font-stretch: 84%;
		line-height: 1.2;
		white-space: nowrap;
	}
	.sign {
		position: absolute;
		right: 8%;
		top: 4%;
		font-size: 12px;
	}
	.command {
		position: absolute;
		left: 8%;
		right: 2%;
		top: 37%;
		height: 14px;
		contain: strict;
		font-size: 12px;
		font-stretch: 62%;
		line-height: 1.1;
		color: var(--ink-2);
		overflow: hidden;
		white-space: nowrap;
		text-align: left;
	}
	.pips {
		position: absolute;
		left: 10%;
		right: 10%;
		bottom: 8%;
		height: 11px;
		background-repeat: no-repeat;
		background-size: 22% 4.5px;
		background-position:
			0% 0,
			33.3% 0,
			66.6% 0,
			100% 0,
			0% 100%,
			33.3% 100%,
			66.6% 100%,
			100% 100%;
	}
	.reach {
		position: absolute;
		left: 10%;
		bottom: 6%;
		font-size: 12px;
		font-stretch: 70%;
		font-variant-numeric: tabular-nums;
		color: var(--ink-2);
	}
</style>
