import { z } from 'zod';
import type { InputRules } from '../application/application.ts';
import type { CommandId } from '../application/command.ts';
import { intersection, meets } from '../context/bits.ts';
import type { Scope } from '../context/scope.ts';
import { canonical } from '../format/canonical.ts';
import { entryOfChange, inverse, keyedChange, withOwnRanksBy, type KeyedChange } from '../strata/change.ts';
import {
	namesOf,
	type Caption,
	type Chapter,
	type Comparing,
	type Difference,
	type FileRow,
	type Ground,
	type Item,
	type Names,
	type Words
} from './chapter.ts';
import { OutOfReachError } from '../strata/change.ts';
import { applied, keyedFold, toolsOf, type Combining, type KeyedFold } from '../strata/keyed-fold.ts';
import {
	entryKeyFor,
	inOrder,
	isLockKey,
	nextRank,
	thingOf,
	type AnyEntry,
	type Entries,
	type EntryKey
} from '../strata/entry.ts';
import { levelOf, contentOf, holding, stratumById, type Profile, type Stratum, type StratumId } from '../strata/stratum.ts';

/** All that differs from one keyed chapter to the next. */
export interface KeyedDefinition<E extends AnyEntry> extends Combining<E> {
	readonly id: string;
	readonly words: Words;
	readonly entry: z.ZodType<E>;
	/** The entry as it stands in a file, without its rank. */
	readonly inFile: z.ZodType;
	/** What removes or locks the thing that the entry is about. */
	as(entry: E, op: 'remove' | 'lock'): E;
	caption(entry: E, names: Names): Caption;
	concerns(entry: E): { readonly command?: CommandId; readonly category?: string; readonly scope?: Scope };
	/** `rules` are those of the application, where it is at hand. */
	isOfMachine?(entry: E, rules?: InputRules): boolean;
	/** Why the entry cannot be written into the stratum, beyond its form and what locks of its thing forbid. */
	problem?(entry: E, ground: Ground, target: StratumId): string | undefined;
	/** What of the profile has lost its place, each with the reason; told when it comes about by two edits together. */
	losses?(profile: Profile): ReadonlyMap<string, string>;
}

const WRITTEN = 'the factory level is read-only; import into another level';

/** Why nothing can go into the stratum, if so. */
export function closedReason(profile: Profile, target: StratumId): string | undefined {
	const stratum = profile.find((s) => s.id === target);
	if (!stratum) return `there is no level "${target}" here; choose one to import into`;
	return stratum.kind === 'factory' ? WRITTEN : undefined;
}

export type KeyedChapter<E extends AnyEntry> = Chapter<Entries<E>, E, KeyedChange<E>>;

