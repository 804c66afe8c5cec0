import { valueOf } from '$core/chapters/options/option';
import type { OptionDefinition } from '$core/application/option';
import { USUAL_MANNER, type Manner } from '$core/surface/looking';
import type { Profile } from '$core/strata/stratum';

/** A place on the drawing, in millimetres from its lower left corner. */
export interface Place {
	readonly x: number;
	readonly y: number;
}

/** What the stand-in makes of the options that it heeds. */
export interface BenchOptions {
	readonly readout: boolean;
	readonly frameNumbers: boolean;
	readonly edges: 'thin' | 'plain' | 'bold';
	readonly decimals: number;
	/** In pixels of the drawing; 0 catches nothing. */
	readonly reach: number;
	readonly grid: number;
}

const USUAL: BenchOptions = { readout: true, frameNumbers: false, edges: 'plain', decimals: 2, reach: 10, grid: 0 };

/** What is said of the option under a path; undefined where the program has none. */
const saidBy =
	(options: readonly OptionDefinition[], profile: Profile) =>
	(path: string): unknown => {
		const definition = options.find((option) => option.path === path);
		return definition && valueOf(profile, definition);
	};

/** The options in force as far as the stand-in heeds them; what an application does not have is as usual. */
export function benchOptions(options: readonly OptionDefinition[], profile: Profile): BenchOptions {
	const said = saidBy(options, profile);
	return {
		readout: (said('canvas.readout') as boolean | undefined) ?? USUAL.readout,
		frameNumbers: (said('canvas.frame-numbers') as boolean | undefined) ?? USUAL.frameNumbers,
		edges: (said('canvas.edges') as BenchOptions['edges'] | undefined) ?? USUAL.edges,
		decimals: (said('units.decimals') as number | undefined) ?? USUAL.decimals,
		reach: (said('snap.reach') as number | undefined) ?? USUAL.reach,
		grid: (said('snap.grid') as number | undefined) ?? USUAL.grid
	};
}

/** How the program lets itself be navigated, by its options; as usual where it has none for it. */
export function benchManner(options: readonly OptionDefinition[], profile: Profile): Manner {
	const said = saidBy(options, profile);
	return {
		orbit: (said('navigation.orbit') as Manner['orbit'] | undefined) ?? USUAL_MANNER.orbit,
		zoom: (said('navigation.zoom') as Manner['zoom'] | undefined) ?? USUAL_MANNER.zoom,
		about: (said('navigation.about') as Manner['about'] | undefined) ?? USUAL_MANNER.about,
		speed: ((said('navigation.speed') as number | undefined) ?? 100) / 100
	};
}

/** The point that catches the pointer: the nearest one within reach; undefined if none is. */
export function caught(pointer: Place, points: readonly Place[], reach: number): Place | undefined {
	let best: Place | undefined;
	let least = reach;
	for (const point of points) {
		const distance = Math.hypot(point.x - pointer.x, point.y - pointer.y);
		if (distance <= least && reach > 0) [best, least] = [point, distance];
	}
	return best;
}

/** Millimetres of the cabin to a unit of the drawing. */
const SCALE = 10;

/** Where the pointer is, as the stand-in says it: at the point that catches it, else on the raster. */
export function readoutText(pointer: Place, points: readonly Place[], { decimals, reach, grid }: BenchOptions): string {
	const point = caught(pointer, points, reach);
	const on = (value: number) => {
		const mm = value * SCALE;
		return (point || grid <= 1 ? mm : Math.round(mm / grid) * grid).toFixed(decimals);
	};
	const { x, y } = point ?? pointer;
	return `x ${on(x)}  y ${on(y)} mm${point ? ', snapped to a corner' : ''}`;
}
