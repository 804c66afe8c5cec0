import type { Catalogue } from '../../application/application.ts';
import type { CommandId } from '../../application/command.ts';
import type { Severity } from '../../check/severity.ts';
import type { AliasEntry, AliasTable } from './table.ts';

export const ALIAS_RULE_IDS = ['clash', 'prefix', 'hides', 'orphan', 'duplicate', 'spelling', 'moved', 'locked', 'pays'] as const;
export type AliasRuleId = (typeof ALIAS_RULE_IDS)[number];

/** A way out: what happens to a line. */
export type AliasFix =
	| { readonly kind: 'remove' | 'off'; readonly label: string; readonly entry: AliasEntry }
	| {
			readonly kind: 'set';
			readonly label: string;
			readonly entry: AliasEntry;
			readonly values: { alias?: string; command?: string };
	  };

/** What a rule says of a finding. */
export interface AliasTelling {
	readonly sentence: string;
	readonly fixes: readonly AliasFix[];
	/** What the finding rests on besides its own line. */
	readonly facts?: readonly string[];
}

/** What the check has found in the alias files. It names the line; what people read is told when it is asked for. */
export class AliasFinding implements AliasTelling {
	readonly rule: AliasRuleId;
	readonly severity: Severity;
	/** The line that suffers; its stratum's file is where the finding shows, and typing it at the command line. */
	readonly entry: AliasEntry;
	readonly #say: () => AliasTelling;
	#told: AliasTelling | undefined;

	constructor(rule: AliasRuleId, severity: Severity, entry: AliasEntry, say: () => AliasTelling) {
		this.rule = rule;
		this.severity = severity;
		this.entry = entry;
		this.#say = say;
	}

	get sentence(): string {
		return (this.#told ??= this.#say()).sentence;
	}

	get facts(): readonly string[] {
		return (this.#told ??= this.#say()).facts ?? [];
	}

	get fixes(): readonly AliasFix[] {
		return (this.#told ??= this.#say()).fixes;
	}
}

/** What the rules look at. */
export interface AliasGround {
	readonly table: AliasTable;
	readonly catalogue: Catalogue;
	/** Seconds that the shortest shortcut of a command takes, if it has one. */
	readonly shortcutCosts: Pick<ReadonlyMap<string, number>, 'get'>;
	/** What the last release ran for an alias, by its key; undefined before the first release. */
	readonly released: ReadonlyMap<string, string> | undefined;
	/** The commands' own names as the command line compares them. */
	readonly names: ReadonlyMap<string, CommandId>;
}

export interface AliasRule {
	readonly id: AliasRuleId;
	readonly title: string;
	find(ground: AliasGround, report: (severity: Severity, entry: AliasEntry, say: () => AliasTelling) => void): void;
}

export const labelIn = (catalogue: Catalogue, command: string): string => catalogue.get(command as CommandId)?.label ?? command;

export const remove = (entry: AliasEntry): AliasFix => ({ kind: 'remove', label: `Remove line ${entry.record.line}`, entry });
export const off = (entry: AliasEntry): AliasFix => ({ kind: 'off', label: `Disable line ${entry.record.line}`, entry });
