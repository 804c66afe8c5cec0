<script lang="ts">
	import { Button, Checkbox, Input } from 'flowbite-svelte';
	import { BARS } from '$core/chapters/bars/bar';
	import { GROUP_FORMS } from '$core/surface/parts';
	import type { BarDesk } from '$lib/state/bar-desk.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import { slug } from '$core/text/slug';
	import { save } from '../save';
	import { loadSymbols, PAPER, pictureOf, pngOf } from './pictures';
	import { opens, rectIn } from '$core/chapters/bars/opened';
	import IconPicker from '../macros/IconPicker.svelte';
	import BarOptions from './BarOptions.svelte';
	import Picker from '../Picker.svelte';
	import Blame from '../Blame.svelte';
	import StratumChip from '../StratumChip.svelte';

	/** What can be said of the thing that is selected. */
	let { desk, onleave }: { desk: BarDesk; onleave: () => void } = $props();
	const workspace = useWorkspace();
	const node = $derived(desk.current);
	const kindName = $derived(
		node?.item.kind !== 'place'
			? node?.item.kind
			: node.item.command !== undefined
				? 'button'
				: node.item.flyout !== undefined
					? 'flyout'
					: 'separator'
	);
	/** What stands in it and is not drawn in the window, as it opens. */
	const holds = $derived.by(() => {
		if (!node) return [];
		const { item } = node;
		return item.kind === 'place' || (item.kind === 'bar' && opens(item)) ? node.children : [];
	});
	/** Another icon is being chosen. */
	let isPicking = $state(false);
	let name = $state<HTMLInputElement | undefined>(undefined);
	const FORMS = {
		large: 'all large',
		mixed: 'as marked',
		small: 'all small',
		icons: 'icons alone',
		folded: 'one button'
	} as const;

	/** Where the bar, tab or group is drawn that is selected: a picture of it can be taken for a handbook. */
	const picture = $derived.by(() => {
		if (!node || node.item.kind === 'place') return undefined;
		const strip = desk.layout.ribbons.find(
			({ ribbon, front }) => ribbon.id === node.id || (front?.id === node.id && node.item.kind === 'tab')
		)?.rect;
		return strip ?? rectIn(desk.layout, node.id);
	});

	async function savePicture(kind: 'svg' | 'png') {
		if (!node || !picture) return;
		const svg = pictureOf(desk.layout, desk.tree, workspace.catalogue, await loadSymbols(), PAPER, picture);
		const name = `${slug(desk.nameOf(node))}.${kind}`;
		if (kind === 'svg') save(name, svg, 'image/svg+xml');
		else save(name, await pngOf(svg, picture), 'image/png');
	}

	/** The least size of what is hit by pointer, in CSS px: WCAG 2.2, success criterion 2.5.8. */
	const TARGET = 24;
	const size = $derived(node && rectIn(desk.layout, node.id));

	export const focus = () => name?.focus();
</script>

