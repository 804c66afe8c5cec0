<script lang="ts">
	import type { ShortcutIndex } from '$core/answer/shortcut-index';
	import { facesOf } from '$core/answer/key-face';
	import { PLATFORM_NAMES, type Desk } from '$core/keyboard/desk';
	import { LAYOUTS } from '$core/keyboard/layouts';
	import { PLANES } from '$core/keyboard/office-desks';
	import type { Binding } from '$core/shortcut/effective';
	import type { Keys, Modifier } from '$core/stroke/stroke';
	import Picker from '../Picker.svelte';
	import Board from './Board.svelte';
	import { modifierName } from './legend';
	import type { Show } from './look';

	/** A second board where there is room: the same desk with other modifiers, or another desk of the office with the same. */
	let {
		index,
		situation,
		desk,
		desks,
		show,
		selected,
		dragged = $bindable(),
		onselect,
		ondropped
	}: {
		index: ShortcutIndex;
		situation: number;
		/** What the first board shows. */
		desk: Desk;
		desks: readonly Desk[];
		show: Show;
		selected: string | undefined;
		dragged?: Binding | undefined;
		onselect: (code: string, modifiers: readonly Modifier[]) => void;
		ondropped: (binding: Binding, to: Keys) => void;
	} = $props();
	/** `p` and the number of a plane, or `d` and the number of a desk. */
	let beside = $state('p2');

	const at = $derived(Number(beside.slice(1)));
	const shownDesk = $derived(beside.startsWith('d') ? (desks[at] ?? desk) : desk);
	const shown = $derived({ ...show, modifiers: beside.startsWith('p') ? PLANES[at]! : show.modifiers });
	const faces = $derived(facesOf(index, situation, shownDesk));
	const items = $derived([
		...PLANES.map((plane, i) => ({
			value: `p${i}`,
			name: plane.map((m) => modifierName(m, desk.platform)).join('+') || 'No modifier'
		})),
		...desks.map(({ layout, platform, seats }, i) => ({
			value: `d${i}`,
			name: `${LAYOUTS[layout].name}, ${PLATFORM_NAMES[platform]}${seats.length > 0 ? ` (${seats.join(', ')})` : ''}`
		}))
	]);
</script>

<div class="choice">
	<span class="quiet">Compare with</span><Picker label="Compare with" value={beside} {items} onpick={(v) => (beside = v)} />
</div>
<Board {faces} desk={shownDesk} show={shown} {selected} bind:dragged {onselect} onhold={() => {}} {ondropped} />

<style>
	.choice {
		display: flex;
		gap: var(--space-2);
		align-items: center;
		height: 30px;
		margin-top: -34px;
		margin-bottom: var(--space-1);
	}
</style>
