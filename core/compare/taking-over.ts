import { takeAway } from '../answer/choices.ts';
import type { ShortcutIndex } from '../answer/shortcut-index.ts';
import type { OpenApplication } from '../application/application.ts';
import { aliasKey } from '../application/command-line.ts';
import { ALIASES, aliasFileIn, aliasLines, emptyAliasFile, TAKES_AWAY } from '../chapters/aliases/file.ts';
import { aliasTable } from '../chapters/aliases/table.ts';
import { BARS, type SetItem } from '../chapters/bars/bar.ts';
import type { AnyChange } from '../chapter/chapter.ts';
import { textChange } from '../chapter/text.ts';
import { chapterOf } from '../profile/chapters.ts';
import { indexOf } from '../profile/circumstances.ts';
import { copying, type Saying } from '../profile/copying.ts';
import { applyEdit, tagged } from '../profile/edit.ts';
import { lockOver } from '../shortcut/effective.ts';
import type { Shortcut, ShortcutKey } from '../shortcut/entry.ts';
import { keyedFold } from '../strata/keyed-fold.ts';
import { changeRecord, insertRecord, removeRecord, spliced } from '../recipe/reading.ts';
import { NotWritableError } from '../recipe/record.ts';
import { ofShortcuts } from '../shortcut/change.ts';
import { SHORTCUTS } from '../shortcut/entry.ts';
import { entryKeyFor, type AnyEntry, type Entries } from '../strata/entry.ts';
import { OutOfReachError } from '../strata/change.ts';
import { levelOf, stratumById, type Profile, type Stratum, type StratumHead, type StratumId } from '../strata/stratum.ts';
import { compared, type Row } from './compare.ts';

/** A thing, and the side that it is taken from. */
export interface Picked {
	readonly row: Row;
	readonly from: number;
}

/** One edit, and what cannot be part of it. */
export interface TakingOver {
	readonly changes: readonly AnyChange[];
	readonly stays: readonly { readonly row: Row; readonly reason: string }[];
}

/**
 * The changes by which a profile, the side `mine`, says of things what other sides say, written into `target`. What a stratum above
 * it has the last word on stays, and what its file cannot say.
 */
export function takingOver(
	application: OpenApplication,
	profile: Profile,
	target: StratumId,
	picks: readonly Picked[],
	mine: number
): TakingOver {
	const made = takenOver(application, profile, target, picks, mine);
	// what a level above removes, or a lock below holds, does not change whatever the target says: it stays, with the reason
	const after = new Map(compared(application, [applyEdit(profile, made.changes)]).map((row) => [row.id, row.cells[0]?.value]));
	const staying = new Set(made.stays.map(({ row }) => row));
	const without = picks.filter(({ row, from }) => !staying.has(row) && after.get(row.id) !== row.cells[from]?.value);
	if (without.length === 0) return made;
	const kept = picks.filter((pick) => !without.includes(pick));
	const again = takenOver(application, profile, target, kept, mine);
	const held = without.map(({ row }) => ({ row, reason: heldReason(application, profile, target, row) }));
	return { changes: again.changes, stays: [...again.stays, ...held] };
}

/** Why nothing that the target says of a thing comes into force. */
function heldReason(application: OpenApplication, profile: Profile, target: StratumId, { chapter: id, key, cells }: Row): string {
	const level = levelOf(profile, target);
	const { name } = stratumById(profile, target);
	const chapter = chapterOf(id);
	let [lock, remover]: (StratumHead | undefined)[] = [];
	if (id === SHORTCUTS) {
		const { effective, space } = indexOf(application, profile);
		const said = cells.find((cell) => cell !== undefined)!.said as Shortcut;
		const by = lockOver(effective, space, target, said);
		lock = by && stratumById(profile, by);
		const away = effective.removed.get(key as ShortcutKey)?.by;
		remover = away && stratumById(profile, away);
	} else if (chapter.form === 'keyed') {
		const fold = keyedFold(profile, (stratum) => chapter.contentIn(stratum) as Entries<AnyEntry>, {
			thing: (entry) => chapter.keyOf(entry).key,
			meeting: 'overrides'
		});
		lock = fold.locks.get(key);
		remover = fold.removed.get(key)?.by;
	}
	if (lock && levelOf(profile, lock.id) < level) return `${lock.name} has locked it; ${name} cannot change it`;
	if (remover && levelOf(profile, remover.id) > level)
		return `${remover.name} removes it above ${name}; edit ${remover.name} instead`;
	return `it has no effect in ${name}`;
}

function takenOver(
	application: OpenApplication,
	profile: Profile,
	target: StratumId,
	picks: readonly Picked[],
	mine: number
): TakingOver {
	const stays: { row: Row; reason: string }[] = [];
	const copied: Saying[] = [];
	const gone: AnyChange[] = [];
	const typed: Picked[] = [];
	let index: ShortcutIndex | undefined;
	for (const { row, from } of picks) {
		const { chapter, key, cells } = row;
		const [theirs, own] = [cells[from], cells[mine]];
		if (theirs?.value === own?.value) continue;
		try {
			if (own && levelOf(profile, own.stratum) > levelOf(profile, target)) {
				const { name } = stratumById(profile, own.stratum);
				throw new OutOfReachError(`${name} sets it above; edit ${name}`);
			}
			if (chapter === ALIASES) typed.push({ row, from });
			else if (theirs) copied.push({ chapter, key, isLock: false, said: theirs.said });
			else gone.push(...takenAway((index ??= indexOf(application, profile)), profile, target, row, mine));
		} catch (error) {
			if (!(error instanceof OutOfReachError)) throw error;
			stays.push({ row, reason: error.message });
		}
	}
	const names = aliasesTaken(application, profile, target, typed);
	return {
		changes: [...gone, ...copying(profile, copied, target), ...names.changes],
		stays: [...stays, ...names.stays]
	};
}

