import { aliasFindings } from '../chapters/aliases/check.ts';
import { aliasAcceptable } from '../chapters/aliases/acceptance.ts';
import { isAccepted } from '../check/acceptance.ts';
import type { Circumstances } from '../check/circumstances.ts';
import { macroAcceptable } from '../chapters/macros/acceptance.ts';
import { checkMacros } from '../chapters/macros/check.ts';
import type { Profile } from '../profile/stratum.ts';

/** An error in an alias file or a macro that a release would carry to the seats. */
export interface ReleaseFault {
	readonly in: 'aliases' | 'macros';
	readonly sentence: string;
}

/**
 * The errors that stand in the office's own alias file and macros and that nobody has accepted. They hold a release back.
 * `profile` is what goes out, the index its own.
 */
export function releaseFaults({ index }: Pick<Circumstances, 'index'>, profile: Profile): ReleaseFault[] {
	const office = profile.find((s) => s.kind === 'office')?.id;
	const input = index.rules.aliases;
	const aliases = input ? aliasFindings(profile, input, index.catalogue) : [];
	return [
		...aliases
			.filter((f) => f.severity === 'error' && f.entry.stratum.id === office && !isAccepted(index.effective, aliasAcceptable(f)))
			.map(({ sentence }) => ({ in: 'aliases', sentence }) as const),
		...checkMacros(index, profile)
			.filter((f) => f.severity === 'error' && f.stratum === office && !isAccepted(index.effective, macroAcceptable(f)))
			.map(({ sentence }) => ({ in: 'macros', sentence }) as const)
	];
}
