import { drawnAgain } from './drawn.ts';
import { seeded } from './simulated.ts';
import { distance, distanceTo, templateOf, UNLIKE, vectorOf, type Path, type Template, type Vector } from './unistroke.ts';

/** Each shape is drawn at least this often. */
const TIMES = 60;

/** A shape as it is tried against others. The same shape is the same object: what was worked out of it is kept. */
export interface Tried {
	readonly id: string;
	readonly samples: readonly Path[];
	readonly isEitherWay: boolean;
	readonly isTurned: boolean;
}

/** One drawing of a shape; a sample itself is left out where it is compared with its own shape. */
interface Trial {
	readonly vector: Vector;
	readonly sample?: number;
}

interface Worked {
	readonly kappa: number;
	readonly trials: readonly Trial[];
	/** Of each trial the distance to the nearest sample of another shape, in degrees. */
	readonly distances: WeakMap<Tried, Float64Array>;
	/** The share of the trials that another shape takes, if there is no third. */
	readonly taken: WeakMap<Tried, number>;
}

const templates = new WeakMap<Tried, Template>();

export function templateFor(shape: Tried): Template {
	let template = templates.get(shape);
	if (!template) templates.set(shape, (template = templateOf(shape.id, shape.samples, shape)));
	return template;
}

const worked = new WeakMap<Tried, Worked>();

/** The same text gives the same number (FNV-1a). */
function seedOf(text: string): number {
	let seed = 0x811c9dc5;
	for (let i = 0; i < text.length; i++) seed = Math.imul(seed ^ text.charCodeAt(i), 0x01000193);
	return seed;
}

/** The samples, if there are others to compare each with, and each drawn again so often that there are enough of them. */
function trialsOf({ id, samples }: Tried, kappa: number): Trial[] {
	const random = seeded(seedOf(id));
	const whole: Trial[] = samples.length > 1 ? samples.map((path, sample) => ({ vector: vectorOf(path), sample })) : [];
	const again = Math.ceil((TIMES - whole.length) / samples.length);
	return [
		...whole,
		...samples.flatMap((path) => Array.from({ length: again }, () => ({ vector: vectorOf(drawnAgain(path, kappa, random)) })))
	];
}

function workOf(shape: Tried, kappa: number): Worked {
	let work = worked.get(shape);
	if (work?.kappa !== kappa)
		worked.set(shape, (work = { kappa, trials: trialsOf(shape, kappa), distances: new WeakMap(), taken: new WeakMap() }));
	return work;
}

/** How far each trial of a shape lies from another shape, or from its own other samples, in degrees. */
function distancesBetween(shape: Tried, other: Tried, kappa: number): Float64Array {
	const { trials, distances } = workOf(shape, kappa);
	let row = distances.get(other);
	if (!row) {
		const template = templateFor(other);
		// those drawn backwards follow the others
		const many = shape.samples.length;
		row = Float64Array.from(trials, ({ vector, sample }) =>
			distanceTo(vector, template, shape === other && sample !== undefined ? (i) => i % many === sample : undefined)
		);
		distances.set(other, row);
	}
	return row;
}

/** What becomes of one shape, drawn often, among others. */
export interface ShapeAmong {
	readonly id: string;
	/** How often it was drawn. */
	readonly times: number;
	/** The share that was taken for each of the shapes, in their order; 1 less their sum was taken for none. */
	readonly taken: readonly number[];
	/** The other shape that its drawings come nearest to, and by how many degrees its own is nearer in the middle of all drawings. */
	readonly nearest: { readonly id: string; readonly margin: number } | undefined;
}

const middleOf = (values: readonly number[]): number => {
	const sorted = [...values].sort((a, b) => a - b);
	return sorted[sorted.length >> 1]!;
};

/**
 * What becomes of each shape when hands of this concentration draw all of them: every sample is tried against the others of its own shape
 * (leave one out), and drawn again with the hand's spread. The same shapes give the same answer each time.
 */
