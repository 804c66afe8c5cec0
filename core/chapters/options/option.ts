import { z } from 'zod';
import type { InputRules } from '../../application/application.ts';
import { setOrNamed } from '../../strata/change.ts';
import type { Entries } from '../../strata/entry.ts';
import { keyedFold, type KeyedFold } from '../../strata/keyed-fold.ts';
import { contentOf, type Profile } from '../../strata/stratum.ts';
import { OptionPath, OptionValue, type OptionDefinition } from '../../application/option.ts';

export const OPTIONS = 'options';

/** What a stratum says of an option: its value, that a lower one's does not count, or that strata above may not change it. */
export const OptionEntry = setOrNamed({ path: OptionPath, value: OptionValue }, { path: OptionPath });
export type OptionEntry = z.infer<typeof OptionEntry>;

export type OptionEntries = Entries<OptionEntry>;
const NONE: OptionEntries = new Map();
export const optionsIn = contentOf<OptionEntries>(OPTIONS, NONE);

export const MEETING = { meeting: 'overrides', thing: ({ path }: OptionEntry) => path as string } as const;

const known = new WeakMap<Profile, KeyedFold<OptionEntry>>();

/** What is set, with where it comes from. */
export function optionsFold(profile: Profile): KeyedFold<OptionEntry> {
	let fold = known.get(profile);
	if (!fold) known.set(profile, (fold = keyedFold(profile, optionsIn, MEETING)));
	return fold;
}

/** The value that counts: what the uppermost stratum says, or the application's own. */
export function valueOf(profile: Profile, { path, default: own }: OptionDefinition): OptionValue {
	const entry = optionsFold(profile).inForce.get(path)?.entry;
	return entry?.op === 'set' ? entry.value : own;
}

const NO_OPTIONS: OptionDefinition[] = [];
const byPath = new WeakMap<readonly OptionDefinition[], ReadonlyMap<string, OptionDefinition>>();

/** The catalogue of options by path. */
export function definitionsOf({ options = NO_OPTIONS }: Pick<InputRules, 'options'>): ReadonlyMap<string, OptionDefinition> {
	let map = byPath.get(options);
	if (!map) byPath.set(options, (map = new Map(options.map((option) => [option.path, option]))));
	return map;
}
