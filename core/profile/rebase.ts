import { emptyAliasFile, type AliasFile } from '../chapters/aliases/file.ts';
import { canonicalText } from '../format/canonical.ts';
import { applyAliasChanges, spliceBetween, StaleAliasError, type AliasChange, type AliasSwap } from './alias-change.ts';
import type { Change, Said } from './edit.ts';
import { keyOfChange } from './edit.ts';
import { macroOfChange, type MacroChange } from './macro-change.ts';
import { mergeTexts, type TextConflict } from './merge-texts.ts';
import { withOwnRanks } from '../chapters/shortcuts/ranks.ts';
import type { Profile, StratumId } from './stratum.ts';

/** An alias file whose lines were changed here and elsewhere at once. */
export interface FileConflict {
	readonly stratum: StratumId;
	/** The whole text as it would be with my changes alone. */
	readonly mine: string;
	/** The text that holds both, theirs before mine where they touch. */
	readonly both: string;
	readonly touching: readonly TextConflict[];
}

export interface Rebased {
	readonly said: Said;
	/** The parts that have no place any more, in words. */
	readonly lost: readonly string[];
	/** Texts in which both sides touch the same lines; nothing of these is in `said`. */
	readonly conflicts: readonly FileConflict[];
}

/**
 * An edit that was made on `base`, made again on the profile as it stands now: an entry or a macro that stands there is what it
 * replaces, and alias files are merged line by line.
 */
export function rebased(now: Profile, { changes, aliases, macros }: Said, base: Profile): Rebased {
	const lost: string[] = [];
	const conflicts: FileConflict[] = [];
	const stratumOf = (id: string) => now.find((s) => s.id === id);
	const made = macros.flatMap((change): MacroChange[] => {
		const before = stratumOf(change.stratum)?.macros?.get(macroOfChange(change)) ?? null;
		return before === null && change.after === null ? [] : [{ ...change, before }];
	});
	const files: AliasChange[] = [];
	for (const id of new Set(aliases.map((change) => change.stratum))) {
		const own = aliases.filter((change) => change.stratum === id);
		const stratum = stratumOf(id);
		if (!stratum) {
			lost.push(`what is about the alias file of ${id}, a stratum that is not there any more`);
			continue;
		}
		const swap = own.findLast((change): change is AliasSwap => !('at' in change));
		const mine = textAfter(base, own);
		if (mine === undefined) {
			lost.push(
				`what was written into the alias file of ${stratum.name}, since it was written on another text than the one before`
			);
			continue;
		}
		const theirs = stratum.aliases?.text ?? '';
		const before = base.find((s) => s.id === id)?.aliases?.text ?? '';
		if (swap && !swap.to && theirs !== before) {
			lost.push(`that the alias file of ${stratum.name} goes, since it was changed meanwhile`);
			continue;
		}
		const { text, conflicts: touching } = mergeTexts(before, mine, theirs);
		// another recipe reads their lines otherwise: then there is no text that says both
		const isTold = theirs === before || (touching.length === 0 && (!swap?.to || isSameRecipe(stratum.aliases, swap.to)));
		if (!isTold) {
			conflicts.push({ stratum: id, mine, both: text, touching });
			continue;
		}
		if (swap) {
			files.push({ stratum: id, from: stratum.aliases ?? null, to: swap.to && { ...swap.to, text } });
			continue;
		}
		const splice = spliceBetween(id, theirs, text);
		if (splice) files.push(splice);
	}
	return { said: { changes: entriesOn(now, changes), aliases: files, macros: made }, lost, conflicts };
}

const isSameRecipe = (a: AliasFile | undefined, b: AliasFile): boolean => canonicalText(a?.recipe) === canonicalText(b.recipe);

/** The text of the stratum's file after the changes; undefined if they were not made on this profile. */
function textAfter(base: Profile, changes: readonly AliasChange[]): string | undefined {
	const id = changes[0]!.stratum;
	try {
		return applyAliasChanges(base, changes).find((s) => s.id === id)?.aliases?.text ?? emptyAliasFile.text;
	} catch (error) {
		if (error instanceof StaleAliasError || error instanceof RangeError) return undefined;
		throw error;
	}
}

/** Each change on the entry that stands there now. */
function entriesOn(now: Profile, changes: readonly Change[]): Change[] {
	const kept = changes.flatMap((change): Change[] => {
		const before = now.find((s) => s.id === change.stratum)?.entries.get(keyOfChange(change)) ?? null;
		return before === null && change.after === null ? [] : [{ ...change, before }];
	});
	return withOwnRanks(now, kept);
}
