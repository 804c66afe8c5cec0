<script lang="ts">
	import { PLATFORM_NAMES, type DeskSetup } from '$core/keyboard/desk';
	import type { Face, Plane } from '$core/answer/key-face';
	import { PLANES } from '$core/keyboard/office-desks';
	import { POSITION_BY_CODE } from '$core/keyboard/positions';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import StratumChip from '../StratumChip.svelte';
	import { readable } from '$core/stroke/stroke';
	import { labelOf, outcomeText } from '../wording';
	import { legendOf, modifierName } from './legend';
	import Table from '../kit/Table.svelte';

	/** The keys by the rows of the keyboard, as people print it and pin it beside the screen. */
	let { faces, desk }: { faces: readonly Face[]; desk: DeskSetup } = $props();
	const workspace = useWorkspace();
	const ROWS = [
		['E', 'Number row'],
		['D', 'Upper letter row'],
		['C', 'Middle letter row'],
		['B', 'Lower letter row'],
		['A', 'Space'],
		['K', 'Function row'],
		['other', 'Editing and numeric keys']
	] as const;
	/** The alphanumeric section ends before column 20; the editing and numeric sections follow (ISO/IEC 9995-1). */
	const rowOf = ({ key }: Face) => {
		const iso = POSITION_BY_CODE.get(key.code)?.iso;
		const column = Number(iso?.slice(1));
		return iso && (column < 20 || column > 90) ? iso[0] : 'other';
	};
	/** What the application or the system of the chosen equipment keeps the stroke for. */
	const keptOn = ({ keys }: Plane) =>
		keys === undefined
			? undefined
			: workspace.office.kept(keys).find(({ platform }) => platform === undefined || platform === PLATFORM_NAMES[desk.platform]);
	const isUsed = (face: Face) => face.planes.some((p) => p.binding || keptOn(p));
	const nameOf = (face: Face) => legendOf(face.key.code, face.legends, false) || 'Space';
	const rows = $derived(
		ROWS.map(([row, name]) => {
			const list = faces.filter((face) => rowOf(face) === row && face.planes.some((p) => p.keys !== undefined));
			return { name, faces: list.filter(isUsed), free: list.filter((face) => !isUsed(face)).map(nameOf) };
		}).filter(({ faces: used, free }) => used.length + free.length > 0)
	);
	/** Sequences that begin with the stroke and can go on here, each with what it runs. */
	const sequencesOf = ({ keys, outcome }: Plane) =>
		keys !== undefined && outcome?.kind === 'waits'
			? outcome.longer.map((b) => ({ ...b, rest: b.keys.slice(keys.length + 1) }))
			: [];
	const planeName = (i: number) => PLANES[i]!.map((m) => modifierName(m, desk.platform)).join('+') || 'alone';
</script>

<div class="rows">
	<p class="quiet">In {workspace.space.labelOf(workspace.situation)}.</p>
	<Table name="Keys and what they run" heads={['Key', ...PLANES.map((_, i) => planeName(i))]} isFixed>
		{#each rows as { name, faces: list, free } (name)}
			<tbody>
				<tr><th scope="rowgroup" colspan={PLANES.length + 1} class="row">{name}</th></tr>
				{#each list as face (face.key.code)}
					<tr>
						<th scope="row" class="key">{nameOf(face)}</th>
						{#each face.planes as plane, i (i)}
							<td>
								{#if plane.outcome?.kind === 'waits'}
									{#each sequencesOf(plane) as sequence (sequence.key)}
										<div>
											<StratumChip id={sequence.stratum} /> then {readable(sequence.rest)}: {labelOf(
												workspace.index,
												sequence.command
											)}
										</div>
									{/each}
									{#if plane.outcome.then.kind !== 'nothing'}<div>
											alone: {outcomeText(workspace.index, plane.outcome.then)}
										</div>{/if}
								{:else if plane.binding}<StratumChip id={plane.binding.stratum} />
									{outcomeText(workspace.index, plane.outcome!)}{/if}
								{#if keptOn(plane)}{@const kept = keptOn(plane)!}
									<div class="tone-limonite toned">
										reserved: {kept.platform ?? 'the program itself'}
										{kept.does}
									</div>{/if}
							</td>
						{/each}
					</tr>
				{/each}
				{#if free.length > 0}<tr
						><td colspan={PLANES.length + 1} class="quiet">Free with every modifier: {free.join('  ')}</td></tr
					>{/if}
			</tbody>
		{/each}
	</Table>
</div>

<style>
	.rows {
		padding: var(--space-1) var(--space-4) var(--space-4);
	}
	.row {
		padding: var(--space-3) 6px 3px;
		font-size: var(--dense);
		color: var(--ink-2);
	}
	td,
	.key {
		padding: 3px 6px;
		border-top: 1px solid var(--line);
		vertical-align: top;
	}
	.rows :global(thead th:first-child) {
		width: 62px;
	}
</style>
