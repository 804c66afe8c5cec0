import type { AnyFinding, Checker, FixProposal, Looking } from '../../check/finding.ts';
import { errorsFirst } from '../../check/severity.ts';
import { findingOfEntry } from '../../check/of-entry.ts';
import { entryKeyFor } from '../../strata/entry.ts';
import { stratumById } from '../../strata/stratum.ts';
import type { OptionFinding, OptionFix, OptionRule } from './finding.ts';
import { definitionsOf, OPTIONS, optionsFold, optionsIn } from './option.ts';
import { OPTION_RULES } from './rules/rules.ts';

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
		looking,
		finding.fixes.map((fix) => proposed(fix, finding))
	);

/** The fix as changes of the stratum that says it; none for another. */
const proposed = ({ label, to }: OptionFix, { stratum, path }: OptionFinding): FixProposal => ({
	kind: to ? 'set' : 'drop',
	label,
	changes(profile, target) {
		if (stratum !== target) return [];
		const content = optionsIn(stratumById(profile, target));
		const said = (['set', 'lock'] as const).flatMap((op) => content.get(entryKeyFor(op, path)) ?? []);
		return said.map((before) => ({
			chapter: OPTIONS,
			stratum: target,
			before,
			after: before.op === 'lock' ? null : to
		}));
	}
});
