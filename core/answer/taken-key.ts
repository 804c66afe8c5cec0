import type { Command, CommandId } from '../application/command.ts';
import { EVERYWHERE } from '../context/scope.ts';
import type { Binding } from '../shortcut/effective.ts';
import type { Profile, StratumId } from '../strata/stratum.ts';
import type { Keys } from '../stroke/stroke.ts';
import { choices, type Choice } from './choices.ts';
import { consequences } from './consequences.ts';
import type { ShortcutIndex } from './shortcut-index.ts';
import { verdict } from './verdict.ts';

/** A key that one command has and another can take over, in a situation where both exist: the example of the tour. */
export interface TakenKey {
	readonly keys: Keys;
	/** The command that has the key. */
	readonly owner: CommandId;
	/** The command that takes it over. */
	readonly command: CommandId;
	/** A situation where the key runs the owner before, and the command afterwards. */
	readonly situation: number;
}

/** A letter alone, which every browser passes on, and of those that lie in the same place on the usual layouts. */
const isPlain = ({ keys }: Binding) => /^(?:Key)?[B-LN-PR-VX]$/.test(keys);

/**
 * An example of a taken key for the first of the commands that has one, found by trying: `target` can take the key over, and after that
 * the key runs the command. Undefined where the profile has none.
 */
export function takenKeyFor(
	index: ShortcutIndex,
	profile: Profile,
	target: StratumId,
	commands: readonly Command[]
): TakenKey | undefined {
	const taken = [...index.catalogue.keys()].flatMap((id) => index.of(id).filter(isPlain));
	if (taken.length === 0) return undefined;
	for (const { id: command } of commands)
		for (const { keys, command: owner } of taken) {
			if (owner === command) continue;
			const found = verdict(index, { command, keys, scope: EVERYWHERE });
			if (found.kind !== 'meets') continue;
			const takeOver = choices(index, profile, target, found).find(
				(choice): choice is Choice => choice.kind === 'take-over' && !('closed' in choice)
			);
			if (!takeOver) continue;
			const effect = consequences(index, profile, takeOver.changes).changes.find(
				({ before, after }) =>
					before.kind === 'fires' && before.winner.command === owner && after.kind === 'fires' && after.winner.command === command
			);
			if (effect) return { keys, owner, command, situation: effect.situations[0]! };
		}
	return undefined;
}
