import { counted } from '../text/counted.ts';
import { z } from 'zod';
import { ReleaseNumber, type Seat, type SeatState } from './release.ts';

export const RingId = z
	.string()
	.regex(/^[a-z0-9][a-z0-9-]{0,39}$/, 'the id of a ring: lower-case letters, digits and hyphens')
	.brand<'RingId'>();
export type RingId = z.infer<typeof RingId>;

/** The ring of all seats that are in no other one. */
export const EVERYONE = 'everyone' as RingId;

/** Seats that get a release together. */
export const Ring = z.strictObject({
	id: RingId,
	name: z.string().trim().min(1, 'a ring needs a name').max(60),
	/** How long a release stands in this ring before the next one gets it, in minutes. */
	soak: z.number().int().min(0).max(43_200),
	/** So many of a hundred seats that have the release may be in trouble; with more the next ring waits. */
	limit: z.number().int().min(0).max(100)
});
export type Ring = z.infer<typeof Ring>;

/** The rings of an application, in the order in which releases reach them; the last one is everyone. */
export const Rings = z
	.array(Ring)
	.min(1)
	.max(12)
	.refine((rings) => new Set(rings.map(({ id }) => id)).size === rings.length, 'each ring once')
	.refine((rings) => rings.at(-1)?.id === EVERYONE, `the last ring is "${EVERYONE}"`);

/** What an office has that has made no rings: everyone at once. */
export const ONE_RING: readonly Ring[] = [{ id: EVERYONE, name: 'Everyone', soak: 0, limit: 0 }];

/** How far a release has come. */
export interface Course {
	readonly release: number;
	/** By ring the release that its seats follow; a ring that is not here follows none. */
	readonly follows: Readonly<Record<string, number>>;
	/** The place of the last ring that has it. */
	readonly reached: number;
	/** When that ring got it. */
	readonly since: string;
	readonly state: 'running' | 'paused' | 'stopped' | 'done';
}

export const Course = z.strictObject({
	release: ReleaseNumber,
	follows: z.record(z.string(), ReleaseNumber),
	reached: z.number().int().min(0),
	since: z.iso.datetime(),
	state: z.enum(['running', 'paused', 'stopped', 'done'])
}) satisfies z.ZodType<Course>;

/** A seat as its ring sees it. */
export type RingSeat = Pick<Seat, 'id' | 'report' | 'trouble'> & { readonly ring: RingId | null; readonly state: SeatState };

/** What the course waits for, and why in words; null when the next ring may have the release. */
export interface Verdict {
	readonly waits: 'trouble' | 'soak' | 'seats' | 'untested' | 'paused' | 'stopped' | 'done' | null;
	readonly why: string;
	/** The seats that are in trouble among those of the rings that have the release. */
	readonly troubled: readonly string[];
	/** When the soak time is over, if that is what it waits for. */
	readonly until: string | null;
}

/** The place of the ring that the seat is in; a ring that is not there any more is everyone. */
export function placeOf(rings: readonly Ring[], ring: RingId | null): number {
	const place = ring === null ? -1 : rings.findIndex(({ id }) => id === ring);
	return place < 0 ? rings.length - 1 : place;
}

/** The release that the seats of a ring follow; null for none yet. */
export const followedBy = (rings: readonly Ring[], course: Course | null, ring: RingId | null): number | null =>
	course?.follows[rings[placeOf(rings, ring)]!.id] ?? null;

/** A release begins: the first ring has it at once, the others follow what they followed. */
export function begin(rings: readonly Ring[], before: Course | null, release: number, now: Date): Course {
	const follows = { ...keptBy(rings, before), [rings[0]!.id]: release };
	return { release, follows, reached: 0, since: now.toISOString(), state: rings.length === 1 ? 'done' : 'running' };
}

/** Everyone follows the release from now on, whatever was under way. */
export const backTo = (rings: readonly Ring[], release: number, now: Date): Course => ({
	release,
	follows: Object.fromEntries(rings.map(({ id }) => [id, release])),
	reached: rings.length - 1,
	since: now.toISOString(),
	state: 'done'
});

/** The next ring has the release too. */
export function advanced(rings: readonly Ring[], course: Course, now: Date): Course {
	const reached = course.reached + 1;
	const ring = rings[reached];
	if (!ring) throw new RangeError('the last ring already has the release');
	return {
		...course,
		follows: { ...course.follows, [ring.id]: course.release },
		reached,
		since: now.toISOString(),
		state: reached === rings.length - 1 ? 'done' : course.state
	};
}

