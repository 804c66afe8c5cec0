import type { Profile, StratumHead } from '../profile/stratum.ts';
import { aliasKey, type AliasInput } from './input.ts';
import { aliasLines, emptyAliasFile, TAKES_AWAY, type AliasFile, type AliasLine } from './file.ts';

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

export const aliasFileOf = (profile: Profile, stratum: string): AliasFile =>
	profile.find((s) => s.id === stratum)?.aliases ?? emptyAliasFile;

/** Folds the alias files from the lowest stratum up: an upper line about an alias stands in place of a lower one. */
export function aliasTable(profile: Profile, input: AliasInput): AliasTable {
	let inForce = new Map<string, AliasEntry>();
	const locks = new Map<string, StratumHead>();
	const idle = new Map<AliasEntry, 'twice' | 'covered' | 'locked' | 'nothing'>();
	const entries: AliasEntry[] = [];
	const holders = new Map<AliasEntry, AliasEntry>();
	const off: AliasEntry[] = [];
	for (const { aliases, id, kind, name } of profile) {
		if (!aliases) continue;
		const stratum = { id, kind, name };
		const own = new Map<string, AliasEntry>();
		const twice: AliasEntry[] = [];
		/** Nothing below has a say, and nothing is taken away: what the file says is in force as it stands. */
		let isAlone = inForce.size === 0 && locks.size === 0;
		for (const line of aliasLines(aliases).lines) {
			const key = aliasKey(line.alias, input);
			const lockedBy = locks.size > 0 ? locks.get(key) : undefined;
			const entry: AliasEntry = {
				alias: line.alias,
				command: line.command,
				note: line.note,
				locks: line.locks,
				record: line.record,
				key,
				stratum,
				lockedBy
			};
			if (line.record.off) {
				off.push(entry);
				continue;
			}
			entries.push(entry);
			isAlone &&= line.command !== TAKES_AWAY;
			const earlier = own.get(key);
			if (!earlier) own.set(key, entry);
			else {
				twice.push(input.twice === 'first' ? entry : earlier);
				if (input.twice === 'last') own.set(key, entry);
			}
		}
		for (const entry of twice) {
			idle.set(entry, 'twice');
			holders.set(entry, own.get(entry.key)!);
		}
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

function groupedByCommand(inForce: AliasTable['inForce']): ReadonlyMap<string, readonly AliasEntry[]> {
	const byCommand = new Map<string, AliasEntry[]>();
	for (const entry of inForce.values()) {
		const list = byCommand.get(entry.command);
		if (list) list.push(entry);
		else byCommand.set(entry.command, [entry]);
	}
	return byCommand;
}