{#if !node}
	<p class="quiet">
		Select a button, group, tab or toolbar in the window. Arrow keys select the next one, Ctrl with arrow keys moves it, Delete
		removes it.
	</p>
{:else}
	<header>
		<StratumChip id={node.stratum.id} />
		<h2>{desk.selected.length > 1 ? `${desk.selected.length} selected` : desk.nameOf(node)}</h2>
		<span class="quiet">{kindName}</span>
	</header>
	{#if desk.selected.length < 2}<Blame stratum={node.stratum.id} chapter={BARS} thing={node.id} />{/if}
	{#if node.lockedBy}<p class="tone-limonite small"><span class="toned">▲</span> {node.lockedBy.name} has locked it.</p>{/if}
	{#if node.keptBy}<p class="tone-limonite small">
			<span class="toned">▲</span>
			{node.keptBy.name} has locked its position.
		</p>{/if}
	{#if node.over}<p class="quiet small">Replaces the setting of {node.over.name}.</p>{/if}
	{#if desk.selected.length === 1 && kindName !== 'separator'}
		<label class="field">
			<span>Name</span>
			<Input
				bind:elementRef={name}
				size="sm"
				value={desk.nameOf(node)}
				onchange={(event) => void desk.rename((event.currentTarget as HTMLInputElement).value)}
			/>
		</label>
		{#if node.item.kind === 'place' && node.item.title !== undefined}
			<p class="tone-limonite small">
				<span class="toned">▲</span> The command then has two names.
				<button
					class="linkish"
					type="button"
					onclick={() => void desk.change('place', 'its own name', ({ title: _, ...item }) => item)}>Use the default name</button
				>
			</p>
		{/if}
	{/if}
	{#if node.item.kind === 'place' && kindName !== 'separator'}
		{@const { item } = node}
		<div class="pair">
			<Picker
				label="Size"
				value={item.size}
				items={[
					{ value: 'large', name: 'large' },
					{ value: 'small', name: 'small' }
				]}
				onpick={(size) => void desk.change('place', size, (one) => ({ ...one, size: size as 'large' | 'small' }))}
			/>
			<Picker
				label="Shows"
				value={item.shows}
				items={[
					{ value: 'both', name: 'icon and label' },
					{ value: 'icon', name: 'icon only' },
					{ value: 'text', name: 'label only' }
				]}
				onpick={(shows) => void desk.change('place', shows, (one) => ({ ...one, shows: shows as 'both' | 'icon' | 'text' }))}
			/>
		</div>
		<p class="acts">
			<Button size="xs" color="alternative" disabled={workspace.edits.busy} onclick={() => (isPicking = true)}>Icon …</Button>
			{#if item.icon !== undefined}<Button
					size="xs"
					color="alternative"
					disabled={workspace.edits.busy}
					onclick={() => void desk.change('place', 'its own icon', ({ icon: _, ...one }) => one)}>Default icon</Button
				>{/if}
		</p>
		{#if isPicking}
			<IconPicker
				icon={item.icon ?? ''}
				shippedAlone
				onpick={(icon) => void desk.change('place', 'another icon', (one) => ({ ...one, icon }))}
				onclose={() => (isPicking = false)}
			/>
		{/if}
		<Checkbox
			checked={item.hidden}
			onchange={() => void desk.change('place', item.hidden ? 'show' : 'hide', (one) => ({ ...one, hidden: !item.hidden }))}
			>Hidden</Checkbox
		>
		{#if size && Math.min(size.width, size.height) < TARGET}
			<p class="quiet small">
				Its size is {size.width} × {size.height} px. Buttons should be at least {TARGET} px wide and high, or this far from others.
			</p>
		{/if}
		{#if desk.time}
			<details>
				<summary>{desk.time.seconds.toFixed(2)} s to reach it</summary>
				<ul class="small">
					{#each desk.time.terms as term (term.name)}<li>
							{term.name}: {term.seconds.toFixed(2)} s <span class="quiet">{term.how}</span>
						</li>{/each}
				</ul>
				<p class="quiet small">
					Estimated from the middle of the drawing by Fitts’s law, the Hick–Hyman law and the keystroke-level model.
				</p>
			</details>
		{/if}
	{:else if node.item.kind === 'group'}
		{@const { item } = node}
		<Picker
			label="Lock its settings"
			value={item.form ?? ''}
			items={[{ value: '', name: 'as space allows' }, ...GROUP_FORMS.map((form) => ({ value: form, name: FORMS[form] }))]}
			onpick={(form) =>
				void desk.change('group', form === '' ? 'as space allows' : FORMS[form as keyof typeof FORMS], ({ form: _, ...one }) => ({
					...one,
					...(form !== '' && { form: form as keyof typeof FORMS })
				}))}
		/>
	{:else if node.item.kind === 'bar'}
		<BarOptions {desk} item={node.item} {onleave} />
	{/if}
	{#if holds.length > 0}
		<div>
			<span class="label">Contents, from the top</span>
			<ol class="holds">
				{#each holds as child (child.id)}
					<li>
						<StratumChip id={child.stratum.id} />
						<button class="linkish" type="button" onclick={() => desk.select(child.id)}>{desk.nameOf(child)}</button>
					</li>
				{/each}
			</ol>
		</div>
	{/if}
	<div class="acts">
		<Button size="xs" color="alternative" disabled={workspace.edits.busy} onclick={() => void desk.remove()}>Remove</Button>
		<Button size="xs" color="alternative" disabled={workspace.edits.busy} onclick={() => void desk.shift(-1)}>Before</Button>
		<Button size="xs" color="alternative" disabled={workspace.edits.busy} onclick={() => void desk.shift(1)}>After</Button>
		{#if desk.mayLock}
			<Button size="xs" color="alternative" onclick={() => void desk.lock(node.lockedBy === undefined)}
				>{node.lockedBy === undefined ? 'Lock' : 'Unlock'}</Button
			>
			{#if node.item.kind === 'bar'}
				<Button size="xs" color="alternative" onclick={() => void desk.lockPositions([node], node.keptBy === undefined)}
					>{node.keptBy === undefined ? 'Lock position' : 'Unlock position'}</Button
				>
			{/if}
		{/if}
		{#if picture}
			<Button size="xs" color="alternative" onclick={() => void savePicture('svg')}>Picture, SVG</Button>
			<Button size="xs" color="alternative" onclick={() => void savePicture('png')}>PNG</Button>
		{/if}
		{#if desk.ownBelow.length > 0}
			<Button size="xs" color="alternative" onclick={() => void desk.reset(desk.ownBelow, desk.nameOf(node))}
				>Reset to the level below {workspace.target.name}</Button
			>
		{/if}
	</div>
{/if}

<style>
	header {
		display: flex;
		gap: var(--space-2);
		align-items: baseline;
	}
	h2 {
		flex: 1;
		font-size: var(--heading);
	}
	.field {
		display: grid;
		gap: 3px;
		font-size: var(--dense);
	}
	.pair {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: var(--space-2);
	}
	.holds {
		margin: var(--space-1) 0 0;
		padding: 0;
		list-style: none;
	}
	.holds li {
		display: flex;
		gap: var(--space-2);
		align-items: center;
		padding: 3px 0;
		border-top: 1px solid var(--line);
		font-size: var(--dense);
	}
	.acts {
		display: flex;
		flex-wrap: wrap;
		gap: 6px;
	}
	.small {
		font-size: var(--caption);
	}
	ul {
		margin: var(--space-1) 0;
		padding-left: var(--space-4);
	}
</style>
