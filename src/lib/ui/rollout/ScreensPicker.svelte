<script lang="ts">
	import type { DeskSetup } from '$core/keyboard/desk';
	import { sizeText, type DeskScreen } from '$core/surface/screens';
	import Picker from '../Picker.svelte';

	/** The screens of a desk: the usual one, and a second. */
	let { of, desk, onchange }: { of: string; desk: DeskSetup; onchange: (desk: DeskSetup) => void } = $props();
	const SIZES: readonly (readonly [number, number])[] = [
		[1280, 800],
		[1366, 768],
		[1440, 900],
		[1920, 1080],
		[1920, 1200],
		[2560, 1440],
		[3440, 1440],
		[3840, 2160]
	];
	const SCALES = [1, 1.25, 1.5, 2];
	const sizeOf = ({ width, height }: DeskScreen) => `${width} × ${height}`;
	const screens = $derived(desk.screens ?? []);
	const sizes = $derived([...new Set([...SIZES.map(([w, h]) => `${w} × ${h}`), ...screens.map(sizeOf)])]);

	/** Says which screens there are from here on; a size that is empty ends the list. */
	function set(at: number, size: string, scale: number) {
		const [width, height] = size.split(' × ').map(Number);
		const own = size === '' ? [] : [{ width: width!, height: height!, scale }];
		const next = size === '' ? screens.slice(0, at) : [...screens.slice(0, at), ...own, ...screens.slice(at + 1)];
		const { screens: _, ...rest } = desk;
		onchange({ ...rest, ...(next.length > 0 && { screens: next }) });
	}
</script>

<span class="screens">
	{#each [0, 1] as at (at)}
		{@const screen = screens[at]}
		{#if at === 0 || screens.length > 0}
			<Picker
				label="{at === 0 ? 'Screen' : 'Second screen'} of {of}"
				value={screen ? sizeOf(screen) : ''}
				items={[
					{ value: '', name: at === 0 ? 'Screen not known' : 'No second screen' },
					...sizes.map((size) => ({ value: size, name: size }))
				]}
				onpick={(size) => set(at, size, screen?.scale ?? 1)}
			/>
			{#if screen}
				<Picker
					label="Scale of the {at === 0 ? 'screen' : 'second screen'} of {of}"
					value={String(screen.scale)}
					items={[...new Set([...SCALES, screen.scale])].map((scale) => ({ value: String(scale), name: `${scale * 100} %` }))}
					onpick={(scale) => set(at, sizeOf(screen), Number(scale))}
				/>
			{/if}
		{/if}
	{/each}
	{#if screens.length === 0}<span class="quiet small">Toolbars are then checked for common screens.</span>{:else}<span
			class="quiet small">{screens.map(sizeText).join(', ')}</span
		>{/if}
</span>

<style>
	.screens {
		display: flex;
		flex-wrap: wrap;
		gap: var(--space-1);
		align-items: center;
		margin-top: 6px;
	}
	.small {
		font-size: var(--caption);
	}
</style>
