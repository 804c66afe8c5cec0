<script lang="ts">
	import { BOARD_IDS, BOARDS } from '$core/keyboard/board';
	import { DeskSetup, PLATFORM_NAMES, PLATFORMS, POINTER_DEVICES, POINTERS, USUAL_POINTER } from '$core/keyboard/desk';
	import { LAYOUT_IDS, LAYOUTS } from '$core/keyboard/layouts';
	import Picker from './Picker.svelte';

	/** What stands on a desk: system, board, layout, the hand of the mouse and the pointing device. */
	let { of = '', desk, onchange }: { of?: string; desk: DeskSetup; onchange: (desk: DeskSetup) => void } = $props();
	const name = $derived((what: string) => (of === '' ? what : `${what} of ${of}`));
	const set = (part: Record<string, string>) => {
		const { platform, board, layout, mouse, pointer, hand, screens } = desk;
		const rest = { ...(pointer && { pointer }), ...(hand && { hand }), ...(screens && { screens }) };
		onchange(DeskSetup.parse({ platform, board, layout, mouse, ...rest, ...part }));
	};
</script>

<span class="desk-picker">
	<Picker
		label={name('Keyboard model')}
		value={desk.board}
		items={BOARD_IDS.map((id) => ({ value: id, name: BOARDS[id].name }))}
		onpick={(board) => set({ board })}
	/>
	<Picker
		label={name('Layout')}
		value={desk.layout}
		items={LAYOUT_IDS.map((id) => ({ value: id, name: LAYOUTS[id].name }))}
		onpick={(layout) => set({ layout })}
	/>
	<Picker
		label={name('System')}
		value={desk.platform}
		items={PLATFORMS.map((id) => ({ value: id, name: PLATFORM_NAMES[id] }))}
		onpick={(platform) => set({ platform })}
	/>
	<Picker
		label={name('Mouse hand')}
		value={desk.mouse}
		items={[
			{ value: 'right', name: 'Mouse right' },
			{ value: 'left', name: 'Mouse left' }
		]}
		onpick={(mouse) => set({ mouse })}
	/>
	<Picker
		label={name('Pointing device')}
		value={desk.pointer ?? USUAL_POINTER}
		items={POINTERS.map((id) => ({ value: id, name: POINTER_DEVICES[id].name }))}
		onpick={(pointer) => set({ pointer })}
	/>
</span>

<style>
	.desk-picker {
		display: inline-flex;
		flex-wrap: wrap;
		gap: var(--space-1);
	}
</style>
