<script lang="ts">
	import { BOARDS } from '$core/keyboard/board';
	import type { DeskSetup } from '$core/keyboard/desk';
	import type { Face, Plane } from '$core/keyboard/face';
	import { planeOf } from '$core/keyboard/face';
	import type { Finding, Severity } from '$core/check/finding';
	import { SEVERITIES } from '$core/check/finding';
	import type { OfficeDesks } from '$core/keyboard/office';
	import type { Binding } from '$core/profile/effective';
	import type { Keys, Modifier } from '$core/stroke/stroke';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import { SIGNS } from '../findings/severity';
	import { outcomeText } from '../wording';
	import KeyFace from './KeyFace.svelte';
	import { commandOn, heldModifiers, legendOf } from './legend';
	import { isTaken, layOf, passes, type Filter, type Ground } from './mark';

	/**
	 * The drawn keyboard, true to geometry. Holding real modifiers turns it to their plane, pressing a real key selects it, and
	 * a shortcut can be dragged from key to key. Tab leaves it.
	 */
	let {
		faces,
		desk,
		office,
		modifiers,
		filter,
		drawing,
		ground,
		selected,
		onselect,
		onhold,
		ondropped
	}: {
		faces: readonly Face[];
		desk: DeskSetup;
		office: OfficeDesks;
		modifiers: readonly Modifier[];
		filter: Filter;
		drawing: 'taken' | 'reach';
		ground: Ground;
		selected: string | undefined;
		onselect: (code: string, modifiers: readonly Modifier[]) => void;
		onhold: (modifiers: readonly Modifier[]) => void;
		ondropped: (binding: Binding, to: Keys) => void;
	} = $props();
	const workspace = useWorkspace();
	const board = $derived(BOARDS[desk.board]);
	const at = $derived(Math.max(0, planeOf(modifiers)));
	let over = $state<string | undefined>(undefined);
	let dragged = $state.raw<Binding | undefined>(undefined);
	const percent = (part: number, whole: number) => `${((100 * part) / whole).toFixed(3)}%`;

	function worst(findings: readonly Finding[] | undefined): Severity | undefined {
		return findings && SEVERITIES.find((s) => s !== 'note' && findings.some((f) => f.severity === s));
	}

	/** What is read out of a key: as an attribute it costs no layout when the drawing turns. */
	function said(face: Face, plane: Plane, severity: Severity | undefined, reach: string | undefined): string {
		const { keys, outcome } = plane;
		const drawn = [legendOf(face.key.code, face.legends, modifiers.includes('Shift')), commandOn(plane, workspace.index), reach];
		const seen = drawn.filter((text) => text).join(' ');
		if (keys === undefined) return seen;
		return `${seen}, ${keys}: ${outcome ? outcomeText(workspace.index, outcome) : ''}${severity ? `, ${SIGNS[severity].name}` : ''}`;
	}

	/** How a key looks, as one text. */
	function keyClass(face: Face, plane: Plane, lay: ReturnType<typeof layOf> | undefined): string {
		const { code, shoulder } = face.key;
		let look = 'key';
		if (isTaken(plane)) look += ' taken';
		if (plane.keys === undefined) look += ' silent';
		if (!passes(filter, plane, ground)) look += ' dim';
		if (code === selected) look += ' selected';
		if (modifiers.length > 0 && modifiers.includes(code.replace(/Left|Right/, '').replace('Control', 'Ctrl') as Modifier))
			look += ' held';
		if (over === code) look += ' over';
		if (lay?.isFree) look += ' free';
		if (lay?.isWasted) look += ' wasted';
		if (shoulder > 0) look += ' tall';
		return look;
	}

	function onkeydown(event: KeyboardEvent) {
		if (event.key === 'Tab' && !event.ctrlKey && !event.altKey) return;
		const held = heldModifiers(event, desk.platform);
		event.preventDefault();
		event.stopPropagation();
		if (['Control', 'Shift', 'Alt', 'Meta', 'AltGraph'].includes(event.key)) onhold(held);
		else if (!event.repeat && board.keys.some((k) => k.code === event.code)) onselect(event.code, held);
	}

	function onkeyup(event: KeyboardEvent) {
		if (['Control', 'Shift', 'Alt', 'Meta'].includes(event.key)) onhold(heldModifiers(event, desk.platform));
	}
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
<div
	class="board"
	role="application"
	aria-label="{board.name}. Press a key to select it, hold modifiers to turn the drawing; Tab moves on."
	tabindex="0"
	style:aspect-ratio="{board.width} / {board.height}"
	{onkeydown}
	{onkeyup}
