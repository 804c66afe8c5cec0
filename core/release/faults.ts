import { aliasGround, checkAliases } from '../alias/check.ts';
import { aliasTable } from '../alias/table.ts';
import type { Circumstances } from '../check/circumstances.ts';
import { checkMacros } from '../macro/check.ts';
import type { Profile } from '../profile/stratum.ts';

/** An error in an alias file or a macro that a release would carry to the seats. */
export interface ReleaseFault {
	readonly in: 'aliases' | 'macros';
	readonly sentence: string;
}

/**
 * The errors that stand in the office's own alias file and macros. They hold a release back until they are mended: a line
 * can be commented out and a macro taken away, so there is nothing to accept. `profile` is what goes out, the index its own.
 */
export function releaseFaults({ index }: Pick<Circumstances, 'index'>, profile: Profile): ReleaseFault[] {
	const office = profile.find((s) => s.kind === 'office')?.id;
	const input = index.rules.aliases;
	const aliases = input ? checkAliases(aliasGround(aliasTable(profile, input), index.catalogue)) : [];
	return [
		...aliases
			.filter((f) => f.severity === 'error' && f.entry.stratum.id === office)
			.map(({ sentence }) => ({ in: 'aliases', sentence }) as const),
		...checkMacros(index, profile)
			.filter((f) => f.severity === 'error' && f.stratum === office)
			.map(({ sentence }) => ({ in: 'macros', sentence }) as const)
	];
}
