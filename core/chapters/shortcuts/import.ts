import { put, takeAway } from '../../answer/choices.ts';
import { lockedText } from '../../answer/locked-text.ts';
import { changeProblems } from '../../answer/validate.ts';
import { scopeText } from '../../context/scope.ts';
import { namesOf, type Comparing, type FileRow, type Ground, type Item } from '../../chapter/chapter.ts';
import { OutOfReachError } from '../../strata/change.ts';
import { nextRank } from '../../strata/entry.ts';
import type { Profile } from '../../strata/stratum.ts';
import { caption } from './caption.ts';
import { combined, type Change } from '../../shortcut/change.ts';
import { lockOver, type Binding } from '../../shortcut/effective.ts';
import { entryKey, shortcutKey, SHORTCUTS, shortcutsIn, type Entry } from '../../shortcut/entry.ts';

/** What is kept of an item to bring it. */
interface Kept {
	readonly entry: Entry;
	readonly replaces: readonly Binding[];
}

/** The row with its keys as the application hears them, unless a stratum says the shortcut just as the file spells it. */
function heard(row: FileRow<Entry>, { profile, office }: Ground): FileRow<Entry> {
	const { keys } = row.said;
	const isKnown = profile.some((s) => (['set', 'lock'] as const).some((op) => shortcutsIn(s).has(entryKey({ ...row.said, op }))));
	const meant = isKnown ? undefined : office?.heardAs(keys);
	return meant === undefined || meant === keys ? row : { ...row, spelled: keys, said: { ...row.said, keys: meant } };
}

/** What would happen to what is there: a file that removes a shortcut takes it from its command and gives it to none. */
const goneText = (op: Entry['op'], names: readonly string[]): string =>
	names.length === 0
		? 'is the opposite of the entry in the level'
		: op === 'remove'
			? `removes it: ${names.join(', ')} ${names.length === 1 ? 'loses' : 'lose'} it`
			: `takes it from ${names.join(', ')}`;

/** Compares shortcuts of a file with the profile. */
export function compareShortcuts(given: readonly FileRow<Entry>[], ground: Ground, { targetOf, saysAll }: Comparing): Item[] {
	const { index, profile } = ground;
	const rows = given.map((row) => heard(row, ground));
	const names = namesOf(index);
	const seen = new Map<string, number>();
	const levels = new Map(profile.map((s, level) => [s.id, level]));
	/** For what the file itself sets, the lowest stratum that it goes into. */
	const comes = new Map<string, number>();
	for (const row of rows) {
		if (row.said.op !== 'set') continue;
		const key = shortcutKey(row.said);
		comes.set(key, Math.min(comes.get(key) ?? Infinity, levels.get(targetOf(row)) ?? Infinity));
	}
	return rows.map((row): Item => {
		const { said: shortcut, line } = row;
		const { op } = shortcut;
		const target = targetOf(row);
		const place = `${target}\n${entryKey(shortcut)}`;
		const say = (
			state: Item['state'],
			{ replaces = [], reason }: { replaces?: readonly Binding[]; reason?: string } = {}
		): Item => ({
			key: `${SHORTCUTS} ${line} ${place}`,
			chapter: SHORTCUTS,
			state,
			target,
			line,
			op,
			caption: {
				...caption(shortcut, names),
				...(row.spelled && { detail: `${names.scope(shortcut.scope)}; written ${row.spelled}, received as ${shortcut.keys}` })
			},
			gone:
				state === 'replaced'
					? goneText(
							op,
							replaces.map((b) => names.command(b.command))
						)
					: '',
			...(reason !== undefined && { reason }),
			...(row.spelled && { spelled: row.spelled }),
			said: { entry: shortcut, replaces } satisfies Kept
		});
		const refuse = (reason: string) => say('refused', { reason });
		const isTold = saysAll && row.stratum === target;

		const stratum = profile.find((s) => s.id === target);
		if (!stratum) return refuse(`there is no level "${target}" here; choose one to import into`);
		if (!index.catalogue.has(shortcut.command))
			return refuse(`the command ${shortcut.command} is not in the catalogue of this application`);
		try {
			index.space.bitsOf(shortcut.scope);
		} catch (error) {
			return refuse((error as Error).message);
		}
		const key = entryKey(shortcut);
		const earlier = seen.get(place);
		if (earlier !== undefined) return refuse(`the same shortcut is already on line ${earlier}`);
		seen.set(place, line);

		const own = shortcutsIn(stratum).get(key);
		if (own?.op === op) return say('same');
		if (stratum.kind === 'factory') return refuse('the factory level is read-only; import into another level');
		const inForce = index.effective.byKey.get(shortcutKey(shortcut));
		if (op === 'set' && inForce && !own && (!isTold || inForce.stratum === target)) return say('same');
		if (op === 'remove') {
			if (inForce?.lockedBy && inForce.lockedBy !== target)
				return refuse(lockedText(index, shortcut, profile.find((s) => s.id === inForce.lockedBy)!.name));
			if (inForce) return say('replaced', { replaces: [inForce] });
			if (isTold) return say('new');
			if ((comes.get(shortcutKey(shortcut)) ?? Infinity) < levels.get(target)!) return say('new');
			return index.effective.removed.has(shortcutKey(shortcut))
				? say('same')
				: refuse('there is nothing to remove: no level below contains this shortcut');
		}
		const lock = op === 'set' ? lockOver(index.effective, index.space, target, shortcut) : undefined;
		if (lock) return refuse(lockedText(index, shortcut, profile.find((s) => s.id === lock)!.name));
		const text = scopeText(shortcut.scope);
		const replaces =
			op === 'set'
				? index
						.on(shortcut.keys)
						.filter((b) => b.scopeText === text && b.command !== shortcut.command)
						// what the file says as well is to stand beside it; and what it could have removed and did not
						.filter((b) => !comes.has(b.key) && (!isTold || b.stratum === target))
				: [];
		return say(replaces.length > 0 || own ? 'replaced' : 'new', { replaces });
	});
}

