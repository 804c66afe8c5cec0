<script lang="ts">
	import { Button } from 'flowbite-svelte';
	import { deviationOf } from '$core/hand/circular';
	import { bearable, handSummary, type Flick } from '$core/hand/hand-test';
	import { directionText } from '$core/stroke/mouse';
	import { HandTrial } from '$lib/state/hand-trial.svelte';
	import { ask } from '$lib/state/api';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import Picker from '../Picker.svelte';
	import MissChart from './MissChart.svelte';
	import OfficeHands from './OfficeHands.svelte';
	import Table from '../kit/Table.svelte';

	/** A minute's exercise: flick where the mark shows. What it tells stays at the desk of a seat. */
	let { onend }: { onend: () => void } = $props();
	const workspace = useWorkspace();
	const trial = new HandTrial();
	let limit = $state(0.05);
	let seat = $state('');
	const tested = $derived(workspace.seats.filter(({ desk }) => (desk.hand?.length ?? 0) > 0));
	/** The flicks that are looked at: those just made, or those of a seat. */
	const flicks = $derived.by((): readonly Flick[] => {
		if (trial.flicks.length > 0) return trial.flicks;
		return workspace.seats.find(({ id }) => id === seat)?.desk.hand ?? [];
	});
	const summary = $derived(handSummary(flicks));
	const bears = $derived(summary && bearable(summary, limit));
	const bounds = $derived(
		summary?.kappa
			? `, between ${deviationOf(summary.kappa[1]).toFixed(1)}° and ${deviationOf(summary.kappa[0]).toFixed(1)}° with 95 % confidence`
			: ''
	);
	const best = $derived(bears?.roses.find(({ directions }) => directions === bears.most));

	const signed = (degrees: number) => `${degrees < 0 ? '−' : '+'}${Math.abs(degrees).toFixed(1)}`;

	const SIZE = 340;
	const mark = $derived.by(() => {
		const angle = ((trial.wanted ?? 0) * Math.PI) / 180;
		return { x: SIZE / 2 + Math.sin(angle) * 120, y: SIZE / 2 - Math.cos(angle) * 120 };
	});

	function place(event: PointerEvent): readonly [number, number] {
		return [event.clientX, event.clientY];
	}

	async function keep(id: string) {
		const { desk } = workspace.seats.find((one) => one.id === id)!;
		try {
			await ask(`/api/seats/${id}/desk`, 'PUT', { ...desk, hand: trial.flicks });
			await workspace.reload();
			workspace.notice = { kind: 'done', text: `The measured hand is saved for ${id}.` };
		} catch (error) {
			workspace.notice = { kind: 'failed', text: (error as Error).message };
		}
	}
</script>

