<script lang="ts">
	import { Button, Input } from 'flowbite-svelte';
	import { placeOf } from '$core/release/rings';
	import { SeatId, type SeatState } from '$core/release/release';
	import type { RolloutDesk, RolloutSeat } from '$lib/state/rollout-desk.svelte';
	import Picker from '../Picker.svelte';
	import SeatRow from './SeatRow.svelte';

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
	const ofRing = $derived(
		shown === '' ? desk.seats : desk.seats.filter((seat) => desk.rings[placeOf(desk.rings, seat.ring)]?.id === shown)
	);
	const listed = $derived(
		ofRing.length < FILTER_FROM
			? ofRing
			: ofRing.toSorted((a, b) => URGENT.indexOf(a.state) - URGENT.indexOf(b.state) || (a.id < b.id ? -1 : 1))
	);

	async function add(event: SubmitEvent) {
		event.preventDefault();
		if (isSound && (await desk.add(id.trim(), note.trim()))) id = note = '';
	}
</script>

{#if desk.seats.length >= FILTER_FROM && desk.rings.length > 1}
	<Picker
		label="Seats of"
		items={[{ value: '', name: 'all rings' }, ...desk.rings.map(({ id: value, name }) => ({ value: value as string, name }))]}
		value={shown}
		onpick={(value) => (shown = value)}
	/>
{/if}
<ul>
	{#each listed.slice(0, many) as seat (seat.id)}
		<SeatRow {seat} {desk} {address} {ondiffer} {onremove} />
	{:else}
		<li class="quiet">
			{desk.unheard !== ''
				? 'The server cannot be reached, so the seats are not known.'
				: shown === ''
					? 'No seats yet. Add one below, then start it on its workstation.'
					: 'No seat is in this ring.'}
		</li>
	{/each}
</ul>
{#if listed.length > many}<button type="button" class="linkish" onclick={() => (many += 200)}
		>{listed.length - many} more, all of them less urgent</button
	>{/if}
{#if desk.maySeats}
	<form onsubmit={add}>
		<Input size="sm" bind:value={id} placeholder="C-04" aria-label="Id of the new seat" class="seat-id" />
		<Input size="sm" bind:value={note} placeholder="who sits there, by team" aria-label="Note on the new seat" />
		<Button size="sm" color="alternative" type="submit" disabled={!isSound}>Add seat</Button>
	</form>
	{#if id !== '' && !isSound}<p class="quiet small">
			A seat id has one to three capitals, a hyphen and two or three digits, as in C-04.
		</p>{/if}
{/if}

<style>
	ul {
		display: grid;
		gap: 8px;
		margin: 0;
		padding: 0;
		list-style: none;
	}
	ul > li.quiet {
		padding: 10px 12px;
		border: 1px solid var(--line-strong);
	}
	.small {
		font-size: 12.5px;
	}
	form {
		display: grid;
		grid-template-columns: 92px 1fr auto;
		gap: 8px;
	}
</style>
