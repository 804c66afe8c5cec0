import { put, takeAway } from '../answer/choices.ts';
import type { CommandId } from '../application/command.ts';
import type { Ground } from '../chapter/chapter.ts';
import { scopeText, type Scope } from '../context/scope.ts';
import { combined, ofShortcuts, type Change } from '../shortcut/change.ts';
import type { Binding } from '../shortcut/effective.ts';
import { OutOfReachError } from '../strata/change.ts';
import type { StratumId } from '../strata/stratum.ts';
import type { AnyChange } from './edit.ts';
import { problemsOf } from './problems.ts';

/** What is done to the shortcuts of several commands as one edit, and what has to stay, with why. */
export interface ManyChanges {
	readonly changes: readonly AnyChange[];
	readonly stays: readonly { readonly binding: Binding; readonly reason: string }[];
}

function ofEach(
	ground: Ground,
	commands: Iterable<CommandId>,
	change: (binding: Binding, offset: number) => readonly Change[]
): ManyChanges {
	const changes: Change[] = [];
	const stays: { binding: Binding; reason: string }[] = [];
	for (const command of commands)
		for (const binding of ground.index.of(command))
			try {
				const made = change(binding, changes.length);
				const [problem] = problemsOf(ofShortcuts(made), ground);
				if (problem) stays.push({ binding, reason: problem.message });
				else changes.push(...made);
			} catch (error) {
				if (!(error instanceof OutOfReachError)) throw error;
				stays.push({ binding, reason: error.message });
			}
	return { changes: ofShortcuts(combined(changes)), stays };
}

/** Takes all shortcuts of the commands out of force. */
export const removingAll = (ground: Ground, target: StratumId, commands: Iterable<CommandId>): ManyChanges =>
	ofEach(ground, commands, (binding, offset) => takeAway(ground.index, ground.profile, target, binding, offset));

/** Limits all shortcuts of the commands to a scope; those that have it already are left as they are. */
export function limitingAll(ground: Ground, target: StratumId, commands: Iterable<CommandId>, scope: Scope): ManyChanges {
	const { index, profile } = ground;
	const wanted = scopeText(scope);
	return ofEach(ground, commands, (binding, offset) => {
		if (binding.scopeText === wanted) return [];
		const { command, keys } = binding;
		return [...takeAway(index, profile, target, binding, offset), ...put(profile, target, { command, keys, scope }, offset + 1)];
	});
}