/**
 * The course with other rings. Rings that stay follow what they followed; a new one, what everyone follows. What was reached is
 * reached as far as the rings from the first on have the release.
 */
export function rearranged(rings: readonly Ring[], course: Course | null): Course | null {
	if (!course) return null;
	const follows = keptBy(rings, course);
	const without = rings.findIndex(({ id }) => follows[id] !== course.release);
	const reached = without < 0 ? rings.length - 1 : Math.max(0, without - 1);
	const isFirst = without === 0;
	return {
		...course,
		follows: isFirst && course.state !== 'stopped' ? { ...follows, [rings[0]!.id]: course.release } : follows,
		reached,
		state: without < 0 ? 'done' : course.state === 'done' ? 'running' : course.state
	};
}

/** What each ring follows; one that is new follows what everyone does. */
function keptBy(rings: readonly Ring[], course: Course | null): Record<string, number> {
	const all = course?.follows[EVERYONE];
	return Object.fromEntries(
		rings.flatMap(({ id }): [string, number][] => {
			const follows = course?.follows[id] ?? all;
			return follows === undefined ? [] : [[id, follows]];
		})
	);
}

const TROUBLE: readonly SeatState[] = ['drifted', 'refused', 'troubled'];

/** Whether the next ring may have the release now, and if not, what it waits for. */
export function judged(rings: readonly Ring[], course: Course, seats: readonly RingSeat[], now: Date): Verdict {
	const ring = rings[course.reached]!;
	const having = seats.filter((seat) => placeOf(rings, seat.ring) <= course.reached);
	const troubled = having.filter(({ state }) => TROUBLE.includes(state));
	const says = (waits: Verdict['waits'], why: string, until: string | null = null): Verdict => ({
		waits,
		why,
		troubled: troubled.map(({ id }) => id),
		until
	});
	if (course.state === 'done') return says('done', `Every ring follows release ${course.release}.`);
	const next = rings[course.reached + 1]?.name ?? '';
	if (course.state === 'stopped') return says('stopped', `Stopped: ${next} stays as it is.`);
	if (course.state === 'paused') return says('paused', `Paused: ${next} waits until someone continues.`);
	const share = having.length === 0 ? 0 : (100 * troubled.length) / having.length;
	if (share > ring.limit) {
		const told = troubled.slice(0, 3).map((seat) => `${seat.id} ${WORDS[seat.state]!}${toldOf(seat)}`);
		const more = troubled.length > 3 ? ` and ${troubled.length - 3} more` : '';
		return says(
			'trouble',
			`${next} waits: ${troubled.length} of ${counted(having.length, 'seat')} in trouble, more than ${ring.limit} % (${told.join('; ')}${more}).`
		);
	}
	const late = having.filter(({ state }) => state === 'behind');
	if (late.length > 0)
		return says(
			'seats',
			`${next} waits until ${late
				.slice(0, 3)
				.map(({ id }) => id)
				.join(
					', '
				)}${late.length > 3 ? ` and ${late.length - 3} more` : ''} of ${ring.name} ${late.length === 1 ? 'has' : 'have'} it.`
		);
	const mine = having.filter((seat) => placeOf(rings, seat.ring) === course.reached);
	if (mine.length === 0)
		return says(
			'untested',
			`${next} waits: ${ring.name} has no seats, so no one has tried release ${course.release}. Confirm that ${next} gets it untested, or add a seat to ${ring.name}.`
		);
	if (!mine.some(({ state }) => state === 'current' || TROUBLE.includes(state)))
		return says('seats', `${next} waits until a seat of ${ring.name} has it; none has connected yet.`);
	const until = new Date(Date.parse(course.since) + ring.soak * 60_000);
	if (until > now) return says('soak', `${next} gets it after ${minutes(ring.soak)} in ${ring.name}.`, until.toISOString());
	return says(null, `${next} gets it now.`);
}

const WORDS: Partial<Record<SeatState, string>> = {
	refused: 'refuses it',
	drifted: 'was edited locally',
	troubled: 'reports a problem'
};
function toldOf({ state, report, trouble }: RingSeat): string {
	const words = state === 'troubled' ? trouble?.words : report?.message;
	return words ? `: ${words}` : '';
}

/** A time in words, in minutes up to two hours. */
export function minutes(count: number): string {
	if (count < 120) return count === 1 ? 'a minute' : `${count} min`;
	return count < 2880 ? `${Math.round(count / 60)} h` : `${Math.round(count / 1440)} days`;
}
