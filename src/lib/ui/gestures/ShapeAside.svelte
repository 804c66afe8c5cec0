<script lang="ts">
	import { Button, Checkbox, Input } from 'flowbite-svelte';
	import { GESTURES, shapeThing, triggerText, type Trigger } from '$core/chapters/gestures/gesture';
	import type { Scope } from '$core/context/scope';
	import type { ShapeDesk } from '$lib/state/shape-desk.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import CommandPick from '../CommandPick.svelte';
	import Blame from '../Blame.svelte';
	import SaidList from './SaidList.svelte';
	import Picker from '../Picker.svelte';
	import ScopePicker from '../ScopePicker.svelte';
	import DrawPad from './DrawPad.svelte';

	/** What is done with the shape that is selected, or with a new one: drawn, named, given a command. */
	let { desk }: { desk: ShapeDesk } = $props();
	const workspace = useWorkspace();
	let name = $state('');
	let trigger = $state.raw<Trigger>({ button: 'Right', modifiers: [] });
	let scope = $state.raw<Scope>({});
	const view = $derived(desk.current);
	const entry = $derived(view?.said?.entry);
	const isHeld = $derived(view?.said?.lockedBy !== undefined && view.said.lockedBy.id !== workspace.targetId);

	$effect(() => {
		// a new shape is drawn the way the last one is
		const [first] = view?.bindings ?? [];
		if (first) {
			trigger = { button: first.button, modifiers: first.modifiers };
			scope = first.binding.scope;
		}
	});
</script>

{#if view}
	<h2>
		{#if entry && !isHeld}
			<Input
				size="sm"
				aria-label="Name of the shape"
				value={entry.label}
				onchange={(event: Event) => {
					const label = (event.currentTarget as HTMLInputElement).value.trim();
					if (label !== '') void desk.change({ label });
				}}
			/>
		{:else}{view.label}{/if}
	</h2>
	{#if view.said}<Blame stratum={view.said.stratum.id} chapter={GESTURES} thing={shapeThing(view.id)} />{/if}
{:else}
	<h2>A new shape</h2>
	<Input size="sm" aria-label="Name of the new shape" placeholder="Its name" bind:value={name} />
{/if}
{#if !isHeld}
	<DrawPad
		label="Draw the shape here"
		hint={view
			? `Draw ${view.label} again, quickly.`
			: 'Draw it in one stroke with any mouse button. Then draw it two or three more times.'}
		note={desk.note}
		ondraw={async ({ path }) => {
			if (await desk.draw(path, name)) name = '';
		}}
	/>
{/if}
{#if view}
	{#if entry}
		<p class="row">
			<span>Drawing {desk.sample + 1} of {entry.samples.length}</span>
			<Button size="xs" color="alternative" aria-label="Previous drawing" onclick={() => desk.goSample(-1)}>‹</Button>
			<Button size="xs" color="alternative" aria-label="Next drawing" onclick={() => desk.goSample(1)}>›</Button>
			<Button size="xs" color="alternative" disabled={isHeld || workspace.edits.busy} onclick={() => void desk.leaveOut()}
				>Remove</Button
			>
		</p>
		<div class="how">
			<Checkbox
				checked={entry.isEitherWay}
				disabled={isHeld || workspace.edits.busy}
				onchange={(event: Event) => void desk.change({ isEitherWay: (event.currentTarget as HTMLInputElement).checked })}
				>Also drawn backwards</Checkbox
			>
			<Checkbox
				checked={entry.isTurned}
				disabled={isHeld || workspace.edits.busy}
				onchange={(event: Event) => void desk.change({ isTurned: (event.currentTarget as HTMLInputElement).checked })}
				>Also rotated</Checkbox
			>
		</div>
	{/if}
	<section aria-label="Command of {view.label}">
		<SaidList
			bindings={view.bindings.map(({ binding }) => binding)}
			none="It runs nothing yet."
			caps
			takeOff={{ from: view.label, run: (binding) => void desk.clear(binding) }}
		/>
		<p class="row">
			<Picker
				label="Drawn with"
				value={triggerText(trigger)}
				items={desk.triggers.map((one) => ({ value: triggerText(one), name: `${triggerText(one)} button` }))}
				onpick={(text) => (trigger = desk.triggers.find((one) => triggerText(one) === text)!)}
			/>
			<ScopePicker {scope} onchange={(next) => (scope = next)} />
		</p>
		<CommandPick label="Find a command for {view.label}" onpick={({ id }) => void desk.assign({ trigger, scope }, id)} />
	</section>
	<p class="row">
		<Button size="xs" color="alternative" onclick={() => (desk.selected = undefined)}>A new shape</Button>
		{#if view.said}
			{#if workspace.role === 'steward'}
				<Button size="xs" color="alternative" onclick={() => void desk.lock(view.said?.lockedBy === undefined)}
					>{view.said.lockedBy === undefined ? 'Lock the shape' : 'Unlock the shape'}</Button
				>
			{/if}
			<Button size="xs" color="alternative" disabled={isHeld || workspace.edits.busy} onclick={() => void desk.remove()}
				>Delete the shape</Button
			>
		{/if}
	</p>
{/if}

<style>
	h2 {
		margin: 0;
		font-size: var(--heading);
	}
	.row {
		display: flex;
		flex-wrap: wrap;
		gap: 6px;
		align-items: center;
		margin: 0;
		font-size: var(--body);
	}
	.how {
		display: grid;
		gap: var(--space-1);
	}
	section .row {
		margin-bottom: 6px;
	}
</style>