/** The changes by which the profile says nothing of the thing. */
function takenAway(index: ShortcutIndex, profile: Profile, target: StratumId, row: Row, mine: number): AnyChange[] {
	const { chapter: id, key } = row;
	if (id === SHORTCUTS) {
		const binding = index.effective.bindings.find((one) => one.key === key);
		return binding ? ofShortcuts(takeAway(index, profile, target, binding)) : [];
	}
	const chapter = chapterOf(id);
	const stratum = stratumById(profile, target);
	const isBelow = profile.slice(0, profile.indexOf(stratum)).some((lower) => saysOf(lower, id, key));
	const here = saysOf(stratum, id, key);
	if (!isBelow) return here ? [{ chapter: id, stratum: target, before: here, after: null } as AnyChange] : [];
	const difference = {
		...({ chapter: id, id: '', kind: 'added', by: undefined, command: undefined } as const),
		...{ caption: { label: '', detail: '' }, said: { stratum: profile[0]!.id, before: null, after: row.cells[mine]!.said } }
	};
	return tagged(chapter, chapter.takeBack(difference, { index, profile }, { profile, target }));
}

/** What a stratum itself says of the thing, if it sets it. */
function saysOf(stratum: Stratum, chapter: string, key: string): AnyEntry | undefined {
	const entry = (chapterOf(chapter).contentIn(stratum) as Entries<AnyEntry>).get(entryKeyFor('set', key));
	return entry?.op === 'set' ? entry : undefined;
}

/** Lines of the target's alias file: changed, put in at the end, or taken out. */
function aliasesTaken(
	{ application }: OpenApplication,
	profile: Profile,
	target: StratumId,
	picks: readonly Picked[]
): TakingOver {
	const input = application.rules.aliases;
	if (!input || picks.length === 0) return { changes: [], stays: [] };
	const stays: { row: Row; reason: string }[] = [];
	const before = aliasFileIn(stratumById(profile, target));
	const below = aliasTable(profile.slice(0, levelOf(profile, target)), input).inForce;
	let file = before ?? emptyAliasFile;
	let former: typeof file | undefined;
	for (const { row, from } of picks) {
		const theirs = row.cells[from]?.said as { readonly alias: string; readonly command: string } | undefined;
		const { recipe, text } = file;
		const { lines } = aliasLines(file, former);
		const own = lines.filter((line) => !line.record.off && aliasKey(line.alias, input) === row.key);
		const held = input.twice === 'last' ? own.at(-1) : own[0];
		const alias = theirs?.alias ?? row.caption.typed ?? row.key;
		const command = theirs?.command ?? TAKES_AWAY;
		try {
			const splices = !held
				? insertRecord(recipe, text, lines.at(-1)?.record, { alias, command })
				: theirs || below.has(row.key)
					? changeRecord(recipe, text, held.record, { command })
					: // a line that another one covered would hold next
						own.flatMap(({ record }) => removeRecord(recipe, text, record));
			former = file;
			file = { ...file, text: spliced(text, splices) };
		} catch (error) {
			if (!(error instanceof NotWritableError)) throw error;
			stays.push({ row, reason: error.message });
		}
	}
	const change = textChange(target, before, emptyAliasFile, file.text);
	return { changes: change ? tagged({ id: ALIASES }, [change]) : [], stays };
}

/** The parent of each thing of the bars on a side, by its key; null is the window. */
function parentsOn(rows: readonly Row[], side: number): ReadonlyMap<string, string | null> {
	return new Map(
		rows.flatMap(({ chapter, key, cells }): [string, string | null][] => {
			const said = cells[side]?.said as SetItem | undefined;
			return chapter === BARS && said ? [[key, said.parent]] : [];
		})
	);
}

/**
 * A bar, a tab or a group with all that is in it on either side, and with what it stands in if that is not there yet; anything else
 * alone.
 */
export function withAllIn(rows: readonly Row[], row: Row, from: number, mine: number): Row[] {
	if (row.chapter !== BARS) return [row];
	const [parents, own] = [parentsOn(rows, from), parentsOn(rows, mine)];
	const above = new Set<string>();
	for (let key = parents.get(row.key); key != null && !above.has(key); key = parents.get(key)) above.add(key);
	/** A chain of parents has an end, but a file may say otherwise. */
	const isIn = (on: ReadonlyMap<string, string | null>, key: string): boolean => {
		const passed = new Set<string>();
		for (let at: string | null | undefined = key; at != null && !passed.has(at); at = on.get(at)) {
			if (at === row.key) return true;
			passed.add(at);
		}
		return false;
	};
	return rows.filter(
		({ chapter, key, cells }) =>
			chapter === BARS && ((above.has(key) && cells[mine] === undefined) || isIn(parents, key) || isIn(own, key))
	);
}
