import { z } from 'zod';
import { AliasChange, applyAliasChanges, inverseAliasChanges } from './alias-change.ts';
import { Entry, entryKey, type EntryKey } from '../chapters/shortcuts/entry.ts';
import { applyMacroChanges, inverseMacroChanges, MacroChange } from './macro-change.ts';
import { Role } from './role.ts';
import { StratumId, stratumById, type Profile } from './stratum.ts';

/**
 * One entry of one stratum before and after: null means that it is not there. At least one side is an entry, and both
 * name the same shortcut.
 */
export const Change = z.strictObject({ stratum: StratumId, before: Entry.nullable(), after: Entry.nullable() }).check((ctx) => {
	const { before, after } = ctx.value;
	if (!before && !after)
		ctx.issues.push({ code: 'custom', input: ctx.value, message: 'a change needs an entry before or after it' });
	else if (before && after && entryKey(before) !== entryKey(after))
		ctx.issues.push({ code: 'custom', input: ctx.value, message: 'before and after are about different shortcuts' });
});
export type Change = z.infer<typeof Change>;

/** All that one edit changes: shortcuts, alias files, macros. */
export interface Said {
	readonly changes: readonly Change[];
	readonly aliases: readonly AliasChange[];
	readonly macros: readonly MacroChange[];
}

export const isNothing = ({ changes, aliases, macros }: Said): boolean => changes.length + aliases.length + macros.length === 0;

/** Counts the edits; as far as the database does. */
export const Revision = z.number().int().min(0).max(2_147_483_647);

/** What the interface sends: a named list of changes, made against a revision, applied whole or not at all. */
export const ProposedEdit = z
	.strictObject({
		base: Revision,
		role: Role,
		label: z.string().min(1).max(200),
		changes: z.array(Change).max(60_000).default([]),
		aliases: z.array(AliasChange).max(100).default([]),
		macros: z.array(MacroChange).max(1_000).default([])
	})
	.refine((edit) => !isNothing(edit), 'an edit changes something');
export type ProposedEdit = z.infer<typeof ProposedEdit>;

/** An edit as it is kept for ever. `undoes` or `redoes` name the revision that it takes back or brings again. */
export const Edit = z.strictObject({
	revision: z.number().int().min(1),
	at: z.iso.datetime(),
	role: Role,
	label: z.string(),
	changes: z.array(Change),
	aliases: z.array(AliasChange).default([]),
	macros: z.array(MacroChange).default([]),
	undoes: z.number().int().optional(),
	redoes: z.number().int().optional()
});
export type Edit = z.infer<typeof Edit>;

/** An entry is not as the edit expects it; nothing was applied. */
export class StaleChangeError extends Error {
	override name = 'StaleChangeError';
	readonly change: Change;
	readonly found: Entry | undefined;
	constructor(change: Change, found: Entry | undefined) {
		const entry = (change.before ?? change.after)!;
		super(
			`${entry.keys} for ${entry.command} in ${change.stratum}: expected ${change.before ? change.before.op : 'no entry'}, found ${found ? found.op : 'none'}`
		);
		this.change = change;
		this.found = found;
	}
}

/** The factory stratum is never written. */
export class FactoryWriteError extends Error {
	override name = 'FactoryWriteError';
	constructor() {
		super('the factory stratum is never written; write to the office or personal stratum, where remove hides a factory shortcut');
	}
}

export function keyOfChange(change: Change): EntryKey {
	return entryKey((change.before ?? change.after)!);
}

/**
 * The profile after the changes; the given one is untouched. Throws `StaleChangeError` if an entry is not as `before`
 * says, `FactoryWriteError`, or `RangeError` for an unknown stratum.
 */
export function applyChanges(profile: Profile, changes: readonly Change[]): Profile {
	const written = new Map<StratumId, Map<EntryKey, Entry>>();
	for (const change of changes) {
		const stratum = stratumById(profile, change.stratum);
		if (stratum.kind === 'factory') throw new FactoryWriteError();
		let entries = written.get(stratum.id);
		if (!entries) written.set(stratum.id, (entries = new Map(stratum.entries)));
		const key = keyOfChange(change);
		const found = entries.get(key);
		if (found?.op !== change.before?.op || found?.rank !== change.before?.rank) throw new StaleChangeError(change, found);
		if (change.after) entries.set(key, change.after);
		else entries.delete(key);
	}
	return profile.map((stratum) => {
		const entries = written.get(stratum.id);
		return entries ? { ...stratum, entries } : stratum;
	});
}

/**
 * One change for each entry, for steps that were worked out apart from the same profile: where two of them speak of one
 * entry, a set wins over a remove. What would change nothing is left out.
 */
export function combined(changes: readonly Change[]): Change[] {
	const byEntry = new Map<string, Change>();
	for (const change of changes) {
		const key = `${change.stratum}\n${keyOfChange(change)}`;
		if (byEntry.get(key)?.after?.op !== 'set') byEntry.set(key, change);
	}
	return [...byEntry.values()].filter(({ before, after }) => before?.op !== after?.op || before?.rank !== after?.rank);
}

/** Several lists of changes, each made on the profile after those before it, as one list on the first profile. */
export function composed(steps: Iterable<readonly Change[]>): Change[] {
	const byEntry = new Map<string, Change>();
	for (const changes of steps)
		for (const change of changes) {
			const key = `${change.stratum}\n${keyOfChange(change)}`;
			const earlier = byEntry.get(key);
			byEntry.set(key, earlier ? { ...change, before: earlier.before } : change);
		}
	return [...byEntry.values()].filter(({ before, after }) => before?.op !== after?.op || before?.rank !== after?.rank);
}

/** The profile after all of it. Throws what `applyChanges`, `applyAliasChanges` and `applyMacroChanges` throw; then nothing is applied. */
export function applyEdit(profile: Profile, { changes, aliases, macros }: Said): Profile {
	return applyMacroChanges(applyAliasChanges(applyChanges(profile, changes), aliases), macros);
}

/** What takes it all back. */
export function inverseEdit({ changes, aliases, macros }: Said): { [K in keyof Said]: Said[K][number][] } {
	return {
		changes: inverse(changes),
		aliases: inverseAliasChanges(aliases),
		macros: inverseMacroChanges(macros)
	};
}

/** The changes that take these back, in the order in which they must be applied. */
export function inverse(changes: readonly Change[]): Change[] {
	return changes.map(({ stratum, before, after }) => ({ stratum, before: after, after: before })).reverse();
}

type Step = Pick<Edit, 'revision' | 'undoes' | 'redoes'>;

/**
 * The revisions that can be undone and redone now, the next one last. Computed from the log alone, so that undo works
 * across reloads: a new edit ends what could be redone.
 */
export function undoable(log: readonly Step[]): { undo: number[]; redo: number[] } {
	const undo: number[] = [];
	let redo: number[] = [];
	for (const step of log) {
		if (step.undoes !== undefined) redo.push(undo.pop()!);
		else if (step.redoes !== undefined) undo.push(redo.pop()!);
		else {
			undo.push(step.revision);
			redo = [];
		}
	}
	return { undo, redo };
}