export function confusionsOf(shapes: readonly Tried[], kappa: number): ShapeAmong[] {
	return shapes.map((shape, own): ShapeAmong => {
		const rows = shapes.map((other) => distancesBetween(shape, other, kappa));
		const times = rows[own]!.length;
		const taken = shapes.map(() => 0);
		for (let trial = 0; trial < times; trial++) {
			let best = 0;
			for (let i = 1; i < rows.length; i++) if (rows[i]![trial]! < rows[best]![trial]!) best = i;
			if (rows[best]![trial]! <= UNLIKE) taken[best]! += 1 / times;
		}
		const margins = rows.flatMap((row, i) =>
			i === own ? [] : [{ id: shapes[i]!.id, margin: middleOf([...row].map((there, trial) => there - rows[own]![trial]!)) }]
		);
		margins.sort((a, b) => a.margin - b.margin);
		return { id: shape.id, times, taken, nearest: margins[0] };
	});
}

/**
 * Whether hands could take one for the other at all. Where the shapes are twice as far apart as a drawing may be from its own, only one
 * that is like its own no more could be taken for the other.
 */
export const canBeConfused = (one: Tried, other: Tried): boolean =>
	gapBetween(templateFor(one), templateFor(other)) <= 2 * UNLIKE;

/** How often two shapes are taken for each other, as a share of the drawings of each; as if there were only these two. */
export const confusedWith = (one: Tried, other: Tried, kappa: number): { readonly one: number; readonly other: number } => ({
	one: takenFor(one, other, kappa),
	other: takenFor(other, one, kappa)
});

function takenFor(shape: Tried, other: Tried, kappa: number): number {
	const { taken, trials } = workOf(shape, kappa);
	let share = taken.get(other);
	if (share === undefined) {
		const own = distancesBetween(shape, shape, kappa);
		const template = templateFor(other);
		const apart = gapBetween(templateFor(shape), template);
		let wrong = 0;
		for (const [trial, { vector }] of trials.entries()) {
			const far = own[trial]!;
			// whoever is nearer to the other shape has gone more than half of the way there: angles keep the triangle inequality
			if (2 * far <= apart) continue;
			const there = distanceTo(vector, template);
			if (there < far && there <= UNLIKE) wrong++;
		}
		taken.set(other, (share = wrong / trials.length));
	}
	return share;
}

/** How near any drawing of one shape comes to any of another, in degrees, if the turns that both allow are made together. */
function gapBetween(one: Template, other: Template): number {
	let gap = gaps.get(one)?.get(other) ?? gaps.get(other)?.get(one);
	if (gap !== undefined) return gap;
	const most = Math.min(180, one.most + other.most);
	gap = 180;
	for (const a of one.vectors) for (const b of other.vectors) gap = Math.min(gap, distance(a, b, most));
	let of = gaps.get(one);
	if (!of) gaps.set(one, (of = new WeakMap()));
	of.set(other, gap);
	return gap;
}

const gaps = new WeakMap<Template, WeakMap<Template, number>>();

export interface Stranger {
	readonly sample: number;
	readonly distance: number;
}

const strangers = new WeakMap<Tried, Stranger | null>();

/** The sample that is like none of the others of its shape, with how far it is from the nearest of them, in degrees. */
export function strangerIn(shape: Tried): Stranger | undefined {
	let known = strangers.get(shape);
	if (known === undefined) strangers.set(shape, (known = lookForStranger(shape) ?? null));
	return known ?? undefined;
}

function lookForStranger(shape: Tried): Stranger | undefined {
	const template = templateFor(shape);
	const many = shape.samples.length;
	if (many < 2) return undefined;
	const far = shape.samples.map((path, sample) => ({
		sample,
		distance: distanceTo(vectorOf(path), template, (i) => i % many === sample)
	}));
	const worst = far.reduce((a, b) => (b.distance > a.distance ? b : a));
	return worst.distance > UNLIKE ? worst : undefined;
}
