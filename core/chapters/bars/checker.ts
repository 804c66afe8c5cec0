import type { CommandId } from '../../application/command.ts';
import type { Pen } from '../../chapter/chapter.ts';
import { isMended, type AnyFinding, type AnyFix, type Checker, type Looking } from '../../check/finding.ts';
import { fingerprint } from '../../check/fingerprint.ts';
import { SEVERITIES } from '../../check/severity.ts';
import type { KeyedChange } from '../../strata/change.ts';
import { applyKeyed, toolsOf } from '../../strata/keyed-fold.ts';
import { barsIn, BARS, MEETING, type BarEntry } from './bar.ts';
import type { BarFinding, BarFix, BarRule } from './finding.ts';
import { BAR_RULES } from './rules/rules.ts';
import { barTree } from './tree.ts';

const TOOLS = toolsOf<BarEntry>(MEETING);

export const barChecker: Checker = {
	chapter: BARS,
	beginning: 'bar-',
	findings(looking) {
		const { profile, circumstances } = looking;
		if (profile.every((stratum) => barsIn(stratum).size === 0)) return [];
		const ground = { profile, tree: barTree(profile), index: circumstances.index };
		const found: AnyFinding[] = [];
		for (const rule of BAR_RULES) rule.find(ground, (finding) => void found.push(asAny(rule, finding, looking)));
		return SEVERITIES.flatMap((severity) => found.filter((f) => f.severity === severity));
	}
};

function asAny({ id: rule, title }: BarRule, finding: BarFinding, looking: Looking): AnyFinding {
	const { severity, item, stratum, sentence, facts, situation } = finding;
	const id = `bar-${rule}\n${stratum}\n${item}`;
	// a bar is no command; its id stands where one would
	const command = finding.command ?? (item as string as CommandId);
	return {
		chapter: BARS,
		rule,
		title,
		severity,
		id,
		command,
		stratum,
		witness: { kind: 'bar', item, situation },
		sentence: () => sentence,
		count: () => 0,
		acceptable: () => ({
			id,
			circumstances: fingerprint(JSON.stringify([severity, ...facts])),
			command,
			keys: undefined,
			scope: {}
		}),
		fixes: (pen) => finding.fixes.flatMap((fix) => tried(fix, id, looking, pen)),
		seats: () => 'Every seat',
		place: () => ({ stratum })
	};
}

/** The fix as a change, if the pen's stratum can say it and it removes the finding without an error more. */
function tried({ kind, label, changes }: BarFix, id: string, looking: Looking, { profile, target }: Pen): AnyFix[] {
	const made = changes(profile, target);
	if (made.length === 0) return [];
	const after = applyKeyed(
		BARS,
		barsIn,
		TOOLS,
		looking.profile,
		made as unknown as readonly KeyedChange<BarEntry>[],
		(entry) => entry.id
	);
	return isMended(barChecker, looking, { ...looking, profile: after }, { id }) ? [{ kind, label, changes: made }] : [];
}
