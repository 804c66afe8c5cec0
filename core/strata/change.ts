import { z } from 'zod';
import { EntryOp, Rank, type AnyEntry, type Entries, type EntryKey } from './entry.ts';
import { StratumId, type Profile } from './stratum.ts';

/** One entry of one stratum before and after: null means that it is not there. */
export interface KeyedChange<E extends AnyEntry = AnyEntry> {
	readonly stratum: StratumId;
	readonly before: E | null;
	readonly after: E | null;
}

/** The form of such a change. At least one side is an entry, and both are about the same. */
export function keyedChange<E extends AnyEntry>(entry: z.ZodType<E>, keyOf: (entry: E) => EntryKey) {
	return z.strictObject({ stratum: StratumId, before: entry.nullable(), after: entry.nullable() }).check((ctx) => {
		const { before, after } = ctx.value as KeyedChange<E>;
		const refuse = (message: string) => ctx.issues.push({ code: 'custom', input: ctx.value, message });
		if (!before && !after) refuse('a change needs an entry before or after it');
		else if (before && after && keyOf(before) !== keyOf(after)) refuse('before and after are about different things');
	}) as unknown as z.ZodType<KeyedChange<E>>;
}

/** Something is not as the edit expects it; nothing was applied. */
export class StaleChangeError extends Error {
	override name = 'StaleChangeError';
}

/** The factory stratum is never written. */
export class FactoryWriteError extends Error {
	override name = 'FactoryWriteError';
	constructor() {
		super('the factory level is read-only; edit the office or a personal level, where remove hides factory entries');
	}
}

export const entryOfChange = <E extends AnyEntry>({ before, after }: KeyedChange<E>): E => (before ?? after)!;

/** The changes that take these back, in the order in which they must be applied. */
export const inverse = <C extends KeyedChange>(changes: readonly C[]): C[] =>
	changes.map((change) => ({ ...change, before: change.after, after: change.before })).reverse();

/** What the changes of one chapter are worked out with, where a chapter's own entries are in hand. */
export interface ChangeTools<E extends AnyEntry> {
	keyOf(entry: E): EntryKey;
	/** Whether two entries under one key say the same, ranks aside. */
	saysSame(a: E, b: E): boolean;
}

const isSame = <E extends AnyEntry>({ saysSame }: ChangeTools<E>, a: E | null, b: E | null): boolean =>
	a && b ? a.op === b.op && a.rank === b.rank && saysSame(a, b) : !a && !b;

const placeOf = <E extends AnyEntry>({ keyOf }: ChangeTools<E>, change: KeyedChange<E>): string =>
	`${change.stratum}\n${keyOf(entryOfChange(change))}`;

/**
 * One change for each entry, for steps that were worked out apart from the same profile: where two of them speak of one
 * entry, a set wins over a remove. What would change nothing is left out.
 */
export function combinedBy<E extends AnyEntry>(tools: ChangeTools<E>, changes: readonly KeyedChange<E>[]): KeyedChange<E>[] {
	const byEntry = new Map<string, KeyedChange<E>>();
	for (const change of changes) {
		const place = placeOf(tools, change);
		if (byEntry.get(place)?.after?.op !== 'set') byEntry.set(place, change);
	}
	return [...byEntry.values()].filter(({ before, after }) => !isSame(tools, before, after));
}

/** Several lists of changes, each made on the profile after those before it, as one list on the first profile. */
export function composedBy<E extends AnyEntry>(
	tools: ChangeTools<E>,
	steps: Iterable<readonly KeyedChange<E>[]>
): KeyedChange<E>[] {
	const byEntry = new Map<string, KeyedChange<E>>();
	for (const changes of steps)
		for (const change of changes) {
			const place = placeOf(tools, change);
			const earlier = byEntry.get(place);
			byEntry.set(place, earlier ? { ...change, before: earlier.before } : change);
		}
	return [...byEntry.values()].filter(({ before, after }) => !isSame(tools, before, after));
}

/**
 * The changes with ranks that no other entry of their stratum has. Where one is taken, all entries that are new in that stratum
 * or that move come last, in the order in which they would have stood.
 */
export function withOwnRanksBy<E extends AnyEntry>(
	{ keyOf }: Pick<ChangeTools<E>, 'keyOf'>,
	profile: Profile,
	entriesIn: (stratum: Profile[number]) => Entries<E>,
	changes: readonly KeyedChange<E>[]
): KeyedChange<E>[] {
	const ranks = new Map<KeyedChange<E>, number>();
	for (const stratum of profile) {
		const own = changes.filter((change) => change.stratum === stratum.id);
		const coming = own.filter(({ after }) => after !== null);
		if (coming.length === 0) continue;
		// what was not there before has no place in the list yet
		const touched = new Set(own.flatMap((change) => (change.before === null ? [] : [keyOf(entryOfChange(change))])));
		const taken = new Set<number>();
		let next = 0;
		for (const [key, { rank }] of entriesIn(stratum)) {
			next = Math.max(next, rank + 1);
			if (!touched.has(key)) taken.add(rank);
		}
		if (!coming.some(({ after }) => taken.has(after!.rank) || !taken.add(after!.rank))) continue;
		const moving = coming.filter(({ before, after }) => before?.rank !== after!.rank);
		for (const change of moving.sort((a, b) => a.after!.rank - b.after!.rank)) ranks.set(change, next++);
	}
	if (ranks.size === 0) return [...changes];
	return changes.map((change) => {
		const rank = ranks.get(change);
		return rank === undefined ? change : { ...change, after: { ...change.after!, rank } };
	});
}

/** The form of an entry that says something when it is set, and names only what it is about when it removes or locks. */
export const setOrNamed = <S extends z.ZodRawShape, N extends z.ZodRawShape>(set: S, named: N) =>
	z.discriminatedUnion('op', [
		z.strictObject({ op: z.literal('set'), ...set, rank: Rank }),
		z.strictObject({ op: z.enum(['remove', 'lock'] satisfies EntryOp[]), ...named, rank: Rank })
	]);

/** What stands against a change beyond its form; `index` is its place among those that were asked about. */
export interface ChangeProblem {
	readonly index: number;
	readonly message: string;
}

/** Something cannot be written from the chosen stratum. The message names the stratum that stands in the way. */
export class OutOfReachError extends Error {
	override name = 'OutOfReachError';
}
