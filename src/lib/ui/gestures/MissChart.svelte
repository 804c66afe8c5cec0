<script lang="ts">
	import { CategoryScale, Chart, Legend, LinearScale, LineController, LineElement, PointElement, Tooltip } from 'chart.js';

	/** The chance to miss a direction by the number of directions, as the rose comes and turned for this hand. */
	let {
		roses,
		limit
	}: {
		roses: readonly { readonly directions: number; readonly misses: number; readonly least: number }[];
		limit: number;
	} = $props();
	let canvas = $state<HTMLCanvasElement | undefined>(undefined);
	Chart.register(CategoryScale, LinearScale, LineController, LineElement, PointElement, Tooltip, Legend);
	const told = $derived(roses.map(({ directions, misses }) => `${directions}: ${(misses * 100).toFixed(1)} %`).join('; '));

	$effect(() => {
		if (!canvas) return;
		const colours = getComputedStyle(canvas);
		const colour = (name: string) => colours.getPropertyValue(name);
		const line = (label: string, values: number[], ink: string, dash: number[] = []) => ({
			label,
			data: values.map((share) => Math.round(share * 1000) / 10),
			borderColor: ink,
			backgroundColor: ink,
			borderDash: dash,
			pointRadius: dash.length > 0 ? 0 : 3,
			borderWidth: 2
		});
		const chart = new Chart(canvas, {
			type: 'line',
			data: {
				labels: roses.map(({ directions }) => directions),
				datasets: [
					line(
						'unturned',
						roses.map((rose) => rose.misses),
						colour('--azurite')
					),
					line(
						'turned for this hand',
						roses.map((rose) => rose.least),
						colour('--epidote')
					),
					line(
						'limit',
						roses.map(() => limit),
						colour('--garnet'),
						[5, 4]
					)
				]
			},
			options: {
				animation: false,
				responsive: true,
				maintainAspectRatio: false,
				plugins: { legend: { labels: { color: colour('--ink-2'), boxHeight: 2, boxWidth: 18 } } },
				scales: {
					x: { title: { display: true, text: 'directions', color: colour('--ink-2') }, ticks: { color: colour('--ink-2') } },
					y: {
						title: { display: true, text: '% errors', color: colour('--ink-2') },
						ticks: { color: colour('--ink-2') },
						beginAtZero: true
					}
				}
			}
		});
		return () => chart.destroy();
	});
</script>

<div class="chart" role="img" aria-label="Errors by number of directions: {told}">
	<canvas bind:this={canvas} aria-hidden="true"></canvas>
</div>

<style>
	.chart {
		position: relative;
		height: 210px;
	}
</style>
