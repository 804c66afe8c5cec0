<script lang="ts">
	import type { Path } from '$core/hand/unistroke';

	/** The drawings of a shape over each other, about their middles and at one size; a dot where each begins. */
	let { samples, at, size = 92 }: { samples: readonly Path[]; at?: number | undefined; size?: number } = $props();
	const MARGIN = 9;

	/** A drawing as points about the middle of its extent, its greater side 1. */
	function fitted(path: Path): readonly (readonly [number, number])[] {
		const xs = path.filter((_, i) => i % 2 === 0);
		const ys = path.filter((_, i) => i % 2 === 1);
		const [left, right, top, bottom] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
		const scale = 1 / Math.max(right - left, bottom - top, 1e-9);
		return xs.map((x, i) => [(x - (left + right) / 2) * scale, (ys[i]! - (top + bottom) / 2) * scale]);
	}
	const place = (value: number) => (size / 2 + value * (size - 2 * MARGIN)).toFixed(1);
	const lines = $derived(samples.map((path) => fitted(path).map(([x, y]) => [place(x), place(y)] as const)));
</script>

<svg width={size} height={size} viewBox="0 0 {size} {size}" aria-hidden="true">
	{#each lines as line, i (i)}
		<g class:on={i === at}>
			<polyline points={line.map((point) => point.join(',')).join(' ')} />
			<circle cx={line[0]?.[0]} cy={line[0]?.[1]} r="3" />
		</g>
	{/each}
</svg>

<style>
	svg {
		display: block;
		flex: none;
	}
	polyline {
		fill: none;
		stroke: var(--ink-2);
		stroke-width: 1.4;
		stroke-linejoin: round;
		opacity: 0.6;
	}
	circle {
		fill: var(--ink-2);
		opacity: 0.8;
	}
	.on polyline {
		stroke: var(--azurite);
		stroke-width: 2.6;
		opacity: 1;
	}
	.on circle {
		fill: var(--azurite);
		opacity: 1;
	}
</style>
