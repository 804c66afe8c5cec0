<script lang="ts">
	import { BOARD_IDS, BOARDS } from '$core/keyboard/board';
	import { DeskSetup, PLATFORM_NAMES, PLATFORMS } from '$core/keyboard/desk';
	import { LAYOUT_IDS, LAYOUTS } from '$core/keyboard/layouts';
	import Picker from './Picker.svelte';

	/** What stands on a desk: system, board, layout and the hand of the mouse. */
	let { of = '', desk, onchange }: { of?: string; desk: DeskSetup; onchange: (desk: DeskSetup) => void } = $props();
	const name = $derived((what: string) => (of === '' ? what : `${what} of ${of}`));
	const set = (part: Record<string, string>) => {
		const { platform, board, layout, mouse, screens } = desk;
		onchange(DeskSetup.parse({ platform, board, layout, mouse, ...(screens && { screens }), ...part }));
	};
</script>

<span class="desk-picker">
	<Picker
		label={name('Board')}
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
		label={name('Hand on the mouse')}
		value={desk.mouse}
		items={[
			{ value: 'right', name: 'Mouse right' },
			{ value: 'left', name: 'Mouse left' }
		]}
		onpick={(mouse) => set({ mouse })}
	/>
</span>

<style>
	.desk-picker {
		display: inline-flex;
		flex-wrap: wrap;
		gap: 5px;
	}
</style>
