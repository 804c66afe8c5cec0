import type { CommandId } from '../application/command.ts';
import type { AnyChange, Pen } from '../chapter/chapter.ts';
import type { KeyedChange } from '../strata/change.ts';
import type { AnyEntry, Entries } from '../strata/entry.ts';
import { applyKeyed, toolsOf, type Combining } from '../strata/keyed-fold.ts';
import type { Profile, Stratum, StratumId } from '../strata/stratum.ts';
import { isMended, type AnyFinding, type AnyFix, type AnyWitness, type Checker, type Looking } from './finding.ts';
import { fingerprint } from './fingerprint.ts';
import type { Severity } from './severity.ts';

/** A way out of what a rule finds: the changes by which the pen's stratum takes it. */
export interface EntryFix {
	readonly kind: string;
	readonly label: string;
	changes(profile: Profile, target: StratumId): readonly AnyChange[];
}

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

/** Such a finding as one of any chapter. `fixes` are ways that were tried. */
export function findingOfEntry(
	{ chapter, beginning }: Pick<Checker, 'chapter' | 'beginning'>,
	{ rule, title, severity, stratum, thing, command = thing as CommandId, sentence, facts, witness }: EntryFinding,
	fixes: (pen: Pen, id: string) => AnyFix[]
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
		fixes: (pen) => fixes(pen, id),
		seats: () => 'Every seat',
		place: () => ({ stratum })
	};
}

/** The fix, if it removes the finding without an error more when the same check looks at the profile after it. */
export const soundFix = (checker: Checker, looking: Looking, after: Looking['profile'], id: string, fix: AnyFix): AnyFix[] =>
	fix.changes.length > 0 && isMended(checker, looking, { ...looking, profile: after }, { id }) ? [fix] : [];

/** Tries ways out that change what strata say of the checker's own chapter, as far as the pen's stratum can say it. */
export function tryKeyed<E extends AnyEntry>(
	checker: Checker,
	entriesIn: (stratum: Stratum) => Entries<E>,
	{ thing }: Pick<Combining<E>, 'thing'>
): (fix: EntryFix, id: string, looking: Looking, pen: Pen) => AnyFix[] {
	const tools = toolsOf({ thing });
	return ({ kind, label, changes }, id, looking, { profile, target }) => {
		const made = changes(profile, target);
		const own = made as unknown as readonly KeyedChange<E>[];
		const after = applyKeyed(checker.chapter, entriesIn, tools, looking.profile, own, thing);
		return soundFix(checker, looking, after, id, { kind, label, changes: made });
	};
}
