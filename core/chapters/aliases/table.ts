import type { Profile, StratumHead } from '../../strata/stratum.ts';
import { aliasKey, type AliasInput } from '../../application/command-line.ts';
import { aliasFileIn, aliasLines, emptyAliasFile, TAKES_AWAY, type AliasFile, type AliasLine } from './file.ts';

/** An alias with the stratum whose file says it. */
export interface AliasEntry extends AliasLine {
	readonly key: string;
	readonly stratum: StratumHead;
	/** The stratum that locked the alias, if one below did. */
	readonly lockedBy: StratumHead | undefined;
}

/** The fold of the strata's alias files. */
export interface AliasTable {
	readonly input: AliasInput;
	/** What each alias runs, by its key. */
	readonly inForce: ReadonlyMap<string, AliasEntry>;
	/** Every line that is not commented out, upper strata last, in the order of the files. */
	readonly entries: readonly AliasEntry[];
	/** Why an entry is not in force: another line of its file or an upper file holds, a lock stops it, or it takes nothing away. */
	readonly idle: ReadonlyMap<AliasEntry, 'twice' | 'covered' | 'locked' | 'nothing'>;
	/** For each line that is said twice in its file, the line that holds. */
	readonly holders: ReadonlyMap<AliasEntry, AliasEntry>;
	/** Lines that are commented out. */
	readonly off: readonly AliasEntry[];
	/** For each command the aliases that run it. */
	readonly byCommand: ReadonlyMap<string, readonly AliasEntry[]>;
}

export const aliasFileOf = (profile: Profile, stratum: string): AliasFile => fileIn(profile, stratum) ?? emptyAliasFile;

function fileIn(profile: Profile, id: string): AliasFile | null {
	const stratum = profile.find((s) => s.id === id);
	return stratum ? aliasFileIn(stratum) : null;
}

/** Folds the alias files from the lowest stratum up: an upper line about an alias stands in place of a lower one. */
export function aliasTable(profile: Profile, input: AliasInput): AliasTable {
	let inForce = new Map<string, AliasEntry>();
	const locks = new Map<string, StratumHead>();
	const idle = new Map<AliasEntry, 'twice' | 'covered' | 'locked' | 'nothing'>();
	const entries: AliasEntry[] = [];
	const holders = new Map<AliasEntry, AliasEntry>();
	const off: AliasEntry[] = [];
	for (const layer of profile) {
		const aliases = aliasFileIn(layer);
		if (!aliases) continue;
		const stratum = headOf(layer);
		const own = new Map<string, AliasEntry>();
		const again = new Set<string>();
		const from = entries.length;
		/** Nothing below has a say, and nothing is taken away: what the file says is in force as it stands. */
		let isAlone = inForce.size === 0 && locks.size === 0;
		for (const line of aliasLines(aliases).lines) {
			const key = aliasKey(line.alias, input);
			const lockedBy = locks.size > 0 ? locks.get(key) : undefined;
			const entry = entryOf(line, key, stratum, lockedBy);
			if (line.record.off) {
				off.push(entry);
				continue;
			}
			entries.push(entry);
			isAlone &&= line.command !== TAKES_AWAY;
			const before = own.size;
			own.set(key, entry);
			if (own.size === before) again.add(key);
		}
		if (again.size > 0) settle(entries.slice(from), again, own);
		if (isAlone) inForce = own;
		else fold(own);
		for (const entry of own.values()) if (entry.locks && !locks.has(entry.key)) locks.set(entry.key, stratum);
	}
	let byCommand: ReadonlyMap<string, readonly AliasEntry[]> | undefined;
	return {
		input,
		inForce,
		entries,
		idle,
		holders,
		off,
		get byCommand() {
			return (byCommand ??= groupedByCommand(inForce));
		}
	};

	/** Decides which line holds where a file says an alias again. */
	function settle(said: readonly AliasEntry[], again: ReadonlySet<string>, own: Map<string, AliasEntry>) {
		const many = said.filter(({ key }) => again.has(key));
		for (const entry of input.twice === 'last' ? many : many.toReversed()) own.set(entry.key, entry);
		for (const entry of many) {
			const holder = own.get(entry.key)!;
			if (holder === entry) continue;
			idle.set(entry, 'twice');
			holders.set(entry, holder);
		}
	}

	function fold(own: ReadonlyMap<string, AliasEntry>) {
		for (const [key, entry] of own) {
			const below = inForce.get(key);
			if (locks.size > 0 && locks.has(key)) idle.set(entry, 'locked');
			else if (entry.command === TAKES_AWAY) {
				if (!below) idle.set(entry, 'nothing');
				else {
					idle.set(below, 'covered');
					inForce.delete(key);
				}
			} else {
				if (below) idle.set(below, 'covered');
				inForce.set(key, entry);
			}
		}
	}
}

const made = new WeakMap<AliasLine, AliasEntry>();

/** The entry of a line; the same one as long as nothing else is to be said of it. */
function entryOf(line: AliasLine, key: string, stratum: StratumHead, lockedBy: StratumHead | undefined): AliasEntry {
	const known = made.get(line);
	if (known?.key === key && known.stratum === stratum && known.lockedBy === lockedBy) return known;
	const { alias, command, note, locks, record } = line;
	const entry: AliasEntry = { alias, command, note, locks, record, key, stratum, lockedBy };
	made.set(line, entry);
	return entry;
}

const heads = new Map<string, StratumHead>();

/** One object for all heads that say the same. */
function headOf({ id, kind, name }: StratumHead): StratumHead {
	const text = `${id}\n${kind}\n${name}`;
	let known = heads.get(text);
	if (!known) heads.set(text, (known = { id, kind, name }));
	return known;
}

function groupedByCommand(inForce: AliasTable['inForce']): ReadonlyMap<string, readonly AliasEntry[]> {
	const byCommand = new Map<string, AliasEntry[]>();
	for (const entry of inForce.values()) {
		const list = byCommand.get(entry.command);
		if (list) list.push(entry);
		else byCommand.set(entry.command, [entry]);
	}
	return byCommand;
}
