<script lang="ts">
	import type { ShapeAmong } from '$core/hand/confusions';
	import type { Shape } from '$core/chapters/gestures/shape';

	/** What each shape is taken for when hands of the office draw it often: a row for each shape, a column for what it is taken for. */
	let {
		shapes,
		among,
		spread,
		onselect
	}: {
		shapes: readonly Shape[];
		/** Undefined while it is worked out. */
		among: readonly ShapeAmong[] | undefined;
		/** How many degrees the hand goes off. */
		spread: number;
		onselect: (shape: string) => void;
	} = $props();
	const rows = $derived(among?.length === shapes.length ? among : undefined);
	const labels = $derived(new Map(shapes.map(({ id, label }) => [id, label])));
	/** The one to draw anew: whose own lead over the next one is least. */
	const worst = $derived(rows?.reduce((a, b) => ((b.nearest?.margin ?? 180) < (a.nearest?.margin ?? 180) ? b : a), rows[0]!));
	const percent = (share: number) => (share < 0.005 ? '' : String(Math.round(share * 100)));
	const refused = ({ taken }: ShapeAmong) => Math.max(0, 1 - taken.reduce((sum, share) => sum + share, 0));
	const told = $derived(
		worst?.nearest
			? `${labels.get(worst.id)} comes nearest to another shape: ${labels.get(worst.nearest.id)} is ${Math.max(0, worst.nearest.margin).toFixed(0)}° farther off than its own drawings${worst.nearest.margin < 15 ? '. Draw it anew, more unlike' : ''}.`
			: ''
	);
</script>

<section aria-label="Taken for each other">
	<h2>Taken for each other</h2>
	<p class="quiet">
		In how many of 100 drawings, by a hand that goes off by {spread.toFixed(0)}°: the least steady of the office. {told}
	</p>
	{#if !rows}<p class="quiet">Drawing all of them …</p>
	{:else}
		<table class="num">
			<thead>
				<tr>
					<th scope="col">drawn</th>
					{#each shapes as { id, label } (id)}<th scope="col">{label}</th>{/each}
					<th scope="col">nothing</th>
					<th scope="col">lead</th>
				</tr>
			</thead>
			<tbody>
				{#each rows as row, i (row.id)}
					<tr>
						<th scope="row"
							><button class="linkish" type="button" onclick={() => onselect(row.id)}>{labels.get(row.id)}</button></th
						>
						{#each row.taken as share, j (j)}
							<td
								class:own={i === j}
								class:bad={i !== j && share > 0.05}
								style="--share:{Math.round(share * 100)}%"
								aria-label="{labels.get(row.id)} taken for {shapes[j]?.label}: {Math.round(share * 100)} %">{percent(share)}</td
							>
						{/each}
						<td class:bad={refused(row) > 0.05}>{percent(refused(row))}</td>
						<td>{row.nearest ? `${row.nearest.margin.toFixed(0)}°` : ''}</td>
					</tr>
				{/each}
			</tbody>
		</table>
	{/if}
</section>

<style>
	h2 {
		margin: 0 0 2px;
		font-size: 15px;
	}
	p {
		margin: 0 0 8px;
		font-size: 13px;
	}
	table {
		border-collapse: collapse;
		font-size: 13px;
	}
	th {
		padding: 3px 8px;
		color: var(--ink-2);
		font-weight: 500;
	}
	tbody th {
		text-align: left;
	}
	td {
		min-width: 52px;
		padding: 4px 8px;
		border: 1px solid var(--line);
		text-align: right;
	}
	.own {
		background: color-mix(in srgb, var(--epidote) calc(var(--share) / 5), transparent);
	}
	.bad {
		background: color-mix(in srgb, var(--garnet) 18%, transparent);
		font-weight: 650;
	}
</style>