/** A chapter of keyed entries. `more` stands in place of what a chapter does in a way of its own. */
export function keyedChapter<E extends AnyEntry>(
	definition: KeyedDefinition<E>,
	more: Partial<KeyedChapter<E>> = {}
): KeyedChapter<E> {
	const { id, words, thing, caption, concerns, meeting } = definition;
	const tools = toolsOf(definition);
	const none: Entries<E> = new Map();
	const contentIn = contentOf<Entries<E>>(id, none);
	const make = (said: readonly E[]): Entries<E> => new Map(said.map((entry) => [tools.keyOf(entry), entry]));
	const told = (entry: E, names: Names) => captionText(caption(entry, names));

	const after = (profile: Profile, changes: readonly KeyedChange<E>[]): Profile =>
		profile.map((stratum) => {
			const own = changes.filter((change) => change.stratum === stratum.id);
			return own.length === 0 ? stratum : holding(stratum, id, applied(contentIn(stratum), tools, own, thing));
		});

	return {
		id,
		words,
		form: 'keyed',
		said: definition.entry,
		inFile: definition.inFile,
		change: keyedChange(definition.entry, tools.keyOf),
		contentIn,
		list: inOrder,
		contentOf: make,
		keyOf: (entry) => ({ key: thing(entry), isLock: entry.op === 'lock' }),
		toFile: ({ rank: _, ...said }) => canonical(said),
		fromFile: (value) => definition.entry.parse({ ...(definition.inFile.parse(value) as object), rank: 0 }),
		size: () => 1,
		apply: (content, changes) => applied(content, tools, changes, (e) => `${words.one} ${thing(e)}`),
		inverse: (change) => inverse([change])[0]!,
		rebase(now, changes, base) {
			const lost: string[] = [];
			const kept = changes.flatMap((change): KeyedChange<E>[] => {
				const stratum = now.find((s) => s.id === change.stratum);
				if (!stratum) {
					lost.push(`the ${words.many} of ${change.stratum}, a level that no longer exists`);
					return [];
				}
				const before = contentIn(stratum).get(tools.keyOf(entryOfChange(change))) ?? null;
				return before === null && change.after === null ? [] : [{ ...change, before }];
			});
			const made = withOwnRanksBy(tools, now, contentIn, kept);
			if (definition.losses) lost.push(...lossesOf(definition.losses, now, after(now, made), after(base, changes)));
			return { changes: made, lost, conflicts: [] };
		},
		touches: (change) => `${change.stratum}\n${id}\n${thing(entryOfChange(change))}`,
		about: (change, names) => {
			const text = told(entryOfChange(change), names);
			return meeting === 'adds' ? text : `the ${words.one} ${text}`;
		},
		differences: (before, now, names) => keyedDifferences(definition, contentIn, before, now, names),
		...(meeting === 'overrides' && {
			differencesInForce: (before: Profile, now: Profile, names: Names) =>
				keyedDifferencesInForce(definition, contentIn, before, now, names)
		}),
		takeBack: ({ said }, { profile }, { target }) =>
			takeKeyedBack(definition, contentIn, said as KeyedDifference<E>, profile, target),
		clears: (stratum, isIn) =>
			inOrder(contentIn(stratum)).flatMap((before) => {
				const { command } = concerns(before);
				return !isIn || (command !== undefined && isIn(command)) ? [{ stratum: stratum.id, before, after: null }] : [];
			}),
		selector: ({ sections, contexts, categories }, { index }) => {
			const wanted = Object.keys(contexts).length > 0 ? index.space.bitsOf(contexts) : undefined;
			return (entry) => {
				if (!sections.includes(id)) return undefined;
				if (definition.isOfMachine?.(entry, index.rules) && !sections.includes('machine')) return undefined;
				const about = concerns(entry);
				const category = about.category ?? (about.command && index.catalogue.get(about.command)?.category[0]);
				if (categories.length > 0 && !categories.includes(category ?? '')) return undefined;
				if (!wanted || !about.scope) return entry;
				try {
					// what can be heard is where the scope is and the command exists
					const exists = about.command && index.catalogue.get(about.command)?.contexts;
					const heard = exists
						? intersection(index.space.bitsOf(about.scope), index.space.bitsOfAny(exists))
						: index.space.bitsOf(about.scope);
					return meets(heard, wanted) ? entry : undefined;
				} catch {
					// what is wrong with a scope that the application does not have is told later
					return entry;
				}
			};
		},
		isOfMachine: (entry, rules) => definition.isOfMachine?.(entry, rules) ?? false,
		commandOf: (entry) => concerns(entry).command,
		...(more.commands && { addsCommand: (entry: E) => concerns(entry).command }),
		scopeOf: (entry) => concerns(entry).scope,
		compare: (rows, ground, comparing) => compareKeyed(definition, contentIn, rows, ground, comparing),
		bring(items, { profile }) {
			const next = new Map<StratumId, number>();
			const changes = items.map(({ target, said }): KeyedChange<E> => {
				const entry = said as E;
				const content = contentIn(stratumById(profile, target));
				const before = content.get(tools.keyOf(entry)) ?? null;
				const rank = before?.rank ?? next.get(target) ?? nextRank(content);
				if (!before) next.set(target, rank + 1);
				return { stratum: target, before, after: { ...entry, rank } };
			});
			return { changes, left: [] };
		},
		placed: (profile, changes) => withOwnRanksBy(tools, profile, contentIn, changes),
		problems(changes, ground) {
			const fold = keyedFold(ground.profile, contentIn, definition);
			const levels = new Map(ground.profile.map((s, level) => [s.id, level]));
			return changes.flatMap(({ stratum, after }, i) => {
				if (!after) return [];
				const message = definition.problem?.(after, ground, stratum);
				if (message) return [{ index: i, message }];
				const lock = fold.locks.get(thing(after));
				if (after.op === 'lock' || !lock || levels.get(lock.id)! >= levels.get(stratum)!) return [];
				return [
					{
						index: i,
						message: `${lock.name} has locked the ${words.one} ${told(fold.inForce.get(thing(after))?.entry ?? after, namesOf(ground.index))}; ${nameIn(ground.profile, stratum)} cannot change it`
					}
				];
			});
		},
		...more
	};
}