/** One edit for the chosen items; `left` lists what could not be written. */
export function bringShortcuts(
	items: readonly Item[],
	{ index, profile }: Ground
): { changes: Change[]; left: { line: number; message: string }[] } {
	const changes: Change[] = [];
	const left: { line: number; message: string }[] = [];
	for (const { line, target, said } of items) {
		const { entry, replaces } = said as Kept;
		try {
			const taken = replaces.flatMap((binding) => takeAway(index, profile, target, binding));
			const plain: Change = { stratum: target, before: null, after: { ...entry, rank: 0 } };
			if (entry.op === 'set') {
				const own = shortcutsIn(profile.find((s) => s.id === target)!).get(entryKey(entry)) ?? null;
				const added = put(profile, target, entry);
				// a stratum may repeat what one below it says
				const repeats: Change = { stratum: target, before: own, after: { ...entry, rank: own?.rank ?? 0 } };
				changes.push(...(added.length > 0 ? added : [repeats]), ...taken);
			} else if (entry.op === 'remove' && replaces.length > 0) changes.push(...taken);
			else changes.push(plain);
		} catch (error) {
			if (!(error instanceof OutOfReachError)) throw error;
			left.push({ line, message: error.message });
		}
	}
	const all = ranked(profile, combined(changes));
	// a file can bring a lock together with what that lock forbids
	const held = new Map(changeProblems(index, profile, all).map((p) => [p.index, p.message]));
	const lineOf = ({ stratum, after }: Change) =>
		items.find(({ target, said }) => after && target === stratum && entryKey((said as Kept).entry) === entryKey(after))?.line;
	for (const [i, message] of held) left.push({ line: lineOf(all[i]!) ?? 1, message });
	return { changes: all.filter((_, i) => !held.has(i)), left };
}

/** Gives new entries ranks after those of their stratum, in the order of the list; what was there keeps its own. */
function ranked(profile: Profile, changes: readonly Change[]): Change[] {
	const next = new Map(profile.map((stratum) => [stratum.id, nextRank(shortcutsIn(stratum))]));
	return changes.map((change) => {
		if (!change.after || change.before) return change;
		const rank = next.get(change.stratum)!;
		next.set(change.stratum, rank + 1);
		return { ...change, after: { ...change.after, rank } };
	});
}
