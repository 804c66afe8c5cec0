import { deskLabel, type OfficeDesks } from '../keyboard/office.ts';
import type { Keys } from '../stroke/stroke.ts';
import { findingId, labelOf, SEVERITIES, type Finding, type Severity } from './finding.ts';
import type { Circumstances } from './circumstances.ts';
import { CHECK_RULES } from './rules/rules.ts';

export const GROUPINGS = ['key', 'command', 'rule', 'seats'] as const;
export type Grouping = (typeof GROUPINGS)[number];

/** Findings that a person would decide on together. */
export interface FindingGroup {
	readonly id: string;
	readonly title: string;
	/** Set when the group is about one input. */
	readonly keys: Keys | undefined;
	readonly findings: readonly Finding[];
}

export type Counts = Readonly<Record<Severity, number>>;

export function countsOf(findings: Iterable<Pick<Finding, 'severity'>>): Counts {
	const counts = Object.fromEntries(SEVERITIES.map((s) => [s, 0])) as Record<Severity, number>;
	for (const { severity } of findings) counts[severity]++;
	return counts;
}

/** Which seats a finding is about: those with the trouble for the layout rule, all for the others. */
function seatsOf({ rule, detail, witness }: Finding, office: OfficeDesks): string {
	const trouble = rule === 'layout' && office.troubles(witness.keys!).find((t) => t.kind === detail);
	return trouble ? trouble.desks.map(deskLabel).join(', ') : 'Every seat';
}

/** Groups in the order of their worst finding; within a group the worst first. */
export function groupsOf(findings: readonly Finding[], by: Grouping, circumstances: Circumstances): FindingGroup[] {
	const groups = new Map<string, { id: string; title: string; keys: Keys | undefined; findings: Finding[] }>();
	for (const finding of findings) {
		const { keys } = finding.witness;
		const [id, title] =
			by === 'key'
				? [keys ?? '', keys ?? 'No key at all']
				: by === 'command'
					? [finding.command, labelOf(circumstances, finding)]
					: by === 'rule'
						? [finding.rule, CHECK_RULES[finding.rule].title]
						: [seatsOf(finding, circumstances.office), seatsOf(finding, circumstances.office)];
		const group = groups.get(id);
		if (group) group.findings.push(finding);
		else groups.set(id, { id, title, keys: by === 'key' ? keys : undefined, findings: [finding] });
	}
	return [...groups.values()];
}

/** How many of each severity came and went against an earlier list, by the identity of the findings. */
export function trendOf(
	before: readonly Finding[],
	now: readonly Finding[]
): Readonly<Record<Severity, { came: number; went: number }>> {
	const was = new Set(before.map(findingId));
	const is = new Set(now.map(findingId));
	const trend = Object.fromEntries(SEVERITIES.map((s) => [s, { came: 0, went: 0 }])) as Record<
		Severity,
		{ came: number; went: number }
	>;
	for (const finding of now) if (!was.has(findingId(finding))) trend[finding.severity].came++;
	for (const finding of before) if (!is.has(findingId(finding))) trend[finding.severity].went++;
	return trend;
}
