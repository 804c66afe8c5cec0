<script lang="ts">
	import { moment, shortMoment } from '$lib/ui/when';
	import { Button } from 'flowbite-svelte';
	import { PLATFORM_NAMES } from '$core/keyboard/desk';
	import { LAYOUTS } from '$core/keyboard/layouts';
	import { followedBy, placeOf, type RingId } from '$core/release/rings';
	import type { RolloutDesk, RolloutSeat } from '$lib/state/rollout-desk.svelte';
	import DeskPicker from '../DeskPicker.svelte';
	import Picker from '../Picker.svelte';
	import ScreensPicker from './ScreensPicker.svelte';
	import SeatTrouble from './SeatTrouble.svelte';
	import { SEAT_LOOKS } from './seat-looks';

	/** One seat as it reports itself, drawn beside the release that its ring follows. */
	let {
		seat,
		desk,
		address,
		ondiffer,
		onremove
	}: {
		seat: RolloutSeat;
		desk: RolloutDesk;
		/** Where seats ask. */
		address: string;
		/** What the seat's file says otherwise than it was given is wanted. */
		ondiffer: (seat: RolloutSeat) => void;
		onremove: (id: string) => void;
	} = $props();
	let isChanging = $state(false);
	const look = $derived(SEAT_LOOKS[seat.state]);
	const wanted = $derived(followedBy(desk.rings.length > 0 ? desk.rings : [], desk.course, seat.ring));
	const ring = $derived(desk.rings[placeOf(desk.rings, seat.ring)]);
	const sits = $derived(desk.sitting(seat));
	const code = $derived(desk.code?.seat === seat.id ? desk.code : undefined);
	const SHOWN = 4;

	function ago(at: string | null): string {
		if (!at) return 'never';
		const seconds = Math.max(0, Math.round((desk.now - Date.parse(at)) / 1000));
		return seconds < 90 ? `${seconds} s ago` : seconds < 5400 ? `${Math.round(seconds / 60)} min ago` : shortMoment(at);
	}
</script>

