import type { CommandId } from '../../application/command.ts';
import type { Scope } from '../../context/scope.ts';
import { parseKeys, type Keys } from '../../stroke/stroke.ts';
import type { Entry } from '../../shortcut/entry.ts';

/** Keys that nobody can press, told with the place of the member. */
class SpellingError extends Error {
	readonly path = ['keys'];
}

/** An entry as it stands in a file. */
type InFile = Omit<Entry, 'rank' | 'keys'> & { readonly keys: string };

interface Member<T> {
	safeParse(value: unknown): { readonly data?: T | undefined };
}

/** The form of such an entry, and those of its members. */
interface Form {
	parse(value: unknown): InFile;
	readonly shape: {
		readonly command: Member<CommandId>;
		readonly keys: Member<string>;
		readonly scope: Member<Scope>;
	};
}

/** What was looked at already; emptied before it grows without end. */
const MOST_KNOWN = 200_000;

/**
 * Reads one entry of a file after the other. A file says the same commands, keys and scopes many thousand times: each is looked
 * at once, and the whole entry only where a part is not sound. Throws a `ZodError`, or an error with the path of the keys.
 */
export function entryReader(form: Form): (value: unknown) => Entry {
	const { command: commandForm, keys: keysForm, scope: scopeForm } = form.shape;
	const commands = new Map<unknown, CommandId>();
	const spelled = new Map<unknown, Keys>();
	const scopes = new Map<string, Scope>();
	const remembered = <K, V>(known: Map<K, V>, key: K, value: V): V => {
		if (known.size > MOST_KNOWN) known.clear();
		known.set(key, value);
		return value;
	};
	const soundCommand = (command: unknown): CommandId | undefined => {
		const { data } = commandForm.safeParse(command);
		return data === undefined ? undefined : remembered(commands, command, data);
	};
	const soundKeys = (keys: unknown): Keys | undefined => {
		const { data } = keysForm.safeParse(keys);
		return data === undefined ? undefined : remembered(spelled, keys, keysOf(data));
	};
	const soundScope = (scope: unknown, text: string): Scope | undefined => {
		const { data } = scopeForm.safeParse(scope);
		return data === undefined ? undefined : remembered(scopes, text, Object.freeze(data));
	};
	const sound = (value: unknown): Entry | undefined => {
		if (typeof value !== 'object' || value === null || Object.keys(value).length !== 4) return undefined;
		const { op, command, keys, scope } = value as Record<string, unknown>;
		if ((op !== 'set' && op !== 'remove' && op !== 'lock') || scope === undefined) return undefined;
		const named = commands.get(command) ?? soundCommand(command);
		const said = spelled.get(keys) ?? soundKeys(keys);
		const text = JSON.stringify(scope);
		const where = scopes.get(text) ?? soundScope(scope, text);
		if (named === undefined || said === undefined || where === undefined) return undefined;
		return { op, command: named, keys: said, scope: where, rank: 0 };
	};
	return (value) => {
		const entry = sound(value);
		if (entry) return entry;
		const { op, command, keys, scope } = form.parse(value);
		return { op, command, keys: keysOf(keys), scope: Object.freeze(scope), rank: 0 };
	};
}

function keysOf(text: string): Keys {
	try {
		return parseKeys(text);
	} catch (error) {
		throw new SpellingError((error as Error).message);
	}
}
