import { shared } from '../recipe/lines.ts';
import { z } from 'zod';
import { AliasFile, emptyAliasFile } from '../chapters/aliases/file.ts';
import { StratumId, stratumById, type Profile } from './stratum.ts';

/** A part of a stratum's alias file before and after, by its place in the text. */
export const AliasSplice = z.strictObject({
	stratum: StratumId,
	at: z.number().int().min(0),
	before: z.string().max(10_000_000),
	after: z.string().max(10_000_000)
});
export type AliasSplice = z.infer<typeof AliasSplice>;

/** A whole alias file before and after: brought from outside, or read by another recipe. */
export const AliasSwap = z.strictObject({ stratum: StratumId, from: AliasFile.nullable(), to: AliasFile.nullable() });

export type AliasSwap = z.infer<typeof AliasSwap>;

export const AliasChange = z.union([AliasSplice, AliasSwap]);
export type AliasChange = z.infer<typeof AliasChange>;

/** An alias file is not as the edit expects it; nothing was applied. */
export class StaleAliasError extends Error {
	override name = 'StaleAliasError';
	constructor(stratum: string, expected: string, found: string) {
		super(`the alias file of ${stratum} is not as this edit expects it: expected "${short(expected)}", found "${short(found)}"`);
	}
}

const short = (text: string) => (text.length > 40 ? `${text.slice(0, 40)}…` : text);

/**
 * The profile after the changes, made one after the other. Throws `StaleAliasError` if a text is not as `before` says, or
 * `RangeError` for an unknown stratum or the factory's.
 */
export function applyAliasChanges(profile: Profile, changes: readonly AliasChange[]): Profile {
	return changes.reduce((now, change) => {
		const stratum = stratumById(now, change.stratum);
		if (stratum.kind === 'factory')
			throw new RangeError('the alias file of the factory stratum is never written; write to one above it');
		const aliases = 'at' in change ? cut(stratum.aliases ?? emptyAliasFile, change) : swapped(stratum.aliases, change);
		return now.map((s) => (s === stratum ? { ...stratum, aliases: aliases! } : s));
	}, profile);
}

function cut({ text, ...file }: AliasFile, { stratum, at, before, after }: AliasSplice): AliasFile {
	const found = text.slice(at, at + before.length);
	if (found !== before || at > text.length) throw new StaleAliasError(stratum, before, found);
	return { ...file, text: text.slice(0, at) + after + text.slice(at + before.length) };
}

function swapped(found: AliasFile | undefined, { stratum, from, to }: AliasSwap): AliasFile {
	if ((found?.text ?? '') !== (from?.text ?? '')) throw new StaleAliasError(stratum, from?.text ?? '', found?.text ?? '');
	return to ?? emptyAliasFile;
}

/** The changes that take these back, in the order in which they must be applied. */
export function inverseAliasChanges(changes: readonly AliasChange[]): AliasChange[] {
	return changes
		.map((change): AliasChange =>
			'at' in change
				? { ...change, before: change.after, after: change.before }
				: { stratum: change.stratum, from: change.to, to: change.from }
		)
		.reverse();
}

/** The one splice that makes a text of another: what both begin and end with stays. Undefined if they are the same. */
export function spliceBetween(stratum: StratumId, before: string, after: string): AliasSplice | undefined {
	if (before === after) return undefined;
	const { beginning: at, ending } = shared(before, after);
	return { stratum, at, before: before.slice(at, before.length - ending), after: after.slice(at, after.length - ending) };
}