const nameIn = (profile: Profile, id: StratumId): string => profile.find((s) => s.id === id)?.name ?? id;

export const captionText = ({ keys, typed, label }: Caption): string =>
	keys === undefined && typed === undefined ? label : `${keys ?? typed} for ${label}`;

function keyedDifferences<E extends AnyEntry>(
	definition: KeyedDefinition<E>,
	contentIn: (stratum: Stratum) => Entries<E>,
	before: Profile,
	now: Profile,
	names: Names
): Difference[] {
	const { id: chapter, caption, concerns } = definition;
	const { saysSame } = toolsOf(definition);
	const differences: Difference[] = [];
	const gone: Difference[] = [];
	const strata = new Map([...before, ...now].map((s) => [s.id, s]));
	for (const stratum of strata.keys()) {
		const was = entriesOf(before, stratum, contentIn);
		const is = entriesOf(now, stratum, contentIn);
		for (const key of new Set([...is.keys(), ...was.keys()])) {
			const [old, entry] = [was.get(key), is.get(key)];
			if (old && entry && saysSame(old, entry)) continue;
			const one = (entry ?? old)!;
			// a removal that comes is something that goes, and the reverse
			const kind = old && entry ? 'changed' : (entry !== undefined) === (one.op !== 'remove') ? 'added' : 'removed';
			(entry ? differences : gone).push({
				chapter,
				id: `${chapter}\n${stratum}\n${key}`,
				kind,
				by: stratum,
				caption: isLockKey(key) ? { ...caption(one, names), detail: 'locked' } : caption(one, names),
				command: concerns(one).command,
				said: { stratum, before: old ?? null, after: entry ?? null } satisfies KeyedChange<E>
			});
		}
	}
	return [...differences, ...gone];
}

/** What a keyed chapter keeps of a difference: what one stratum said and says, or what was and is in force. */
type KeyedDifference<E extends AnyEntry> = KeyedChange<E> & { readonly isInForce?: true };

/** Things that are in force otherwise than before, each once; and locks, which each stratum says for itself. */
function keyedDifferencesInForce<E extends AnyEntry>(
	definition: KeyedDefinition<E>,
	contentIn: (stratum: Stratum) => Entries<E>,
	before: Profile,
	now: Profile,
	names: Names
): Difference[] {
	const { id: chapter, caption, concerns } = definition;
	const { saysSame } = toolsOf(definition);
	const [was, is] = [before, now].map((profile) => keyedFold(profile, contentIn, definition)) as [KeyedFold<E>, KeyedFold<E>];
	const things = [...new Set([...is.inForce.keys(), ...was.inForce.keys()])].flatMap((key): Difference[] => {
		const [old, entry] = [was.inForce.get(key), is.inForce.get(key)];
		if (old && entry && saysSame(old.entry, entry.entry)) return [];
		const one = (entry ?? old)!.entry;
		const by = entry?.stratum.id ?? is.removed.get(key)?.by.id;
		return [
			{
				chapter,
				id: `${chapter}\n${by ?? ''}\n${key}`,
				kind: old && entry ? 'changed' : entry ? 'added' : 'removed',
				by,
				caption: caption(one, names),
				command: concerns(one).command,
				said: {
					stratum: by ?? now.at(-1)!.id,
					before: old?.entry ?? null,
					after: entry?.entry ?? null,
					isInForce: true
				} satisfies KeyedDifference<E>
			}
		];
	});
	const isLock = ({ said }: Difference) => {
		const { before: old, after } = said as KeyedChange<E>;
		return (after ?? old)?.op === 'lock';
	};
	return [...things, ...keyedDifferences(definition, contentIn, before, now, names).filter(isLock)];
}

/** In the stratum that made it the entry goes back; from another one what it did is undone by an entry above it. */
function takeKeyedBack<E extends AnyEntry>(
	definition: KeyedDefinition<E>,
	contentIn: (stratum: Stratum) => Entries<E>,
	difference: KeyedDifference<E>,
	profile: Profile,
	target: StratumId
): KeyedChange<E>[] {
	const { stratum, before, after, isInForce } = difference;
	const { as, thing, words } = definition;
	if (isInForce) return putInForce(definition, contentIn, difference, profile, target);
	if (stratum === target) return [{ stratum, before: after, after: before }];
	const entry = (before ?? after)!;
	if (entry.op === 'lock' || levelOf(profile, stratum) > levelOf(profile, target)) {
		const name = nameIn(profile, stratum);
		throw new OutOfReachError(`${name} sets this ${words.one}; edit ${name} to change it`);
	}
	const content = contentIn(stratumById(profile, target));
	const wanted = before?.op === 'set' ? before : as(entry, 'remove');
	const own = content.get(entryKeyFor('set', thing(entry))) ?? null;
	return [{ stratum: target, before: own, after: { ...wanted, rank: own?.rank ?? nextRank(content) } }];
}

