/** One line of the report; `most` is the number that the figure may not exceed. */
export interface Line {
	readonly what: string;
	readonly value?: number;
	readonly unit?: string;
	readonly most?: number;
	readonly least?: number;
}

export function percentile(values: readonly number[], p: number): number {
	const sorted = [...values].sort((a, b) => a - b);
	return sorted[Math.min(sorted.length - 1, Math.floor((p / 100) * sorted.length))]!;
}

export const mean = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length;

export const median = (values: readonly number[]): number => percentile(values, 50);

/** Prints the lines and returns whether every figure keeps its limit. */
export function report(lines: readonly Line[]): boolean {
	let sound = true;
	for (const { what, value, unit, most, least } of lines) {
		if (value === undefined) {
			console.log(`\n${what}`);
			continue;
		}
		const kept = (most === undefined || value <= most) && (least === undefined || value >= least);
		sound &&= kept;
		const limit = most !== undefined ? `at most ${most}` : least !== undefined ? `at least ${least}` : '';
		console.log(
			`  ${kept ? ' ' : '!'} ${value.toFixed(value < 10 ? 3 : 1).padStart(9)} ${(unit ?? '').padEnd(4)} ${what}${limit && `  (${limit})`}`
		);
	}
	return sound;
}