<div class="test">
	<div class="left">
		<!-- svelte-ignore a11y_no_static_element_interactions -->
		<div
			class="pad"
			data-pad
			style="width:{SIZE}px;height:{SIZE}px"
			onpointerdown={(event) => {
				if (trial.wanted === undefined) return;
				(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
				trial.press(...place(event), event.timeStamp);
				event.preventDefault();
			}}
			onpointerup={(event) => trial.release(...place(event), event.timeStamp)}
			onpointercancel={() => trial.lose()}
			onlostpointercapture={() => trial.lose()}
			oncontextmenu={(event) => event.preventDefault()}
		>
			{#if trial.wanted !== undefined}
				<span class="start"></span>
				<span class="mark" style="left:{mark.x}px;top:{mark.y}px" data-wanted={trial.wanted}></span>
			{:else}
				<p>
					{trial.flicks.length > 0
						? `${trial.flicks.length} flicks.`
						: 'Press any button near the middle, flick towards the mark, and let go. 40 times, as fast as you work.'}
				</p>
			{/if}
		</div>
		<p class="acts">
			{#if trial.wanted !== undefined}
				<span class="num">{trial.flicks.length} of {trial.many}</span>
				<Button size="xs" color="alternative" onclick={() => trial.stop()}>Stop here</Button>
			{:else}
				<Button size="xs" onclick={() => trial.begin()}>{trial.flicks.length > 0 ? 'Once more' : 'Begin'}</Button>
				<Button size="xs" color="alternative" onclick={onend}>Back to the roses</Button>
			{/if}
			{#if trial.note}<span class="quiet" role="status">{trial.note}</span>{/if}
		</p>
		{#if trial.wanted === undefined && trial.flicks.length === 0 && tested.length > 0}
			<p>
				Show <Picker
					label="Hand measured at"
					value={seat}
					items={[{ value: '', name: 'all equipment' }, ...tested.map(({ id }) => ({ value: id as string, name: id }))]}
					onpick={(id) => (seat = id)}
				/>
			</p>
		{/if}
	</div>
	{#if tested.length > 0 && flicks.length === 0 && trial.wanted === undefined}
		<OfficeHands {tested} {limit} onpick={(id) => (seat = id)} />
	{/if}
	{#if summary && bears && trial.wanted === undefined}
		<div class="told">
			<h2>
				{#if bears.most}Your hand can tell {bears.most} directions apart{:else}Two directions already exceed the limit{/if}
			</h2>
			<p>
				<span class="num">{summary.n}</span> spread of your flicks:
				<b class="num">{deviationOf(summary.spread.kappa).toFixed(1)}°</b>{bounds}.
				{#if best && best.turn !== 0}A rose of {best.directions} turned by {best.turn}° fits best: {(best.least * 100).toFixed(1)} %
					land wrong instead of {(best.misses * 100).toFixed(1)} %.{/if}
			</p>
			<label class="pair"
				>Acceptable error rate <Picker
					label="Limit"
					value={String(limit)}
					items={[0.02, 0.05, 0.1].map((share) => ({ value: String(share), name: `${share * 100} %` }))}
					onpick={(share) => (limit = Number(share))}
				/></label
			>
			<MissChart roses={bears.roses} {limit} />
			<Table
				name="Your hand by direction"
				heads={[
					'Direction',
					{ name: 'Deviation', unit: '°' },
					{ name: 'Spread', unit: '°' },
					{ name: 'Length', unit: 'px' },
					{ name: 'Time', unit: 'ms' },
					{ name: 'Strokes', isNumber: true }
				]}
			>
				<tbody>
					{#each summary.directions as one (one.wanted)}
						<tr>
							<td>{directionText(one.wanted)}</td>
							<td class="num">{signed(one.bias)}</td>
							<td class="num">{deviationOf(one.spread.kappa).toFixed(1)}</td>
							<td class="num">{one.length.toFixed(0)}</td>
							<td class="num">{one.ms.toFixed(0)}</td>
							<td class="num">{one.n}</td>
						</tr>
					{/each}
				</tbody>
			</Table>
			{#if trial.flicks.length > 0 && workspace.seats.length > 0}
				<p class="pair">
					Save for <Picker
						label="Save for the equipment of"
						value=""
						items={[{ value: '', name: 'equipment …' }, ...workspace.seats.map(({ id }) => ({ value: id as string, name: id }))]}
						onpick={(id) => id !== '' && void keep(id)}
					/>
				</p>
			{/if}
		</div>
	{/if}
</div>

<style>
	.test {
		display: flex;
		gap: var(--space-6);
		min-height: 0;
		overflow-y: auto;
	}
	.pad {
		position: relative;
		display: grid;
		place-items: center;
		flex: none;
		border: 1px solid var(--control);
		border-radius: 5px;
		background: var(--raised);
		touch-action: none;
		user-select: none;
	}
	.pad p {
		max-width: 24ch;
		color: var(--ink-2);
		text-align: center;
	}
	.start,
	.mark {
		position: absolute;
		width: 14px;
		height: 14px;
		transform: translate(-50%, -50%);
		border-radius: 50%;
	}
	.start {
		top: 50%;
		left: 50%;
		border: 2px solid var(--line-strong);
	}
	.mark {
		background: var(--azurite);
	}
	.acts {
		display: flex;
		gap: var(--space-2);
		align-items: center;
		margin: var(--space-2) 0;
	}
	.told {
		display: grid;
		flex: 1;
		gap: var(--space-2);
		align-content: start;
		min-width: 0;
	}
	h2,
	p {
		margin: 0;
	}
	h2 {
		font-size: var(--heading);
	}
	.pair {
		display: flex;
		gap: var(--space-2);
		align-items: center;
	}
</style>
