import { z } from 'zod';
import type { CommandId } from '../application/command.ts';
import { isGone, MacroEntry } from '../chapters/macros/macro.ts';
import { saysSame } from '../chapters/macros/same.ts';
import { StratumId, stratumById, type Profile } from './stratum.ts';

/** What a stratum says of one macro before and after: null means nothing. */
export const MacroChange = z
	.strictObject({ stratum: StratumId, before: MacroEntry.nullable(), after: MacroEntry.nullable() })
	.check((ctx) => {
		const { before, after } = ctx.value;
		if (!before && !after)
			ctx.issues.push({ code: 'custom', input: ctx.value, message: 'a change needs a macro before or after it' });
		else if (before && after && before.id !== after.id)
			ctx.issues.push({ code: 'custom', input: ctx.value, message: `before is about ${before.id} and after about ${after.id}` });
	});
export type MacroChange = z.infer<typeof MacroChange>;

export const macroOfChange = ({ before, after }: MacroChange): CommandId => (before ?? after)!.id;

/** A macro is not as the edit expects it; nothing was applied. */
export class StaleMacroError extends Error {
	override name = 'StaleMacroError';
	constructor({ stratum, before, after }: MacroChange, found: MacroEntry | undefined) {
		super(
			`${(before ?? after)!.id} in ${stratum} is not as this edit expects it: expected ${said(before)}, found ${said(found)}`
		);
	}
}

const said = (entry: MacroEntry | null | undefined) =>
	!entry ? 'none' : isGone(entry) ? 'that it is taken away' : `"${entry.label}" with ${entry.steps.length} steps`;

/**
 * The profile after the changes. Throws `StaleMacroError` if a macro is not as `before` says, or `RangeError` for an unknown
 * stratum or the factory's.
 */
export function applyMacroChanges(profile: Profile, changes: readonly MacroChange[]): Profile {
	return changes.reduce((now, change) => {
		const stratum = stratumById(now, change.stratum);
		if (stratum.kind === 'factory') throw new RangeError('the macros of the factory stratum are never written');
		const id = macroOfChange(change);
		const found = stratum.macros?.get(id);
		if (!saysSame(found, change.before)) throw new StaleMacroError(change, found);
		const macros = new Map(stratum.macros);
		if (change.after) macros.set(id, change.after);
		else macros.delete(id);
		return now.map((s) => (s === stratum ? { ...stratum, macros } : s));
	}, profile);
}

export function inverseMacroChanges(changes: readonly MacroChange[]): MacroChange[] {
	return changes.map(({ stratum, before, after }) => ({ stratum, before: after, after: before })).reverse();
}
