<script lang="ts">
	import type { NodeId } from '$core/context/axis';
	import { ModeDesk } from '$lib/state/mode-desk.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import Picker from '../Picker.svelte';

	/** The switcher of the stand-in's window: favourites as buttons, all others in a list. */
	const workspace = useWorkspace();
	const desk = new ModeDesk(workspace);
	const others = $derived(desk.rows.filter((row) => !row.isFavourite));
	const isOther = $derived(others.some((row) => row.id === desk.current));
</script>

{#if desk.axis}
	<div class="switch" role="group" aria-label={desk.axis.label}>
		<span class="quiet">{desk.axis.label}</span>
		{#each desk.favourites as row (row.id)}
			<button type="button" aria-pressed={row.id === desk.current} onclick={() => desk.switchTo(row.id)}>{row.label}</button>
		{/each}
		{#if others.length > 0}
			<Picker
				label="Other {desk.axis.label}"
				deliberate
				value={isOther ? desk.current! : ''}
				items={[
					...(isOther ? [] : [{ value: '', name: 'Others …' }]),
					...others.map((row) => ({ value: row.id as string, name: row.label }))
				]}
				onpick={(id) => id !== '' && desk.switchTo(id as NodeId)}
			/>
		{/if}
	</div>
{/if}

<style>
	.switch {
		display: flex;
		gap: 2px;
		align-items: center;
		font-size: var(--dense);
	}
	.quiet {
		margin-right: 6px;
	}
	button {
		padding: 2px 8px;
		border: 1px solid transparent;
		border-radius: 3px;
		background: none;
		color: var(--ink-2);
		font: inherit;
		font-stretch: 86%;
	}
	[aria-pressed='true'] {
		border-color: var(--control);
		background: var(--ground);
		color: var(--ink);
		font-weight: 600;
	}
</style>
