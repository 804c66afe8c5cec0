import { put, takeAway, OutOfReachError } from '../answer/choices.ts';
import { lockedText } from '../answer/locked-text.ts';
import type { ShortcutIndex } from '../answer/shortcut-index.ts';
import { changeProblems } from '../answer/validate.ts';
import { scopeText } from '../context/scope.ts';
import { entryKey, shortcutKey } from '../chapters/shortcuts/entry.ts';
import { combined, type Change } from '../profile/edit.ts';
import { lockOver, type Binding } from '../chapters/shortcuts/effective.ts';
import { nextRank, type Profile, type StratumId } from '../profile/stratum.ts';
import type { FileProblem } from '../format/problem.ts';
import type { ShortcutRow } from './shortcut-row.ts';

/**
 * What an entry of a file would do to the stratum it goes into.
 * new: it adds; replaced: another command holds the same keys in the same scope and would lose them, or the stratum
 * says the opposite now; same: nothing would change; refused: see `reason`.
 */
export interface PreviewRow {
	readonly row: ShortcutRow;
	readonly target: StratumId;
	readonly state: 'new' | 'replaced' | 'same' | 'refused';
	readonly replaces: readonly Binding[];
	readonly reason: string | undefined;
}

/**
 * Compares the rows of a file with the profile; `targetOf` says into which stratum each would go, `saysAll` whether the file
 * removes by name what it does not want (see `ShortcutFile`).
 */
export function previewImport(
	index: ShortcutIndex,
	profile: Profile,
	rows: readonly ShortcutRow[],
	targetOf: (row: ShortcutRow) => StratumId,
	saysAll = false
): PreviewRow[] {
	const seen = new Map<string, number>();
	const levels = new Map(profile.map((s, level) => [s.id, level]));
	/** For what the file itself sets, the lowest stratum that it goes into. */
	const comes = new Map<string, number>();
	for (const row of rows) {
		if (row.op !== 'set') continue;
		const key = shortcutKey(row.shortcut);
		comes.set(key, Math.min(comes.get(key) ?? Infinity, levels.get(targetOf(row)) ?? Infinity));
	}
	return rows.map((row): PreviewRow => {
		const { op, shortcut } = row;
		const target = targetOf(row);
		const say = (state: PreviewRow['state'], more: Partial<PreviewRow> = {}): PreviewRow => ({
			row,
			target,
			state,
			replaces: [],
			reason: undefined,
			...more
		});
		const refuse = (reason: string) => say('refused', { reason });
		const isTold = saysAll && row.stratum === target;

		const stratum = profile.find((s) => s.id === target);
		if (!stratum) return refuse(`there is no stratum "${target}" here; choose one to import into`);
		if (!index.catalogue.has(shortcut.command))
			return refuse(`the command ${shortcut.command} is not in the catalogue of this application`);
		try {
			index.space.bitsOf(shortcut.scope);
		} catch (error) {
			return refuse((error as Error).message);
		}
		const key = entryKey({ ...shortcut, op, acceptance: row.acceptance });
		const place = `${target}\n${key}`;
		const earlier = seen.get(place);
		if (earlier !== undefined) return refuse(`the same shortcut stands on line ${earlier} already`);
		seen.set(place, row.line);

		const own = stratum.entries.get(key);
		if (own?.op === op) return say('same');
		if (stratum.kind === 'factory') return refuse('the factory stratum is never written; import into another stratum');
		if (op === 'accept') return say('new');
		const inForce = index.effective.byKey.get(shortcutKey(shortcut));
		if (op === 'set' && inForce && !own && (!isTold || inForce.stratum === target)) return say('same');
		if (op === 'remove') {
			if (inForce?.lockedBy && inForce.lockedBy !== target)
				return refuse(lockedText(index, { ...shortcut, op }, profile.find((s) => s.id === inForce.lockedBy)!.name));
			if (inForce) return say('replaced', { replaces: [inForce] });
			if (isTold) return say('new');
			if ((comes.get(shortcutKey(shortcut)) ?? Infinity) < levels.get(target)!) return say('new');
			return index.effective.removed.has(shortcutKey(shortcut))
				? say('same')
				: refuse('there is nothing to remove: no stratum below says this shortcut');
		}
		const lock = op === 'set' ? lockOver(index.effective, index.space, target, shortcut) : undefined;
		if (lock) return refuse(lockedText(index, { ...shortcut, op }, profile.find((s) => s.id === lock)!.name));
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

/** One edit for the chosen rows; those that are the same or refused add nothing. `left` lists what could not be written. */
export function importChanges(
	index: ShortcutIndex,
	profile: Profile,
	chosen: readonly PreviewRow[]
): { changes: Change[]; left: FileProblem[] } {
	const changes: Change[] = [];
	const left: FileProblem[] = [];
	for (const { row, target, state, replaces } of chosen) {
		if (state !== 'new' && state !== 'replaced') continue;
		try {
			const taken = replaces.flatMap((binding) => takeAway(index, profile, target, binding));
			if (row.op === 'set') {
				const own = profile.find((s) => s.id === target)!.entries.get(entryKey({ ...row.shortcut, op: 'set' })) ?? null;
				const said = put(profile, target, row.shortcut);
				// a stratum may repeat what one below it says
				const repeats: Change = { stratum: target, before: own, after: { op: 'set', ...row.shortcut, rank: own?.rank ?? 0 } };
				changes.push(...(said.length > 0 ? said : [repeats]), ...taken);
			} else if (row.op === 'remove' && replaces.length > 0) changes.push(...taken);
			else if (row.op === 'remove')
				changes.push({ stratum: target, before: null, after: { op: 'remove', ...row.shortcut, rank: 0 } });
			else if (row.op === 'lock')
				changes.push({ stratum: target, before: null, after: { op: 'lock', ...row.shortcut, rank: 0 } });
			else
				changes.push({
					stratum: target,
					before: null,
					after: { op: 'accept', ...row.shortcut, rank: 0, acceptance: row.acceptance }
				});
		} catch (error) {
			if (!(error instanceof OutOfReachError)) throw error;
			left.push({ line: row.line, column: 1, message: error.message });
		}
	}
	const all = ranked(profile, combined(changes));
	// a file can bring a lock together with what that lock forbids
	const held = new Map(changeProblems(index, profile, all).map((p) => [p.index, p.message]));
	const lineOf = ({ stratum, after }: Change) =>
		chosen.find(({ row, target }) => after && target === stratum && entryKey({ ...row.shortcut, op: row.op }) === entryKey(after))
			?.row.line;
	for (const [i, message] of held) left.push({ line: lineOf(all[i]!) ?? 1, column: 1, message });
	return { changes: all.filter((_, i) => !held.has(i)), left };
}

/** Gives new entries ranks after those of their stratum, in the order of the list; what was there keeps its own. */
function ranked(profile: Profile, changes: readonly Change[]): Change[] {
	const next = new Map(profile.map((stratum) => [stratum.id, nextRank(stratum)]));
	return changes.map((change) => {
		if (!change.after || change.before) return change;
		const rank = next.get(change.stratum)!;
		next.set(change.stratum, rank + 1);
		return { ...change, after: { ...change.after, rank } };
	});
}
