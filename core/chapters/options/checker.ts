import type { AnyFinding, AnyFix, Checker, Looking } from '../../check/finding.ts';
import type { Pen } from '../../chapter/chapter.ts';
import { errorsFirst } from '../../check/severity.ts';
import { findingOfEntry, soundFix } from '../../check/of-entry.ts';
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
		return errorsFirst(found);
	}
};

const asAny = ({ id: rule, title }: OptionRule, finding: OptionFinding, looking: Looking): AnyFinding =>
	findingOfEntry(
		optionChecker,
		{ ...finding, rule, title, thing: finding.path, witness: { kind: 'option', path: finding.path, situation: 0 } },
		(pen, id) => finding.fixes.flatMap((fix) => tried(fix, finding, id, looking, pen))
	);

/** The fix as a change, if the pen's stratum says it. */
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
	const tagged = changes.map((change) => ({ ...change, chapter: OPTIONS }));
	return soundFix(optionChecker, looking, after, id, { kind: to ? 'set' : 'drop', label, changes: tagged });
}
