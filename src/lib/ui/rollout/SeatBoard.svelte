<script lang="ts">
	import { Button, Input } from 'flowbite-svelte';
	import { placeOf } from '$core/release/rings';
	import { SeatId, type SeatState } from '$core/release/release';
	import type { RolloutDesk, RolloutSeat } from '$lib/state/rollout-desk.svelte';
	import Picker from '../Picker.svelte';
	import SeatCodes from './SeatCodes.svelte';
	import { SEAT_LOOKS } from './seat-looks';
	import SeatRow from './SeatRow.svelte';
	import SeatsDialog from './SeatsDialog.svelte';

	/** The seats as they report themselves, those in trouble first where there are many. */
	let {
		desk,
		address,
		ondiffer,
		onremove
	}: {
		desk: RolloutDesk;
		/** Where seats ask. */
		address: string;
		ondiffer: (seat: RolloutSeat) => void;
		onremove: (id: string) => void;
	} = $props();
	let id = $state('');
	let note = $state('');
	let shown = $state('');
	let many = $state(50);
	const isSound = $derived(SeatId.safeParse(id.trim()).success);
	const FILTER_FROM = 8;
	const URGENT: readonly SeatState[] = ['refused', 'troubled', 'drifted', 'behind', 'offline', 'never', 'current', 'hidden'];
	let words = $state('');
	let inState = $state('');
	let isAdding = $state(false);
	const ringOf = (seat: RolloutSeat) => desk.rings[placeOf(desk.rings, seat.ring)];
	const found = $derived(
		desk.seats.filter(
			(seat) =>
				(shown === '' || ringOf(seat)?.id === shown) &&
				(inState === '' || seat.state === inState) &&
				[seat.id, seat.note, seat.site, ringOf(seat)?.name ?? '', desk.sitting(seat)].some((text) =>
					text.toLowerCase().includes(words.trim().toLowerCase())
				)
		)
	);
	/** One's own first, then those in trouble where there are many. */
	const listed = $derived(
		found.toSorted(
			(a, b) =>
				Number(desk.isMine(b)) - Number(desk.isMine(a)) ||
				(found.length < FILTER_FROM ? 0 : URGENT.indexOf(a.state) - URGENT.indexOf(b.state)) ||
				(a.id < b.id ? -1 : 1)
		)
	);
	const states = $derived(URGENT.filter((one) => desk.seats.some((seat) => seat.state === one)));

	async function add(event: SubmitEvent) {
		event.preventDefault();
		if (isSound && (await desk.add(id.trim(), note.trim()))) id = note = '';
	}
</script>

{#if desk.seats.length >= FILTER_FROM}
	<div class="filter">
		<div class="words">
			<Input size="sm" type="search" bind:value={words} placeholder="Id, site, note or name" aria-label="Find seats" />
		</div>
		{#if desk.rings.length > 1}<Picker
				label="Seats of"
				items={[{ value: '', name: 'All rings' }, ...desk.rings.map(({ id: value, name }) => ({ value: value as string, name }))]}
				value={shown}
				onpick={(value) => (shown = value)}
			/>{/if}
		<Picker
			label="Seat status"
			items={[
				{ value: '', name: 'All states' },
				...states.map((value) => ({ value: value as string, name: SEAT_LOOKS[value].text }))
			]}
			value={inState}
			onpick={(value) => (inState = value)}
		/>
		<span class="quiet num" role="status">{listed.length} of {desk.seats.length}</span>
	</div>
{/if}
{#if desk.codes.length > 0}<SeatCodes {desk} {address} />{/if}
<ul>
	{#each listed.slice(0, many) as seat (seat.id)}
		<SeatRow {seat} {desk} {address} {ondiffer} {onremove} />
	{:else}
		<li class="quiet">
			{desk.unheard !== ''
				? 'The server cannot be reached, so the seats are not known.'
				: desk.seats.length === 0
					? 'No seats yet. Add one below, then start it on its workstation.'
					: 'No seats match these filters. Remove a filter.'}
		</li>
	{/each}
</ul>
{#if listed.length > many}<button type="button" class="linkish" onclick={() => (many += 200)}
		>{listed.length - many} more, less urgent</button
	>{/if}
{#if desk.maySeats}
	<form onsubmit={add}>
		<Input size="sm" bind:value={id} placeholder="C-04" aria-label="Id of the new seat" class="seat-id" />
		<Input size="sm" bind:value={note} placeholder="team or user" aria-label="Note on the new seat" />
		<Button size="sm" color="alternative" type="submit" disabled={!isSound}>Add seat</Button>
	</form>
	<p><Button size="xs" color="alternative" onclick={() => (isAdding = true)}>Add seats from a table …</Button></p>
	{#if id !== '' && !isSound}<p class="quiet small">
			A seat id has one to three capital letters, a hyphen and two or three digits, such as C-04.
		</p>{/if}
{/if}

{#if isAdding}<SeatsDialog {desk} onclose={() => (isAdding = false)} />{/if}

<style>
	.words {
		flex: 1 1 150px;
	}
	.filter {
		display: flex;
		flex-wrap: wrap;
		gap: var(--space-2);
		align-items: center;
	}
	ul {
		display: grid;
		gap: var(--space-2);
		margin: 0;
		padding: 0;
		list-style: none;
	}
	ul > li.quiet {
		padding: var(--space-2) var(--space-3);
		border: 1px solid var(--line-strong);
	}
	.small {
		font-size: var(--caption);
	}
	form {
		display: grid;
		grid-template-columns: 92px 1fr auto;
		gap: var(--space-2);
	}
</style>
