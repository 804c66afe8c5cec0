<script lang="ts">
	import { counted } from '$core/text/counted';
	import { Button, Checkbox } from 'flowbite-svelte';
	import type { ItemOf } from '$core/chapters/bars/bar';
	import { opens } from '$core/chapters/bars/opened';
	import { readable, type Keys } from '$core/stroke/stroke';
	import type { BarDesk } from '$lib/state/bar-desk.svelte';
	import KeyCaps from '../KeyCaps.svelte';
	import Picker from '../Picker.svelte';
	import Recorder from '../Recorder.svelte';
	import ScopePicker from '../ScopePicker.svelte';

	/** What can be said of a bar that is selected: where it stands and shows, its icons and names, and what opens it. */
	let { desk, item, onleave }: { desk: BarDesk; item: ItemOf<'bar'>; onleave: () => void } = $props();
	const EDGES = ['top', 'bottom', 'left', 'right', 'floating'] as const;
	let heardKeys = $state<Keys | undefined>(undefined);

	async function openBy() {
		const keys = heardKeys;
		if (!keys) return;
		heardKeys = undefined;
		await desk.change('bar', `open it by ${keys}`, (one) => ({ ...one, keys }));
	}
</script>

{#if !opens(item) && item.form !== 'menu' && item.form !== 'ribbon'}
	<div class="pair">
		<Picker
			label="At"
			value={item.dock.edge}
			items={EDGES.map((edge) => ({ value: edge, name: edge }))}
			onpick={(edge) =>
				void desk.change('bar', `at ${edge}`, (one) => ({
					...one,
					dock:
						edge === 'floating'
							? { edge, monitor: 1, x: 320, y: 260, columns: 4 }
							: { edge: edge as 'top', row: 'row' in one.dock ? one.dock.row : 0 }
				}))}
		/>
		{#if item.dock.edge === 'floating'}
			<Picker
				label="Monitor"
				value={String(item.dock.monitor)}
				items={[
					{ value: '1', name: 'first' },
					{ value: '2', name: 'second' }
				]}
				onpick={(monitor) =>
					void desk.change('bar', `on monitor ${monitor}`, (one) =>
						one.dock.edge === 'floating' ? { ...one, dock: { ...one.dock, monitor: Number(monitor) } } : one
					)}
			/>
		{:else}
			<Picker
				label="Row"
				value={String(item.dock.row)}
				items={[0, 1, 2, 3].map((row) => ({ value: String(row), name: row === 0 ? 'outermost' : `${row + 1}` }))}
				onpick={(row) =>
					void desk.change('bar', `row ${Number(row) + 1}`, (one) =>
						one.dock.edge === 'floating' ? one : { ...one, dock: { ...one.dock, row: Number(row) } }
					)}
			/>
		{/if}
	</div>
{/if}
{#if item.form === 'toolbar' || item.form === 'quick' || item.form === 'cursor'}
	<div class="pair">
		<Picker
			label="Icons"
			value={String(item.icon)}
			items={[16, 24, 32].map((px) => ({ value: String(px), name: `${px} px` }))}
			onpick={(px) => void desk.change('bar', `icons ${px} px`, (one) => ({ ...one, icon: Number(px) as 16 }))}
		/>
		<Picker
			label="Names"
			value={item.text}
			items={[
				{ value: 'none', name: 'hidden' },
				{ value: 'beside', name: 'beside' },
				{ value: 'below', name: 'below' }
			]}
			onpick={(text) => void desk.change('bar', `names ${text}`, (one) => ({ ...one, text: text as 'none' }))}
		/>
	</div>
{/if}
{#if item.form === 'cursor'}
	<span class="label">Opens at the pointer with {item.keys ? '' : 'no key yet'}</span>
	{#if item.keys}<KeyCaps keys={item.keys} />{/if}
	<Recorder label="Keys that open {item.name}" onheard={(heard) => (heardKeys = heard)} onaccept={openBy} {onleave} />
	{#if heardKeys}<Button size="xs" onclick={openBy}>Open it by {readable(heardKeys)}</Button>{/if}
	<Picker
		label="Columns"
		value={String(item.dock.edge === 'floating' ? item.dock.columns : 4)}
		items={[1, 2, 3, 4, 5, 6, 8, 10].map((n) => ({ value: String(n), name: counted(n, 'column') }))}
		onpick={(columns) =>
			void desk.change('bar', `${columns} columns`, (one) =>
				one.dock.edge === 'floating' ? { ...one, dock: { ...one.dock, columns: Number(columns) } } : one
			)}
	/>
{:else if item.dock.edge === 'top' && (item.form === 'toolbar' || item.form === 'quick')}
	<Checkbox
		checked={item.above === true}
		onchange={() =>
			void desk.change('bar', item.above ? 'below the ribbon' : 'above the ribbon', ({ above: _, ...one }) => ({
				...one,
				...(!item.above && { above: true })
			}))}>Above the ribbon</Checkbox
	>
{/if}
<Checkbox
	checked={item.hidden}
	onchange={() => void desk.change('bar', item.hidden ? 'show' : 'hide', (one) => ({ ...one, hidden: !item.hidden }))}
	>Hidden</Checkbox
>
<span class="label">Shown in</span>
<ScopePicker scope={item.scope} onchange={(scope) => void desk.change('bar', 'where it shows', (one) => ({ ...one, scope }))} />

<style>
	.pair {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: var(--space-2);
	}
</style>
