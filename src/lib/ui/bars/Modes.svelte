<script lang="ts">
	import { counted } from '$core/text/counted';
	import { Button, Input } from 'flowbite-svelte';
	import { MODES, thingFor } from '$core/chapters/modes/mode';
	import { ModeDesk, type ModeBars } from '$lib/state/mode-desk.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import KeyCaps from '../KeyCaps.svelte';
	import Picker from '../Picker.svelte';
	import Blame from '../Blame.svelte';
	import StratumChip from '../StratumChip.svelte';
	import { rove } from '../menu/roving';

	/** The modes that people switch among: which are favourites, what switches to them, and those of one's own. */
	let { isOpen = $bindable(false) }: { isOpen?: boolean } = $props();
	const workspace = useWorkspace();
	const desk = new ModeDesk(workspace);
	let list = $state<HTMLElement | undefined>(undefined);
	let name = $state('');
	let bars = $state<ModeBars>('shared');
	const current = $derived(desk.rows.find((row) => row.id === desk.current));
	const keysOf = (row: (typeof desk.rows)[number]) => row.command && workspace.index.of(row.command)[0]?.keys;
	const isHeld = $derived(current?.lockedBy !== undefined && current.lockedBy.id !== workspace.targetId);
	const STARTS = { shared: 'the same toolbars', copied: 'a copy of its toolbars', none: 'no toolbars yet' } as const;

	function onkeydown(event: KeyboardEvent) {
		if (rove(event, [...(list?.querySelectorAll<HTMLElement>('button') ?? [])])) event.preventDefault();
	}

	async function make(event: SubmitEvent) {
		event.preventDefault();
		const said = name.trim();
		if (said === '' || !current) return;
		if (await desk.make(said, current.id, bars)) name = '';
	}

	async function rename(event: Event) {
		const field = event.currentTarget as HTMLInputElement;
		const said = field.value.trim();
		if (!current?.made || said === current.label) return;
		if (said === '' || !(await desk.rename(current, said))) field.value = current.label;
	}
</script>

{#if desk.axis}
	<details class="modes" bind:open={isOpen}>
		<summary>Modes {desk.rows.length}</summary>
		<!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
		<ul bind:this={list} aria-label="Modes, favourites first" {onkeydown}>
			{#each desk.rows as row (row.id)}
				{@const keys = keysOf(row)}
				<li>
					<button
						type="button"
						aria-pressed={row.id === desk.current}
						tabindex={row.id === desk.current ? 0 : -1}
						onclick={() => desk.switchTo(row.id)}
					>
						<span class="mark" aria-hidden="true">{row.isFavourite ? '★' : ''}</span>
						<span class="label"
							>{row.label}{#if row.isFavourite}<span class="visually-hidden">, favourite</span>{/if}</span
						>
						{#if row.stratum}<StratumChip id={row.stratum.id} />{/if}
						{#if keys}<KeyCaps {keys} />{/if}
					</button>
				</li>
			{/each}
		</ul>
		{#if current}
			<div class="here" role="group" aria-label="Mode {current.label}">
				{#if current.made}
					<label class="pair"
						>Name <Input
							size="sm"
							value={current.label}
							disabled={isHeld || workspace.edits.busy}
							aria-label="Name of the mode"
							onchange={rename}
						/></label
					>
					<label class="pair"
						>Shows <Picker
							label="Toolbars of the mode"
							value={current.made.bars}
							disabled={isHeld}
							items={[
								{
									value: 'shared',
									name: `toolbars of ${workspace.space.scopeLabel({ [desk.axis.id]: [current.made.from] })} and its own`
								},
								{ value: 'own', name: 'only its own toolbars' }
							]}
							onpick={(to) => void desk.setBars(current, to as 'shared' | 'own')}
						/></label
					>
				{/if}
				<p class="quiet">
					{counted(current.bars, 'bar shows', 'bars show')} in it.
					{#if current.command && workspace.catalogue.has(current.command)}
						<a href="commands?command={encodeURIComponent(current.command)}">{keysOf(current) ? 'Its key' : 'Give it a key'}</a>
					{:else}No command of the program switches to it.{/if}
					{#if isHeld}{current.lockedBy?.name} has locked it.{/if}
					{#if current.stratum}<Blame
							stratum={current.stratum.id}
							chapter={MODES}
							thing={thingFor({ kind: 'mode', axis: desk.axis.id, id: current.id })}
						/>{/if}
				</p>
				<div class="acts">
					<button
						class="pill"
						type="button"
						aria-pressed={current.isFavourite}
						disabled={workspace.edits.busy}
						onclick={() => void desk.favour(current)}>Favourite</button
					>
					{#if current.isFavourite && desk.favourites.length > 1}
						<button class="pill" type="button" disabled={workspace.edits.busy} onclick={() => void desk.shift(current, -1)}
							>Up</button
						>
						<button class="pill" type="button" disabled={workspace.edits.busy} onclick={() => void desk.shift(current, 1)}
							>Down</button
						>
					{/if}
					{#if current.made && !isHeld}
						<button class="pill" type="button" disabled={workspace.edits.busy} onclick={() => void desk.remove(current)}
							>Remove</button
						>
					{/if}
				</div>
				{#if current.made && desk.uses(current) !== ''}
					<p class="quiet">{desk.uses(current)} are limited to this mode. Without it they are not available.</p>
				{/if}
			</div>
			<form onsubmit={make}>
				<label class="pair"
					>New from {current.label}
					<Input
						size="sm"
						bind:value={name}
						maxlength={80}
						placeholder="Name of the mode"
						aria-label="Name of the new mode"
					/></label
				>
				<div class="pair">
					<Picker
						label="Toolbars of the new mode"
						value={bars}
						items={(Object.keys(STARTS) as ModeBars[]).map((value) => ({ value, name: `with ${STARTS[value]}` }))}
						onpick={(to) => (bars = to as ModeBars)}
					/>
					<Button size="xs" type="submit" disabled={name.trim() === '' || workspace.edits.busy}>Create</Button>
				</div>
			</form>
		{/if}
	</details>
{/if}

<style>
	.modes {
		font-size: var(--dense);
	}
	ul {
		margin: 6px 0;
		padding: 0;
		list-style: none;
	}
	li button {
		display: flex;
		gap: 6px;
		align-items: center;
		width: 100%;
		padding: 3px 6px;
		border: 0;
		border-radius: 3px;
		background: none;
		color: var(--ink);
		font: inherit;
		text-align: left;
	}
	li button:hover {
		background: var(--azurite-wash);
	}
	li [aria-pressed='true'] {
		background: var(--azurite-wash);
		font-weight: 600;
	}
	.mark {
		width: 12px;
		color: var(--azurite);
	}
	.label {
		flex: 1;
	}
	.here {
		display: grid;
		gap: 6px;
		padding: var(--space-2) 0;
		border-top: 1px solid var(--line);
	}
	.here p {
		margin: 0;
	}
	.pair {
		display: flex;
		gap: var(--space-2);
		align-items: center;
		white-space: nowrap;
	}
	.pair :global(select) {
		min-width: 0;
		max-width: 232px;
	}
	.acts {
		display: flex;
		flex-wrap: wrap;
		gap: 6px;
	}
	form {
		display: grid;
		gap: 6px;
		padding: var(--space-2) 0;
		border-top: 1px solid var(--line);
	}
</style>
