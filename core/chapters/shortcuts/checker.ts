import type { AnyFinding, AnyFix, Checker, MendingAll } from '../../check/finding.ts';
import { acceptable } from './check/acceptable.ts';
import { check, checkAndTell, tellAll } from './check/check.ts';
import type { Circumstances } from '../../check/circumstances.ts';
import { findingId, type Finding, type Pen, type Told } from './check/finding.ts';
import { fixAll } from './check/fix-all.ts';
import { fixesOf } from './check/fixes.ts';
import { seatsOf } from './check/seats.ts';
import { CHECK_RULES } from './check/rules/rules.ts';
import { ofShortcuts } from '../../shortcut/change.ts';
import { SHORTCUTS } from '../../shortcut/entry.ts';

/** A finding about keys, as one of any chapter. */
export class KeyFinding implements AnyFinding {
	readonly chapter = SHORTCUTS;
	readonly stratum = undefined;
	readonly finding: Finding;
	readonly #circumstances: Circumstances;
	#told: Told | undefined;

	constructor(finding: Finding, circumstances: Circumstances, told?: Told) {
		this.finding = finding;
		this.#circumstances = circumstances;
		this.#told = told;
	}

	get rule(): string {
		return this.finding.rule;
	}

	get title(): string {
		return CHECK_RULES[this.finding.rule].title;
	}

	get severity(): Finding['severity'] {
		return this.finding.severity;
	}

	get id(): string {
		return findingId(this.finding);
	}

	get command(): Finding['command'] {
		return this.finding.command;
	}

	get witness(): AnyFinding['witness'] {
		const { keys, situation } = this.finding.witness;
		return keys === undefined ? { kind: 'situation', situation } : { kind: 'keys', keys, situation };
	}

	get told(): Told {
		return (this.#told ??= tellAll(this.#circumstances, [this.finding])[0]!);
	}

	sentence(): string {
		return this.told.sentence;
	}

	count(): number {
		return this.told.count;
	}

	acceptable() {
		return acceptable(this.told);
	}

	fixes(pen: Pen): AnyFix[] {
		return fixesOf(this.#circumstances, this.finding, pen).map((fix) => ({ ...fix, changes: ofShortcuts(fix.changes) }));
	}

	seats(): string {
		return seatsOf(this.finding, this.#circumstances.office);
	}

	place() {
		const [first] = this.finding.bindings;
		return first && { stratum: first.stratum, rank: first.rank };
	}
}

export const keyChecker: Checker = {
	chapter: SHORTCUTS,
	beginning: '',
	isKept: true,
	findings: ({ circumstances }, told) =>
		told
			? checkAndTell(circumstances, (one) => new KeyFinding(one, circumstances, one))
			: check(circumstances).map((finding) => new KeyFinding(finding, circumstances))
};

/** Mends all of them by the first sound fix of the kind, each on what those before it have left. */
export function mendKeys(circumstances: Circumstances, findings: readonly KeyFinding[], kind: string, pen: Pen): MendingAll {
	const { steps, left, changes } = fixAll(
		circumstances,
		findings.map((f) => f.finding),
		kind,
		pen
	);
	return { labels: steps.map((step) => step.fix.label), left: left.length, changes: ofShortcuts(changes) };
}