<li class="tone-{look.tone}">
	<span class="desk" aria-hidden="true"><b>{seat.report?.release ?? '–'}</b></span>
	<div>
		<h3>
			{seat.id}
			<small class="quiet">{[seat.note, seat.site, desk.rings.length > 1 ? ring?.name : ''].filter(Boolean).join(', ')}</small>
		</h3>
		<p>
			<span class="toned"><span aria-hidden="true">{look.sign}</span> {look.text}</span>{#if seat.report?.release}, release {seat
					.report.release}{/if}{#if seat.state === 'behind' && wanted}, should be {wanted}{/if}{#if sits}; <b>{sits}</b>{/if}
		</p>
		<p class="quiet small">
			last contact {ago(seat.lastSeen)}{#if seat.report?.message && seat.state !== 'current'}; {seat.report.message}{/if}
		</p>
	</div>
	<span class="acts">
		<button
			type="button"
			class="linkish small"
			aria-expanded={isChanging}
			aria-label="Equipment of {seat.id}: {LAYOUTS[seat.desk.layout].name}, {PLATFORM_NAMES[seat.desk.platform]}"
			onclick={() => (isChanging = !isChanging)}>{LAYOUTS[seat.desk.layout].name}, {PLATFORM_NAMES[seat.desk.platform]}</button
		>
		{#if desk.maySeats}<button
				type="button"
				class="linkish small"
				aria-label="Remove {seat.id}"
				title="Remove {seat.id}"
				onclick={() => onremove(seat.id)}>Remove</button
			>{/if}
	</span>
	{#if seat.state === 'drifted' && seat.report}
		{#if seat.report.differences.length > 0}
			<ul class="differences small" aria-label="Local edits at {seat.id}">
				{#each seat.report.differences.slice(0, SHOWN) as difference (difference)}<li>{difference}</li>{/each}
				{#if seat.report.differences.length > SHOWN}<li class="quiet">and {seat.report.differences.length - SHOWN} more</li>{/if}
			</ul>
		{/if}
		<p class="by-hand">
			{#if seat.report.sha256 && desk.maySurvey}<Button size="xs" color="alternative" onclick={() => ondiffer(seat)}
					>Differences …</Button
				>{/if}
			{#if desk.maySeats}<Button size="xs" color="alternative" disabled={seat.restore} onclick={() => void desk.restore(seat.id)}
					>{seat.restore ? 'Asked to restore' : 'Reinstall release'}</Button
				>{/if}
		</p>
	{/if}
	{#if seat.report && seat.report.restart.length > 0}
		<p class="wide small">
			<span class="tone-limonite toned">▲ Restart required</span> for {seat.report.restart.join(', ')}.
		</p>
	{/if}
	<div class="under small"><SeatTrouble {seat} {desk} /></div>
	{#if isChanging}
		<div class="change">
			<DeskPicker of={seat.id} desk={seat.desk} onchange={(next) => void desk.setDesk(seat.id, next)} />
			<ScreensPicker of={seat.id} desk={seat.desk} onchange={(next) => void desk.setDesk(seat.id, next)} />
			<p class="line">
				{#if desk.rings.length > 1}
					<span class="quiet">Ring</span>
					<Picker
						label="Ring of {seat.id}"
						items={desk.rings.map(({ id, name }) => ({ value: id, name }))}
						value={ring?.id ?? ''}
						disabled={!desk.maySeats}
						onpick={(value) => void desk.place(seat.id, value as RingId)}
					/>
				{/if}
				<span class="quiet">User</span>
				<Picker
					label="User of {seat.id}"
					items={[
						{ value: '', name: seat.sitting && !desk.isMine(seat) ? sits : 'no one: the released levels' },
						...(seat.sitting && !desk.isMine(seat) && !desk.maySeats
							? []
							: desk.setups.map(({ id, name }) => ({ value: id, name: `you, with ${name}` })))
					]}
					value={desk.isMine(seat) ? seat.sitting!.setup : ''}
					onpick={(value) => void desk.sit(seat.id, value === '' ? null : value)}
				/>
				{#if seat.sitting && (desk.isMine(seat) || desk.maySeats)}<button
						type="button"
						class="linkish small"
						onclick={() => void desk.sit(seat.id, null)}>No user</button
					>{/if}
			</p>
			{#if seat.isEnrolled && desk.maySeats}
				<p class="small quiet">
					Enrolled with its own key. <button type="button" class="linkish" onclick={() => void desk.makeCode(seat.id)}
						>Create a code</button
					> to enrol another workstation as this seat.
				</p>
			{/if}
		</div>
	{/if}
	{#if !seat.isEnrolled || code}
		<div class="wide small">
			{#if code}
				<p>
					Run this once on the workstation, before {moment(code.until)}:
				</p>
				<code>skarn seat --server {address} --folder interface --code {code.code}</code>
				<button type="button" class="linkish" onclick={() => void navigator.clipboard?.writeText(code.code)}>Copy</button>
			{:else if desk.signing === null}
				<p class="quiet">The seat can enrol when releases are signed.</p>
			{:else if desk.maySeats}
				<Button size="xs" color="alternative" disabled={desk.busy} onclick={() => void desk.makeCode(seat.id)}
					>Create the code for {seat.id}</Button
				>
				<span class="quiet">to enrol its workstation</span>
			{:else}
				<p class="quiet">Not enrolled yet. A steward creates its code.</p>
			{/if}
		</div>
	{/if}
</li>

<style>
	li {
		display: grid;
		grid-template-columns: 54px 1fr auto;
		gap: var(--space-2) var(--space-3);
		align-items: center;
		padding: var(--space-2) var(--space-3);
		border: 1px solid var(--line-strong);
		border-left: 4px solid var(--tone);
		border-radius: var(--radius);
		background: var(--raised);
	}
	.acts {
		display: grid;
		justify-items: end;
		gap: var(--space-1);
	}
	.by-hand,
	.line {
		display: flex;
		flex-wrap: wrap;
		grid-column: 2 / -1;
		gap: var(--space-2);
		align-items: center;
	}
	.differences {
		grid-column: 2 / -1;
		margin: 0;
		padding: 0;
		font-family: var(--mono);
		list-style: none;
	}
	.differences li {
		display: block;
		padding: 0;
		border: 0;
		background: none;
	}
	.under {
		display: grid;
		grid-column: 2 / -1;
		gap: var(--space-1);
	}
	.wide {
		grid-column: 1 / -1;
		color: var(--ink-2);
	}
	code {
		display: block;
		overflow-wrap: anywhere;
		font-family: var(--mono);
		font-size: var(--caption);
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
		display: grid;
		grid-column: 1 / -1;
		gap: var(--space-2);
	}
	h3 small {
		font-weight: 400;
		font-size: var(--dense);
	}
	.small {
		font-size: var(--caption);
	}
</style>