>
	{#each faces as face (face.key.code)}
		{@const plane = face.planes[at]!}
		{@const lay = drawing === 'reach' ? layOf(face, plane, office, workspace.index) : undefined}
		{@const severity = plane.keys === undefined ? undefined : worst(ground.findings.get(plane.keys))}
		{@const reachText = drawing === 'reach' ? (lay?.reach ? `${lay.reach.mm.toFixed(0)} mm` : '') : undefined}
		<button
			type="button"
			tabindex="-1"
			aria-label={said(face, plane, severity, reachText)}
			class={keyClass(face, plane, lay)}
			style:left={percent(face.key.x, board.width)}
			style:top={percent(face.key.y, board.height)}
			style:width={percent(face.key.width, board.width)}
			style:height={percent(face.key.height, board.height)}
			style:--near={lay?.reach ? Math.max(0, 1 - lay.reach.mm / 120).toFixed(2) : 0}
			draggable={plane.binding !== undefined}
			ondragstart={(event) => {
				dragged = plane.binding;
				event.dataTransfer?.setData('text/plain', plane.keys ?? '');
			}}
			ondragover={(event) => {
				if (!dragged || plane.keys === undefined || plane.keys === dragged.keys) return;
				event.preventDefault();
				over = face.key.code;
			}}
			ondragleave={() => (over = undefined)}
			ondragend={() => ((dragged = undefined), (over = undefined))}
			ondrop={(event) => {
				event.preventDefault();
				if (dragged && plane.keys !== undefined) ondropped(dragged, plane.keys);
				dragged = undefined;
				over = undefined;
			}}
			onclick={() => onselect(face.key.code, modifiers)}
		>
			<span class="cap">
				<KeyFace
					{face}
					plane={at}
					legend={legendOf(face.key.code, face.legends, modifiers.includes('Shift'))}
					{severity}
					kindOf={ground.kindOf}
					{reachText}
				/>
			</span>
		</button>
	{/each}
</div>

<style>
	.board {
		position: relative;
		width: 100%;
		border-radius: 4px;
	}
	.board:focus-visible {
		outline-offset: 6px;
	}
	.key {
		position: absolute;
		contain: none;
		padding: 1.5px;
		border: 0;
		background: none;
		color: var(--ink);
		font: inherit;
	}
	.cap {
		position: relative;
		display: block;
		width: 100%;
		height: 100%;
		border: 1px dashed var(--line-strong);
		border-radius: 5px;
		background: var(--ground);
	}
	.taken .cap {
		border-style: solid;
		border-color: var(--control);
		background: var(--raised);
	}
	.silent .cap {
		border-style: solid;
		background: var(--panel);
		color: var(--ink-3);
	}
	.held .cap {
		background: var(--azurite-wash);
		border-color: var(--azurite);
		color: var(--ink);
	}
	.selected .cap {
		border: 2px solid var(--azurite);
		background: var(--azurite-wash);
	}
	.over .cap {
		border: 2px solid var(--fluorite);
		background: var(--fluorite-wash);
	}
	.dim .cap {
		opacity: 0.32;
	}
	.free .cap {
		background: color-mix(in srgb, var(--epidote) calc(var(--near) * 55%), var(--ground));
	}
	.wasted .cap {
		background: repeating-linear-gradient(135deg, var(--limonite-wash) 0 5px, var(--ground) 5px 10px);
		border-color: var(--limonite);
	}
	.tall .cap::before {
		content: '';
		position: absolute;
		right: calc(100% - 1px);
		top: -1px;
		width: 21%;
		height: 48%;
		border: inherit;
		border-right: 0;
		border-radius: 5px 0 0 5px;
		background: inherit;
	}
	.key:hover .cap {
		border-color: var(--ink-2);
	}
</style>
