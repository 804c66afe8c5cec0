<script lang="ts">
	import { readSeats, SEAT_COLUMNS, type ReadSeat } from '$core/release/seats-csv';
	import type { RolloutDesk } from '$lib/state/rollout-desk.svelte';
	import ListDialog from '../ListDialog.svelte';

	/** Adds several seats in one step, with the codes by which their workstations become them. */
	let { desk, onclose }: { desk: RolloutDesk; onclose: () => void } = $props();
	const ringOf = ({ seat }: ReadSeat) => desk.rings.find(({ id }) => id === seat.ring)?.name ?? desk.rings.at(-1)?.name ?? '';
	const EXAMPLE = 'id,ring,site,note\nC-21,,Hall 2,door desk';
</script>

<ListDialog
	title="Add seats"
	label="The seats"
	example={EXAMPLE}
	heads={['Id', 'Ring', 'Site', 'Note']}
	read={(text) =>
		readSeats(
			text,
			desk.rings,
			desk.seats.map(({ id }) => id)
		)}
	cells={(row) => [row.seat.id, ringOf(row), row.seat.site, row.seat.note]}
	act={(many) => (many <= 1 ? 'Add' : `Add ${many} seats`)}
	busy={desk.busy}
	failed={desk.failed}
	onact={(rows) => desk.addAll(rows.map(({ seat }) => seat))}
	{onclose}
>
	<p>
		One seat per line: {SEAT_COLUMNS.join(', ')}. Only the id is required. Paste from a spreadsheet, or drop a CSV file.
		{desk.signing
			? 'Each gets a code, to be used on its workstation within a day.'
			: 'Codes can be made once releases are signed.'}
	</p>
</ListDialog>
