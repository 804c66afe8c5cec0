import { readable } from '../stroke/stroke.ts';
import type { Entry } from '../shortcut/entry.ts';
import type { ShortcutIndex } from './shortcut-index.ts';

/** Why a stratum cannot say this; `by` is the name of the stratum that has locked it. */
export function lockedText(
	index: ShortcutIndex,
	{ op, keys, command }: Pick<Entry, 'op' | 'keys' | 'command'>,
	by: string
): string {
	const label = index.catalogue.get(command)?.label ?? command;
	return readable(
		op === 'remove'
			? `${by} has locked ${keys} for ${label}; it cannot be removed above it`
			: `${by} has locked what ${keys} does there; ${label} can have it only where the scopes do not meet`
	);
}
