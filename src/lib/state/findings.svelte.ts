import type { CommandId } from '$core/application/command';
import { acceptedAs, isAccepted, type AcceptedFindings } from '$core/check/acceptance';
import { teller } from '$core/chapters/shortcuts/check/check';
import { findingId, type Finding, type Told } from '$core/chapters/shortcuts/check/finding';
import type { AnyFinding, Checker, Looking } from '$core/check/finding';
import { chapterOf } from '$core/profile/chapters';
import { SIMPLE_CHECKERS } from '$core/profile/checkers';
import { allFindings, findingsBefore } from './all-findings';
import { CheckSession } from './check-session.svelte';
import type { Circumstances } from '$core/check/circumstances';
import type { Profile } from '$core/strata/stratum';

/** What the checks look at. */
interface FindingsOf {
	readonly profile: Profile;
	readonly circumstances: Circumstances;
	readonly index: Circumstances['index'];
	readonly accepted: AcceptedFindings;
	readonly draft: { readonly released: Profile | undefined };
}

/** What the checks of one profile have found, chapter by chapter. */
export class Findings {
	readonly #workspace: FindingsOf;
	readonly checks = new CheckSession();

	constructor(workspace: FindingsOf) {
		this.#workspace = workspace;
	}

	#teller = $derived.by(() => teller(this.#workspace.circumstances));
	/** The finding in words. */
	tell = (finding: Finding): Told => this.#teller(finding);

	/** All findings of keys, accepted ones among them. */
	all = $derived.by(() => this.checks.findings);
	/** Those that nobody has accepted as they stand. */
	open = $derived.by(() => this.all.filter((f) => !this.#isAccepted(f)));
	byCommand = $derived.by(() => {
		const map = new Map<CommandId, Finding[]>();
		for (const finding of this.open)
			for (const command of new Set([finding.command, ...finding.bindings.map((b) => b.command)])) {
				const list = map.get(command);
				if (list) list.push(finding);
				else map.set(command, [finding]);
			}
		return map;
	});

	/** What the findings are found in. */
	looking = $derived.by((): Looking => {
		const { circumstances, profile, draft } = this.#workspace;
		return { circumstances, profile, released: draft.released };
	});
	/** Those of all chapters, accepted ones among them. */
	ofAll = $derived.by(() => allFindings(this.checks.findings, this.looking, (chapter) => this.of(chapter).all));
	/** Those of one chapter. */
	of = (chapter: string): ChapterFindings => this.#chapters.get(chapter)!;
	#chapters = new Map(SIMPLE_CHECKERS.map((checker) => [checker.chapter, new ChapterFindings(this, checker)]));
	/** How many errors stand open, by the view that mends them; under `findings` all of them. */
	errors = $derived.by((): Readonly<Record<string, number>> => {
		const of = Array.from(this.#chapters, ([id, found]) => [chapterOf(id).words.view, found.errors] as const);
		const ofKeys = this.open.filter((f) => f.severity === 'error').length;
		return { ...Object.fromEntries(of), findings: of.reduce((sum, [, errors]) => sum + errors, ofKeys) };
	});
	/** What stood open in what the seats have. */
	before = $derived.by(() => findingsBefore(this.looking));

	/** Whether what is found is found in the profile as it is now. */
	isCurrent = $derived.by(() => this.checks.checked === this.#workspace.profile);

	get accepted(): AcceptedFindings {
		return this.#workspace.accepted;
	}

	#isAccepted(finding: Finding): boolean {
		const { accepted } = this.#workspace;
		return accepted.has(findingId(finding)) && acceptedAs(accepted, this.tell(finding)) !== undefined;
	}
}

/** What the check of one chapter finds, looked for when it is asked for. */
class ChapterFindings {
	readonly #findings: Pick<Findings, 'looking' | 'accepted'>;
	readonly #checker: Checker;

	constructor(findings: Pick<Findings, 'looking' | 'accepted'>, checker: Checker) {
		this.#findings = findings;
		this.#checker = checker;
	}

	/** Accepted ones among them. */
	all = $derived.by(() => this.#checker.findings(this.#findings.looking));
	open = $derived.by(() => this.#openOf(this.all));
	/** How many errors stand open. */
	errors = $derived.by(() => {
		const { looking } = this.#findings;
		const found = this.#checker.errors?.(looking) ?? this.all;
		return this.#openOf(found.filter((f) => f.severity === 'error')).length;
	});

	#openOf(findings: readonly AnyFinding[]): readonly AnyFinding[] {
		const { accepted } = this.#findings;
		return findings.filter((f) => !accepted.has(f.id) || !isAccepted(accepted, f.acceptable()));
	}
}
