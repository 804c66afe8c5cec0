import type { CommandId } from '../application/command.ts';
import type { Binding } from '../profile/effective.ts';
import type { Keys } from '../stroke/stroke.ts';
import { RULE_IDS, SEVERITIES, type Finding, type RuleId, type Severity, type Subject } from './finding.ts';

const SEVERITY_NO: Readonly<Record<Severity, number>> = { error: 0, attention: 1, note: 2 };
const RULE_NO = Object.fromEntries(RULE_IDS.map((rule, no) => [rule, no])) as Readonly<Record<RuleId, number>>;

/**
 * What the rules have noted on one input, on one command or on the whole. A check notes thousands and few are read, so a note
 * takes little room and becomes a finding when it is asked for.
 */
export class Notes {
	readonly #keys: Keys | undefined;
	readonly #subjects: Subject[] = [];
	/** Severity in the two lowest bits, rule in the next four, situation above. */
	readonly #facts: number[] = [];
	/** As long as the others, up to the last that has one. */
	readonly #details: (string | undefined)[] = [];
	#findings: readonly Finding[] | undefined;

	/** `keys` are those of findings that are about no binding. */
	constructor(keys?: Keys) {
		this.#keys = keys;
	}

	add(rule: RuleId, severity: Severity, subject: Subject, situation: number, detail: string | undefined): void {
		if (detail !== undefined) this.#details[this.#subjects.length] = detail;
		this.#subjects.push(subject);
		this.#facts.push((situation << 6) | (RULE_NO[rule] << 2) | SEVERITY_NO[severity]);
	}

	get findings(): readonly Finding[] {
		return (this.#findings ??= this.#subjects.map((subject, i) => this.#spelledOut(subject, this.#facts[i]!, this.#details[i])));
	}

	#spelledOut(subject: Subject, facts: number, detail: string | undefined): Finding {
		const rule = RULE_IDS[(facts >> 2) & 15]!;
		const severity = SEVERITIES[facts & 3]!;
		const bindings = typeof subject === 'string' ? NONE : isOne(subject) ? [subject] : subject;
		const command = typeof subject === 'string' ? (subject as CommandId) : bindings[0]!.command;
		const witness = { keys: bindings[0]?.keys ?? this.#keys, situation: facts >> 6 };
		return detail === undefined
			? { rule, severity, command, bindings, witness }
			: { rule, detail, severity, command, bindings, witness };
	}
}

const NONE: readonly never[] = [];

const isOne = (subject: Binding | readonly Binding[]): subject is Binding => !Array.isArray(subject);
