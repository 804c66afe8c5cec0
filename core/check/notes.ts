import type { CommandId } from '../application/command.ts';
import type { Binding } from '../profile/effective.ts';
import type { Keys } from '../stroke/stroke.ts';
import type { Finding, RuleId, Severity, Subject } from './finding.ts';

type Slot = RuleId | Severity | Subject | number | string | undefined;
/** Rule, severity, subject, situation, detail. */
const SLOTS = 5;

/**
 * What the rules have noted on one input, on one command or on the whole. A check notes thousands and few are read, so they
 * lie in one list and become findings when they are asked for.
 */
export class Notes {
	readonly #keys: Keys | undefined;
	readonly #slots: Slot[] = [];
	#findings: readonly Finding[] | undefined;

	/** `keys` are those of findings that are about no binding. */
	constructor(keys?: Keys) {
		this.#keys = keys;
	}

	add(rule: RuleId, severity: Severity, subject: Subject, situation: number, detail: string | undefined): void {
		this.#slots.push(rule, severity, subject, situation, detail);
	}

	get findings(): readonly Finding[] {
		return (this.#findings ??= this.#spelledOut());
	}

	#spelledOut(): Finding[] {
		const findings: Finding[] = [];
		for (let at = 0; at < this.#slots.length; at += SLOTS) {
			const [rule, severity, subject, situation, detail] = this.#slots.slice(at, at + SLOTS) as [
				RuleId,
				Severity,
				Subject,
				number,
				string | undefined
			];
			const bindings = typeof subject === 'string' ? NONE : isOne(subject) ? [subject] : subject;
			const command = typeof subject === 'string' ? (subject as CommandId) : bindings[0]!.command;
			const witness = { keys: bindings[0]?.keys ?? this.#keys, situation };
			findings.push(
				detail === undefined
					? { rule, severity, command, bindings, witness }
					: { rule, detail, severity, command, bindings, witness }
			);
		}
		return findings;
	}
}

const NONE: readonly never[] = [];

const isOne = (subject: Binding | readonly Binding[]): subject is Binding => !Array.isArray(subject);
