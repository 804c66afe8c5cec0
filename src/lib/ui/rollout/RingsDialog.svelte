<script lang="ts">
	import { Button, Input, Modal } from 'flowbite-svelte';
	import { EVERYONE, ONE_RING, Ring, type RingId } from '$core/release/rings';
	import type { RolloutDesk } from '$lib/state/rollout-desk.svelte';

	/** Which rings there are, in which order, how long a release stands in each, and how much trouble holds it up. */
	let { desk, onclose }: { desk: RolloutDesk; onclose: () => void } = $props();
	let open = $state(true);

	interface Row {
		readonly key: number;
		readonly id: RingId | undefined;
		name: string;
		soak: string;
		limit: string;
	}
	let next = 0;
	const rowOf = ({ id, name, soak, limit }: Partial<Ring>): Row => ({
		key: next++,
		id,
		name: name ?? '',
		soak: String(soak ?? 60),
		limit: String(limit ?? 0)
	});
	// svelte-ignore state_referenced_locally
	let rows = $state<Row[]>(desk.rings.filter(({ id }) => id !== EVERYONE).map(rowOf));
	// svelte-ignore state_referenced_locally
	const last: Ring = desk.rings.at(-1) ?? ONE_RING[0]!;

	const wanted = $derived(rows.map(({ id, name, soak, limit }) => ({ id, name, soak: Number(soak), limit: Number(limit) })));
	const problem = $derived.by(() => {
		for (const ring of wanted) {
			const { success, error } = Ring.omit({ id: true }).safeParse({ name: ring.name, soak: ring.soak, limit: ring.limit });
			if (!success) return `${ring.name || 'A ring'}: ${error.issues[0]!.message}`;
		}
		const names = wanted.map(({ name }) => name.trim().toLowerCase());
		return new Set(names).size < names.length ? 'Each ring needs a different name.' : '';
	});

	function move(place: number, by: number) {
		const [row] = rows.splice(place, 1);
		rows.splice(place + by, 0, row!);
	}

	async function save(event: SubmitEvent) {
		event.preventDefault();
		if (await desk.setRings([...wanted, last])) open = false;
	}
</script>

<Modal bind:open title="Rings" aria-label="Rings" size="md" {onclose}>
	<form id="rings" onsubmit={save}>
		<p class="quiet">
			A release reaches the first ring when it is published, and the next ring after its waiting time without problems.
		</p>
		<div class="row head quiet" aria-hidden="true">
			<span>Name</span><span>Minutes to the next ring</span><span>Maximum % in trouble</span><span></span>
		</div>
		{#each rows as row, place (row.key)}
			<div class="row">
				<Input size="sm" bind:value={row.name} maxlength={60} aria-label="Name of ring {place + 1}" placeholder="Pilot" />
				<Input
					size="sm"
					type="number"
					min="0"
					max="43200"
					bind:value={row.soak}
					aria-label="Minutes from ring {place + 1} to the next"
				/>
				<Input
					size="sm"
					type="number"
					min="0"
					max="100"
					bind:value={row.limit}
					aria-label="Maximum percent in trouble in ring {place + 1}"
				/>
				<span class="acts">
					<button
						type="button"
						class="linkish"
						disabled={place === 0}
						aria-label="Ring {place + 1} earlier"
						onclick={() => move(place, -1)}>▲</button
					>
					<button
						type="button"
						class="linkish"
						disabled={place === rows.length - 1}
						aria-label="Ring {place + 1} later"
						onclick={() => move(place, 1)}>▼</button
					>
					<button type="button" class="linkish" aria-label="Remove ring {place + 1}" onclick={() => rows.splice(place, 1)}
						>Remove</button
					>
				</span>
			</div>
		{/each}
		<div class="row"><span>{last.name}</span><span class="quiet rest">all other seats, last</span></div>
		<p>
			<Button
				size="xs"
				color="alternative"
				disabled={rows.length >= 11}
				onclick={() => rows.push(rowOf({ name: rows.length === 0 ? 'Pilot' : '' }))}>Add ring</Button
			>
		</p>
		{#if problem}<p class="callout tone-garnet" role="alert">{problem}</p>{/if}
	</form>
	{#snippet footer()}
		<Button type="submit" form="rings" disabled={desk.busy || problem !== ''}>Save</Button>
		<Button color="alternative" onclick={() => (open = false)}>Cancel</Button>
	{/snippet}
</Modal>

<style>
	form {
		display: grid;
		gap: var(--space-2);
	}
	.row {
		display: grid;
		grid-template-columns: 1.4fr 1fr 1fr 128px;
		gap: var(--space-2);
		align-items: center;
	}
	.head {
		font-size: var(--caption);
	}
	.rest {
		grid-column: 2 / -1;
	}
	.acts {
		display: flex;
		gap: var(--space-2);
		justify-content: end;
	}
</style>
