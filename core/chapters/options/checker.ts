import type { CommandId } from '../../application/command.ts';
import { isMended, type AnyFinding, type AnyFix, type Checker, type Looking } from '../../check/finding.ts';
import type { Pen } from '../../chapter/chapter.ts';
import { SEVERITIES } from '../../check/severity.ts';
import { fingerprint } from '../../check/fingerprint.ts';
import { entryKeyFor } from '../../strata/entry.ts';
import { applyKeyed, toolsOf } from '../../strata/keyed-fold.ts';
import { stratumById } from '../../strata/stratum.ts';
import type { OptionFinding, OptionFix, OptionRule } from './finding.ts';
import { definitionsOf, MEETING, OPTIONS, optionsFold, optionsIn, type OptionEntry } from './option.ts';
import { OPTION_RULES } from './rules/rules.ts';

const TOOLS = toolsOf<OptionEntry>(MEETING);

export const optionChecker: Checker = {
	chapter: OPTIONS,
	beginning: 'option-',
	findings(looking) {
		const { profile, released, circumstances } = looking;
		const options = definitionsOf(circumstances.index.rules);
		const ground = { options, profile, fold: optionsFold(profile), released };
		const found: AnyFinding[] = [];
		for (const rule of OPTION_RULES) rule.find(ground, (finding) => void found.push(asAny(rule, finding, looking)));
		return SEVERITIES.flatMap((severity) => found.filter((f) => f.severity === severity));
	}
};

function asAny({ id: rule, title }: OptionRule, finding: OptionFinding, looking: Looking): AnyFinding {
	const { severity, path, stratum, sentence, facts } = finding;
	const id = `option-${rule}\n${stratum}\n${path}`;
	// an option is no command; its path stands where one would
	const command = path as string as CommandId;
	return {
		chapter: OPTIONS,
		rule,
		title,
		severity,
		id,
		command,
		stratum,
		witness: { kind: 'option', path, situation: 0 },
		sentence: () => sentence,
		count: () => 0,
		acceptable: () => ({
			id,
			circumstances: fingerprint(JSON.stringify([severity, ...facts])),
			command,
			keys: undefined,
			scope: {}
		}),
		fixes: (pen) => finding.fixes.flatMap((fix) => tried(fix, finding, id, looking, pen)),
		seats: () => 'Every seat',
		place: () => ({ stratum })
	};
}

/** The fix as a change, if the pen's stratum says it and it removes the finding without an error more. */
function tried(
	{ label, to }: OptionFix,
	finding: OptionFinding,
	id: string,
	looking: Looking,
	{ profile, target }: Pen
): AnyFix[] {
	if (finding.stratum !== target) return [];
	const content = optionsIn(stratumById(profile, target));
	const said = (['set', 'lock'] as const).flatMap((op) => content.get(entryKeyFor(op, finding.path)) ?? []);
	const changes = said.map((before) => ({ stratum: target, before, after: before.op === 'lock' ? null : to }));
	const after = applyKeyed(OPTIONS, optionsIn, TOOLS, looking.profile, changes, ({ path }) => path);
	if (!isMended(optionChecker, looking, { ...looking, profile: after }, { id })) return [];
	return [{ kind: to ? 'set' : 'drop', label, changes: changes.map((change) => ({ ...change, chapter: OPTIONS })) }];
}
