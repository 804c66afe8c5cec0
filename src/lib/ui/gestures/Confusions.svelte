<script lang="ts">
	import type { ShapeAmong } from '$core/hand/confusions';
	import type { Shape } from '$core/chapters/gestures/shape';
	import Table from '../kit/Table.svelte';

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
			? `${labels.get(worst.id)} has the smallest margin: ${labels.get(worst.nearest.id)} differs by ${Math.max(0, worst.nearest.margin).toFixed(0)}° more than its own drawings${worst.nearest.margin < 15 ? '. Redraw it so that it differs more' : ''}.`
			: ''
	);
</script>

<section aria-label="Confusions">
	<h2>Confusions</h2>
	<p class="quiet">
		Per 100 drawings, for a hand with a spread of {spread.toFixed(0)}°, the largest in the office. {told}
	</p>
	{#if !rows}<p class="quiet">Computing …</p>
	{:else}
		<Table
			name="Confusions"
			heads={[
				'Drawn',
				...shapes.map(({ label }) => ({ name: label, isNumber: true })),
				{ name: 'Nothing', isNumber: true },
				{ name: 'Margin', unit: '°' }
			]}
		>
			<tbody>
				{#each rows as row, i (row.id)}
					<tr>
						<th scope="row"
							><button class="linkish" type="button" onclick={() => onselect(row.id)}>{labels.get(row.id)}</button></th
						>
						{#each row.taken as share, j (j)}
							<td
								class="num"
								class:own={i === j}
								class:bad={i !== j && share > 0.05}
								style="--share:{Math.round(share * 100)}%"
								aria-label="{labels.get(row.id)} recognised as {shapes[j]?.label}: {Math.round(share * 100)} %"
								>{percent(share)}</td
							>
						{/each}
						<td class="num" class:bad={refused(row) > 0.05}>{percent(refused(row))}</td>
						<td class="num">{row.nearest?.margin.toFixed(0) ?? ''}</td>
					</tr>
				{/each}
			</tbody>
		</Table>
	{/if}
</section>

<style>
	h2 {
		margin: 0 0 2px;
		font-size: var(--body);
	}
	p {
		margin: 0 0 var(--space-2);
		font-size: var(--dense);
	}
	td {
		min-width: 52px;
	}
	.own {
		background: color-mix(in srgb, var(--epidote) calc(var(--share) / 5), transparent);
	}
	.bad {
		background: color-mix(in srgb, var(--garnet) 18%, transparent);
		font-weight: 650;
	}
</style>
