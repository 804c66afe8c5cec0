import { isAccepted, staleAcceptances } from '$core/check/acceptance';
import type { AnyFinding } from '$core/check/finding';
import { countsOf, groupsOf, trendOf, type FindingGroup, type Grouping } from '$core/check/groups';
import { SEVERITIES, type Severity } from '$core/check/severity';
import type { Workspace } from './workspace.svelte';

/** A group's head, or a finding; one that is alone in its group needs no head and says itself what the group is. */
export type FindingLine =
	{ readonly group: FindingGroup } | { readonly finding: AnyFinding; readonly alone: FindingGroup | undefined };

/** The findings as they are listed, and the one that is looked at. */
export class FindingsList {
	readonly #workspace: Workspace;
	grouping = $state<Grouping>('key');
	shown = $state.raw<readonly Severity[]>(SEVERITIES);
	/** `mine` is the setup of who writes here, `office` what a release would bring to the seats. */
	whose = $state<'mine' | 'office'>('mine');
	withAccepted = $state(false);
	/** The id of the finding that is looked at. */
	chosen = $state('');

	constructor(workspace: Workspace, chosen: string) {
		this.#workspace = workspace;
		this.chosen = chosen;
		if (workspace.target.kind === 'office') this.whose = 'office';
	}

	get source() {
		return this.whose === 'mine' ? this.#workspace.findings : this.#workspace.publishing;
	}

	get circumstances() {
		return this.source.looking.circumstances;
	}

	everything = $derived.by((): readonly AnyFinding[] =>
		this.whose === 'mine' ? this.#workspace.findings.ofAll : this.#workspace.publishing.all
	);
	#standing = $derived.by(() => {
		const { accepted } = this.circumstances;
		return new Set(this.everything.filter((f) => accepted.has(f.id) && isAccepted(accepted, f.acceptable())));
	});
	open = $derived.by(() => this.everything.filter((f) => !this.#standing.has(f)));

	get acceptedCount(): number {
		return this.#standing.size;
	}

	/** Acceptances whose finding is gone; none is told while a check goes on. */
	stale = $derived.by(() => {
		const { accepted } = this.circumstances;
		if (accepted.size === 0 || this.source.checks.progress !== undefined) return [];
		const standing = this.everything.filter((f) => accepted.has(f.id)).map((f) => f.acceptable());
		return staleAcceptances(accepted, standing);
	});
	counts = $derived.by(() => countsOf(this.open));
	/** What came and went since the last release; undefined before the first. */
	trend = $derived.by(() => this.source.before && trendOf(this.source.before, this.open));

	readonly labelOf = (command: AnyFinding['command']): string =>
		this.circumstances.index.catalogue.get(command)?.label ?? this.#workspace.draft.names.option(command);

	#groups = $derived.by(() =>
		groupsOf(
			(this.withAccepted ? this.everything : this.open).filter((f) => this.shown.includes(f.severity)),
			this.grouping,
			this.labelOf
		)
	);
	lines = $derived.by(() =>
		this.#groups.flatMap((group): FindingLine[] =>
			group.findings.length === 1
				? [{ finding: group.findings[0]!, alone: group }]
				: [{ group }, ...group.findings.map((finding) => ({ finding, alone: undefined }))]
		)
	);
	/** The findings among the lines, each with its line. */
	#order = $derived.by(() =>
		this.lines.flatMap((line, i) => ('finding' in line ? [{ i, id: line.finding.id, finding: line.finding }] : []))
	);
	#at = $derived.by(() =>
		Math.max(
			0,
			this.#order.findIndex((o) => o.id === this.chosen)
		)
	);

	/** The finding that is looked at, with its line. */
	get current() {
		return this.#order[this.#at];
	}

	/** The open findings of the same rule, that one among them. */
	alike = $derived.by(() => {
		const finding = this.current?.finding;
		return finding
			? this.open.filter((f) => f.chapter === finding.chapter && f.rule === finding.rule && f.severity === finding.severity)
			: [];
	});

	/** The finding so many places on, round and round. */
	step(by: number) {
		const next = this.#order[(this.#at + by + this.#order.length) % this.#order.length];
		if (next) this.chosen = next.id;
		return next;
	}

	/** After a finding was settled, the one that takes its place in the list is the next. */
	settled(): void {
		this.chosen = this.#order[Math.min(this.#at, this.#order.length - 1)]?.id ?? '';
	}

	toggle(severity: Severity): void {
		this.shown = this.shown.includes(severity) ? this.shown.filter((s) => s !== severity) : [...this.shown, severity];
	}

	/** What a line is about: what somebody would look for first. */
	labelIn(finding: AnyFinding): string {
		const label = this.labelOf(finding.command);
		return finding.witness.kind === 'typed' ? `${finding.witness.text}, ${label}` : label;
	}

	/** The rule's words, where the head of the group has not said them. */
	titleIn(finding: AnyFinding, alone: FindingGroup | undefined): string | undefined {
		return this.grouping === 'rule' && !alone ? undefined : finding.title;
	}
}