/** The change by which the target puts in force what was before: by saying nothing where that is enough. */
function putInForce<E extends AnyEntry>(
	definition: KeyedDefinition<E>,
	contentIn: (stratum: Stratum) => Entries<E>,
	{ stratum, before: wanted, after }: KeyedDifference<E>,
	profile: Profile,
	target: StratumId
): KeyedChange<E>[] {
	const { as, thing, words } = definition;
	const { saysSame } = toolsOf(definition);
	if (levelOf(profile, stratum) > levelOf(profile, target)) {
		const name = nameIn(profile, stratum);
		throw new OutOfReachError(`${name} sets this ${words.one}; edit ${name} to change it`);
	}
	const entry = (wanted ?? after)!;
	const content = contentIn(stratumById(profile, target));
	const own = content.get(entryKeyFor('set', thing(entry))) ?? null;
	const below = keyedFold(profile.slice(0, levelOf(profile, target)), contentIn, definition).inForce.get(thing(entry))?.entry;
	const isBelow = wanted && below ? saysSame(wanted, below) : !wanted && !below;
	if (isBelow) return own ? [{ stratum: target, before: own, after: null }] : [];
	const rank = own?.rank ?? nextRank(content);
	return [{ stratum: target, before: own, after: { ...(wanted ?? as(entry, 'remove')), rank } }];
}

function entriesOf<E extends AnyEntry>(profile: Profile, id: StratumId, contentIn: (stratum: Stratum) => Entries<E>): Entries<E> {
	const stratum = profile.find((s) => s.id === id);
	return stratum ? contentIn(stratum) : new Map();
}

function compareKeyed<E extends AnyEntry>(
	definition: KeyedDefinition<E>,
	contentIn: (stratum: Stratum) => Entries<E>,
	rows: readonly FileRow<E>[],
	ground: Ground,
	{ targetOf }: Comparing
): Item[] {
	const { id: chapter, caption, words } = definition;
	const { keyOf, saysSame } = toolsOf(definition);
	const names = namesOf(ground.index);
	const fold = keyedFold(ground.profile, contentIn, definition);
	const levels = new Map(ground.profile.map((s, level) => [s.id, level]));
	const seen = new Map<string, number>();
	return rows.map((row): Item => {
		const { said, line } = row;
		const target = targetOf(row);
		const key: EntryKey = keyOf(said);
		const stratum = ground.profile.find((s) => s.id === target);
		const own = stratum && contentIn(stratum).get(key);
		const isSame = own !== undefined && saysSame(own, said);
		const place = `${target}\n${key}`;
		const earlier = seen.get(place);
		if (earlier === undefined) seen.set(place, line);
		const lock = fold.locks.get(thingOf(key));
		const isLocked = lock !== undefined && said.op !== 'lock' && levels.get(lock.id)! < (levels.get(target) ?? 0);
		const isTwice = earlier !== undefined && `the same ${words.one} is already on line ${earlier}`;
		const reason = isSame
			? undefined
			: closedReason(ground.profile, target) ||
				isTwice ||
				(isLocked ? `${lock.name} has locked this ${words.one}` : definition.problem?.(said, ground, target));
		return {
			key: `${chapter} ${target} ${key}`,
			chapter,
			state: reason ? 'refused' : isSame ? 'same' : own ? 'replaced' : 'new',
			target,
			line,
			op: said.op,
			caption: caption(said, names),
			...(reason && { reason }),
			gone: own && !isSame ? `replaces the ${words.one} here` : '',
			said
		};
	});
}

/** The losses that are there after both edits, and neither after theirs nor after mine alone. */
function lossesOf(
	losses: (profile: Profile) => ReadonlyMap<string, string>,
	theirs: Profile,
	both: Profile,
	mine: Profile
): string[] {
	const [before, alone] = [losses(theirs), losses(mine)];
	return [...losses(both)].flatMap(([key, why]) => (before.has(key) || alone.has(key) ? [] : [why]));
}
