<script lang="ts">
	import { Button, Input } from 'flowbite-svelte';
	import type { DeskSetup } from '$core/keyboard/desk';
	import { LAYOUTS } from '$core/keyboard/layouts';
	import { PLATFORM_NAMES } from '$core/keyboard/desk';
	import ScreensPicker from './ScreensPicker.svelte';
	import DeskPicker from '../DeskPicker.svelte';
	import { SeatId, type Seat, type SeatState } from '$core/release/release';

	/** The seats as they report themselves, each drawn beside the release that the office follows. */
	let {
		seats,
		channel,
		now,
		onrestore,
		ondiffer,
		ondesk,
		onadd,
		onremove,
		isAway,
		address
	}: {
		seats: readonly (Seat & { state: SeatState })[];
		channel: number | null;
		now: number;
		onrestore: (id: string) => void;
		/** What the seat's file says otherwise than its release is wanted. */
		ondiffer: (id: string, release: number) => void;
		ondesk: (id: string, desk: DeskSetup) => void;
		onadd: (id: string, note: string) => Promise<boolean>;
		onremove: (id: string) => void;
		/** Whether the server could not be reached: what is listed may be old, and nothing listed says nothing. */
		isAway: boolean;
		/** Where seats ask. */
		address: string;
	} = $props();
	let id = $state('');
	let note = $state('');
	let changing = $state<string | undefined>(undefined);
	const isSound = $derived(SeatId.safeParse(id.trim()).success);

	const looks: Record<SeatState, { sign: string; tone: string; text: string }> = {
		current: { sign: '✓', tone: 'epidote', text: 'current' },
		behind: { sign: '▲', tone: 'limonite', text: 'behind' },
		drifted: { sign: '≠', tone: 'garnet', text: 'drifted' },
		refused: { sign: '◆', tone: 'garnet', text: 'refused' },
		offline: { sign: '○', tone: 'limonite', text: 'offline' },
		never: { sign: '…', tone: 'limonite', text: 'not heard of yet' }
	};

	function ago(at: string | null): string {
		if (!at) return 'never';
		const seconds = Math.max(0, Math.round((now - Date.parse(at)) / 1000));
		return seconds < 90
			? `${seconds} s ago`
			: seconds < 5400
				? `${Math.round(seconds / 60)} min ago`
				: new Date(at).toLocaleString('en-GB', { dateStyle: 'short', timeStyle: 'short' });
	}

	async function add(event: SubmitEvent) {
		event.preventDefault();
		if (isSound && (await onadd(id.trim(), note.trim()))) id = note = '';
	}
</script>

<ul>
	{#each seats as seat (seat.id)}
		{@const look = looks[seat.state]}
		<li class="tone-{look.tone}">
			<span class="desk" aria-hidden="true"><b>{seat.report?.release ?? '–'}</b></span>
			<div>
				<h3>{seat.id} <small class="quiet">{seat.note}</small></h3>
				<p>
					<span class="toned"><span aria-hidden="true">{look.sign}</span> {look.text}</span>{#if seat.report?.release}, release {seat
							.report.release}{/if}{#if seat.state === 'behind' && channel}, should be {channel}{/if}
				</p>
				<p class="quiet small">
					heard {ago(seat.lastSeen)}{#if seat.report?.message && seat.state !== 'current'}; {seat.report.message}{/if}
				</p>
			</div>
			<span class="acts">
				<button
					type="button"
					class="linkish small"
					aria-expanded={changing === seat.id}
					aria-label="Desk of {seat.id}: {LAYOUTS[seat.desk.layout].name}, {PLATFORM_NAMES[seat.desk.platform]}"
					onclick={() => (changing = changing === seat.id ? undefined : seat.id)}
					>{LAYOUTS[seat.desk.layout].name}, {PLATFORM_NAMES[seat.desk.platform]}</button
				>
				<button
					type="button"
					class="linkish small"
					aria-label="Remove {seat.id}"
					title="Remove {seat.id}"
					onclick={() => onremove(seat.id)}>Remove</button
				>
			</span>
			{#if changing === seat.id}
				<div class="change">
					<DeskPicker of={seat.id} desk={seat.desk} onchange={(desk) => ondesk(seat.id, desk)} />
					<ScreensPicker of={seat.id} desk={seat.desk} onchange={(desk) => ondesk(seat.id, desk)} />
				</div>
			{/if}
			{#if seat.state === 'never'}
				<p class="start small">
					Start it on its workstation: <code>skarn seat --id {seat.id} --server {address} --folder interface</code>
				</p>
			{/if}
			{#if seat.state === 'drifted'}
				<p class="by-hand">
					{#if seat.report?.sha256}<Button size="xs" color="alternative" onclick={() => ondiffer(seat.id, seat.report!.release!)}
							>What differs …</Button
						>{/if}
					<Button size="xs" color="alternative" disabled={seat.restore} onclick={() => onrestore(seat.id)}
						>{seat.restore ? 'Asked to restore' : 'Lay release anew'}</Button
					>
				</p>
			{/if}
		</li>
	{:else}
		<li class="none quiet">
			{isAway
				? 'The server cannot be reached, so the seats are not known.'
				: 'No seats yet. Add one below, then start it on its workstation.'}
		</li>
	{/each}
</ul>
<form onsubmit={add}>
	<Input size="sm" bind:value={id} placeholder="C-04" aria-label="Id of the new seat" class="seat-id" />
	<Input size="sm" bind:value={note} placeholder="who sits there, by team" aria-label="Note on the new seat" />
	<Button size="sm" color="alternative" type="submit" disabled={!isSound}>Add seat</Button>
</form>
{#if id !== '' && !isSound}<p class="quiet small">
		A seat id has one to three capitals, a hyphen and two or three digits, as in C-04.
	</p>{/if}

<style>
	ul {
		display: grid;
		gap: 8px;
		margin: 0;
		padding: 0;
		list-style: none;
	}
	li {
		display: grid;
		grid-template-columns: 54px 1fr auto;
		gap: 12px;
		align-items: center;
		padding: 10px 12px;
		border: 1px solid var(--line-strong);
		border-left: 4px solid var(--tone);
		border-radius: var(--radius);
		background: var(--raised);
	}
	.acts {
		display: grid;
		justify-items: end;
		gap: 4px;
	}
	.by-hand {
		display: flex;
		grid-column: 2 / -1;
		gap: 8px;
	}
	.start {
		grid-column: 1 / -1;
		color: var(--ink-2);
	}
	code {
		font-family: var(--mono);
		font-size: 12px;
	}
	.none {
		display: block;
		border-left-width: 1px;
	}
	.desk {
		display: grid;
		place-items: center;
		width: 48px;
		height: 34px;
		border: 2px solid var(--ink-3);
		border-bottom-width: 6px;
		border-radius: 3px;
	}
	.change {
		grid-column: 2 / -1;
	}
	h3 small {
		font-weight: 400;
		font-size: 13px;
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
