import type { InputRules } from '../application/application.ts';
import { ALIASES, aliasFileIn, TAKES_AWAY, type AliasFile } from '../chapters/aliases/file.ts';
import { BARS, type SetItem } from '../chapters/bars/bar.ts';
import { asKept } from '../chapters/bars/tree.ts';
import type { SetRose } from '../chapters/gestures/gesture.ts';
import { roseLockedBy } from '../chapters/gestures/hearing.ts';
import { impliedShortcuts } from '../profile/profile-index.ts';
import { aliasTable } from '../chapters/aliases/table.ts';
import type { ContextSpace } from '../context/space.ts';
import { ALL_CHAPTERS, CHAPTERS, type AnyChapter } from '../profile/chapters.ts';
import { writeWith } from '../recipe/reading.ts';
import { NotWritableError } from '../recipe/record.ts';
import { effectiveProfile } from '../shortcut/effective.ts';
import { shortcutKey, shortcutsIn, type Entry } from '../shortcut/entry.ts';
import { entryKeyFor, type AnyEntry, type Entries } from '../strata/entry.ts';
import { keyedFold } from '../strata/keyed-fold.ts';
import { headOf, type Contents, type Profile, type Stratum, type StratumHead, type StratumId } from '../strata/stratum.ts';

/** What a fold is made on: the contexts of the application, and how it reads typed names if it reads any. */
export interface FoldGround {
	readonly space: Pick<ContextSpace, 'meet'>;
	readonly rules: Pick<InputRules, 'aliases'>;
}

/**
 * One stratum that says above the factory what all strata above it say together: what is in force of them, and what of the
 * factory's they have removed. What upper strata say stands first, as in the list (docs/resolution.md). Locks are left out, since
 * nothing lies above. A profile with one stratum above the factory is folded already.
 *
 * One thing cannot be said in one stratum: that a shortcut of the factory was removed and set again. It is in force in its former
 * place of the list.
 */
export function folded(profile: Profile, head: StratumHead, ground: FoldGround): Stratum {
	const above = profile.filter(({ kind }) => kind !== 'factory');
	const [only] = above;
	if (above.length === 1 && only) return { ...headOf(head), contents: only.contents };
	const contents: Record<string, unknown> = {};
	for (const chapter of ALL_CHAPTERS) {
		const content =
			chapter.id === CHAPTERS.shortcuts.id
				? foldedShortcuts(profile, ground)
				: chapter.id === ALIASES
					? foldedAliases(profile, ground)
					: foldedEntries(chapter, profile, ground);
		if (content !== undefined) contents[chapter.id] = content;
	}
	return { ...headOf(head), contents: contents as Contents };
}

/** Entries in the order of the list, with the ranks of their places. */
function placed<E extends AnyEntry>(entries: readonly E[], keyOf: (entry: E) => string): Entries<E> | undefined {
	if (entries.length === 0) return undefined;
	return new Map(entries.map((entry, rank) => [entryKeyFor(entry.op, keyOf(entry)), { ...entry, rank }]));
}

function foldedShortcuts(profile: Profile, { space }: FoldGround): Entries<Entry> | undefined {
	const implied = impliedShortcuts(profile);
	const isImplied = new Set([...implied.values()].flat().map(shortcutKey));
	const { bindings, removed } = effectiveProfile(profile, space, implied);
	const factory = profile.find(({ kind }) => kind === 'factory');
	const isFactory = (id: string) => id === factory?.id;
	const set = bindings
		.filter(({ stratum, key }) => !isFactory(stratum) && !isImplied.has(key))
		.map(({ command, keys, scope }): Entry => ({ op: 'set', command, keys, scope, rank: 0 }));
	const below = factory ? shortcutsIn(factory) : new Map();
	const gone = [...removed.values()]
		.map(({ binding }) => binding)
		.filter(({ key }) => below.has(entryKeyFor('set', key)) || isImplied.has(key))
		.map(({ command, keys, scope }): Entry => ({ op: 'remove', command, keys, scope, rank: 0 }));
	return placed([...set, ...gone], (entry) => shortcutKey(entry));
}

const isBar = (chapter: AnyChapter, entry: AnyEntry): entry is SetItem => chapter.id === BARS && entry.op === 'set';

/** Whether a lock on a rose keeps another of its trigger from being heard. */
function isHeldOff(profile: Profile, space: FoldGround['space'], entry: AnyEntry, stratum: StratumId): boolean {
	const { kind, op } = entry as Partial<SetRose>;
	return kind === 'rose' && op === 'set' && roseLockedBy(profile, space, entry as SetRose, stratum) !== undefined;
}

function foldedEntries(chapter: AnyChapter, profile: Profile, { space }: FoldGround): Entries<AnyEntry> | undefined {
	const thing = (entry: AnyEntry) => chapter.keyOf(entry).key;
	const entriesIn = (stratum: Stratum) => chapter.contentIn(stratum) as Entries<AnyEntry>;
	const { inForce, removed } = keyedFold(profile, entriesIn, { meeting: 'overrides', thing });
	const factory = profile.find(({ kind }) => kind === 'factory');
	const level = new Map(profile.map(({ id }, i) => [id as string, i]));
	const set = [...inForce.values()]
		.filter(({ stratum, entry }) => stratum.id !== factory?.id && !isHeldOff(profile, space, entry, stratum.id))
		.sort((a, b) => level.get(b.stratum.id)! - level.get(a.stratum.id)! || a.entry.rank - b.entry.rank)
		.map(({ entry, stratum }) => (isBar(chapter, entry) ? asKept(profile, stratum.id, entry) : entry));
	const below = factory ? entriesIn(factory) : new Map();
	const gone = [...removed.keys()].filter((key) => below.has(entryKeyFor('set', key)));
	const taking = new Map<string, AnyEntry>();
	for (const stratum of profile)
		for (const entry of entriesIn(stratum).values()) if (entry.op === 'remove') taking.set(thing(entry), entry);
	return placed([...set, ...gone.flatMap((key) => taking.get(key) ?? [])], thing);
}

/** The alias files as one, in the form of the uppermost; a single one as it is, byte for byte. */
function foldedAliases(profile: Profile, { rules }: FoldGround): AliasFile | undefined {
	const above = profile.filter(({ kind }) => kind !== 'factory');
	const files = above.flatMap((stratum) => aliasFileIn(stratum) ?? []);
	const last = files.at(-1);
	if (files.length <= 1 || !rules.aliases || !last) return last;
	const { inForce } = aliasTable(profile, rules.aliases);
	const factory = profile.filter(({ kind }) => kind === 'factory');
	const below = aliasTable(factory, rules.aliases).inForce;
	const lines = [...inForce.values()]
		.filter(({ stratum }) => stratum.kind !== 'factory')
		.map(({ alias, command, note }) => ({ alias, command, note }));
	const gone = [...below].filter(([key]) => !inForce.has(key)).map(([, { alias }]) => ({ alias, command: TAKES_AWAY, note: '' }));
	const all = [...lines, ...gone];
	const write = (values: readonly Record<string, string>[]) => ({ ...last, text: writeWith(last.recipe, values) });
	try {
		return write(all.map(({ note, ...said }) => (note === '' ? said : { ...said, note })));
	} catch (error) {
		if (!(error instanceof NotWritableError)) throw error;
		// the form of the uppermost has no place for notes
		return write(all.map(({ note: _, ...said }) => said));
	}
}
