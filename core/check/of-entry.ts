import type { CommandId } from '../application/command.ts';
import type { StratumId } from '../strata/stratum.ts';
import { soundFixes, type AnyFinding, type AnyWitness, type Checker, type FixProposal, type Looking } from './finding.ts';
import { fingerprint } from './fingerprint.ts';
import type { Severity } from './severity.ts';

/** A rule that looks at some ground and reports what it finds there. */
export interface EntryRule<Ground, Finding> {
	readonly id: string;
	readonly title: string;
	find(ground: Ground, report: (finding: Finding) => void): void;
}

/** What a rule finds in what a stratum says of one thing. */
export interface EntryFinding {
	readonly rule: string;
	readonly title: string;
	readonly severity: Severity;
	readonly stratum: StratumId;
	/** The thing, as its entries call it. */
	readonly thing: string;
	/** The command that it is about; the thing stands in its place where it is about none. */
	readonly command?: CommandId | undefined;
	readonly sentence: string;
	/** What it rests on. */
	readonly facts: readonly string[];
	readonly witness: AnyWitness;
}

/** Such a finding as one of any chapter. */
export function findingOfEntry(
	{ chapter, beginning }: Pick<Checker, 'chapter' | 'beginning'>,
	{ rule, title, severity, stratum, thing, command = thing as CommandId, sentence, facts, witness }: EntryFinding,
	looking: Looking,
	fixes: readonly FixProposal[]
): AnyFinding {
	const id = `${beginning}${rule}\n${stratum}\n${thing}`;
	return {
		chapter,
		rule,
		title,
		severity,
		id,
		command,
		stratum,
		witness,
		sentence: () => sentence,
		count: () => 0,
		acceptable: () => ({
			id,
			circumstances: fingerprint(JSON.stringify([severity, ...facts])),
			command,
			keys: undefined,
			scope: {}
		}),
		fixes: (pen) => soundFixes(looking, { id }, fixes, pen),
		seats: () => 'Every seat',
		place: () => ({ stratum })
	};
}
