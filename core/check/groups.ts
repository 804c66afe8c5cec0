import type { Keys } from '../stroke/stroke.ts';
import { keysOf, type AnyFinding } from './finding.ts';
import { SEVERITIES, type Severity } from './severity.ts';

export const GROUPINGS = ['key', 'command', 'rule', 'seats'] as const;
export type Grouping = (typeof GROUPINGS)[number];

/** Findings that a person would decide on together. */
export interface FindingGroup {
	readonly id: string;
	readonly title: string;
	/** Set when the group is about one input. */
	readonly keys: Keys | undefined;
	readonly findings: readonly AnyFinding[];
}

export type Counts = Readonly<Record<Severity, number>>;

export function countsOf(findings: Iterable<Pick<AnyFinding, 'severity'>>): Counts {
	const counts = Object.fromEntries(SEVERITIES.map((s) => [s, 0])) as Record<Severity, number>;
	for (const { severity } of findings) counts[severity]++;
	return counts;
}

/** What somebody does to run into it: keys, or a name that is typed; or where it stands. */
function inputOf({ witness }: AnyFinding): string | undefined {
	switch (witness.kind) {
		case 'keys':
			return witness.keys;
		case 'typed':
			return `typed ${witness.text}`;
		case 'macro':
			return 'In macros';
		case 'option':
			return 'In options';
		case 'bar':
			return 'In the toolbars';
		case 'situation':
			return undefined;
	}
}

/** Groups in the order of their worst finding; within a group the worst first. */
export function groupsOf(
	findings: readonly AnyFinding[],
	by: Grouping,
	label: (command: AnyFinding['command']) => string
): FindingGroup[] {
	const groups = new Map<string, { id: string; title: string; keys: Keys | undefined; findings: AnyFinding[] }>();
	for (const finding of findings) {
		const input = inputOf(finding);
		const [id, title] =
			by === 'key'
				? [input ?? '', input ?? 'No key at all']
				: by === 'command'
					? [finding.command, label(finding.command)]
					: by === 'rule'
						? [`${finding.chapter} ${finding.rule}`, finding.title]
						: [finding.seats(), finding.seats()];
		const group = groups.get(id);
		if (group) group.findings.push(finding);
		else groups.set(id, { id, title, keys: by === 'key' ? keysOf(finding) : undefined, findings: [finding] });
	}
	return [...groups.values()];
}

/** How many of each severity came and went against an earlier list, by the identity of the findings. */
export function trendOf(
	before: readonly Pick<AnyFinding, 'id' | 'severity'>[],
	now: readonly Pick<AnyFinding, 'id' | 'severity'>[]
): Readonly<Record<Severity, { came: number; went: number }>> {
	const was = new Set(before.map((f) => f.id));
	const is = new Set(now.map((f) => f.id));
	const trend = Object.fromEntries(SEVERITIES.map((s) => [s, { came: 0, went: 0 }])) as Record<
		Severity,
		{ came: number; went: number }
	>;
	for (const finding of now) if (!was.has(finding.id)) trend[finding.severity].came++;
	for (const finding of before) if (!is.has(finding.id)) trend[finding.severity].went++;
	return trend;
}
