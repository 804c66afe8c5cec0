import type { CommandId } from '../application/command.ts';
import type { Change } from '../shortcut/change.ts';
import type { Profile } from '../strata/stratum.ts';
import { properPrefixes, type Keys } from '../stroke/stroke.ts';
import { overlay } from './overlay.ts';
import { alike } from '../context/bits.ts';
import { decisive, resolve, sameOutcome, type Outcome } from './resolve.ts';
import type { ShortcutIndex } from './shortcut-index.ts';

/** On these keys, in these situations, something else happens than before. */
export interface Consequence {
	readonly keys: Keys;
	readonly before: Outcome;
	readonly after: Outcome;
	readonly situations: readonly number[];
}

export interface Consequences {
	readonly changes: readonly Consequence[];
	/** Commands that had a shortcut and would have none. */
	readonly stranded: readonly CommandId[];
}

/** What the changes would do to every input they touch, in every situation, found by asking before and after. */
export function consequences(index: ShortcutIndex, profile: Profile, changes: readonly Change[]): Consequences {
	const after = overlay(index, profile, changes);
	const touched = new Set<Keys>();
	const commands = new Set<CommandId>();
	for (const change of changes) {
		const { keys, command } = (change.before ?? change.after)!;
		touched.add(keys);
		// a new sequence lets its beginnings wait; an input that comes or goes cuts longer ones short or frees them
		for (const prefix of properPrefixes(keys)) touched.add(prefix);
		commands.add(command);
		for (const side of [index, after])
			for (const longer of side.longer(keys)) {
				touched.add(longer.keys);
				// a beginning that nothing is on waits as well, until it is cut short
				for (const beginning of properPrefixes(longer.keys)) if (beginning.startsWith(`${keys} `)) touched.add(beginning);
			}
		// a lock that comes or goes lets others on the input come or go
		for (const side of [index, after]) for (const binding of side.on(keys)) commands.add(binding.command);
	}
	const found: Consequence[] = [];
	for (const keys of touched) {
		const groups: { before: Outcome; after: Outcome; situations: number[] }[] = [];
		const sets = [...decisive(index, keys), ...decisive(after, keys)];
		for (const situations of alike(sets, index.space.situations.length)) {
			const was = resolve(index, keys, situations[0]!);
			const is = resolve(after, keys, situations[0]!);
			if (sameOutcome(was, is)) continue;
			const group = groups.find((g) => sameOutcome(g.before, was) && sameOutcome(g.after, is));
			if (group) group.situations.push(...situations);
			else groups.push({ before: was, after: is, situations });
		}
		found.push(...groups.sort((a, b) => b.situations.length - a.situations.length).map((g) => ({ keys, ...g })));
	}
	return {
		changes: found,
		stranded: [...commands].filter((c) => index.of(c).length > 0 && after.of(c).length === 0)
	};
}
