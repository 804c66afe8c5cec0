import { soundFixes, type AnyFinding, type Checker, type FixProposal, type Looking } from '../../check/finding.ts';
import type { Catalogue } from '../../application/application.ts';
import { stratumById } from '../../strata/stratum.ts';
import { spliceBetween } from '../../chapter/text.ts';
import { spliced } from '../../recipe/reading.ts';
import { aliasAcceptable } from './acceptance.ts';
import { aliasFindings, releasedAliases } from './check.ts';
import { ALIASES, aliasFileIn } from './file.ts';
import type { AliasFinding, AliasFix } from './finding.ts';
import { splicesOf } from './report.ts';
import { ALIAS_RULES } from './rules/rules.ts';

export const aliasChecker: Checker = {
	chapter: ALIASES,
	beginning: 'alias-',
	findings(looking) {
		const { circumstances, profile, released } = looking;
		const { index } = circumstances;
		const input = index.rules.aliases;
		if (!input) return [];
		const before = released && releasedAliases(released, input);
		return aliasFindings(profile, input, index.catalogue, circumstances, before).map((finding) => asAny(finding, looking));
	},
	errors(looking) {
		const { catalogue, rules } = looking.circumstances.index;
		const files = looking.profile.map(aliasFileIn);
		if (!rules.aliases || files.every((file) => !file)) return [];
		const earlier = lastErrors.get(catalogue);
		if (earlier?.files.length === files.length && files.every((file, i) => file === earlier.files[i])) return earlier.errors;
		const found = aliasFindings(looking.profile, rules.aliases, catalogue).filter((f) => f.severity === 'error');
		const errors = found.map((finding) => asAny(finding, looking));
		lastErrors.set(catalogue, { files, errors });
		return errors;
	}
};

/** The errors that were found last. No error is about what keys cost, or about the last release. */
const lastErrors = new WeakMap<Catalogue, { readonly files: readonly unknown[]; readonly errors: readonly AnyFinding[] }>();

function asAny(finding: AliasFinding, looking: Looking): AnyFinding {
	const { rule, severity, entry } = finding;
	const { id, command } = aliasAcceptable(finding);
	return {
		chapter: ALIASES,
		rule,
		title: ALIAS_RULES[rule].title,
		severity,
		id,
		command,
		stratum: entry.stratum.id,
		witness: { kind: 'typed', text: entry.alias, stratum: entry.stratum.id, line: entry.record.line },
		sentence: () => finding.sentence,
		count: () => 0,
		acceptable: () => aliasAcceptable(finding),
		fixes: (pen) => soundFixes(looking, { id }, finding.fixes.map(proposed), pen),
		seats: () => 'Every seat',
		place: () => ({ stratum: entry.stratum.id, line: entry.record.line })
	};
}

/** The fix as a change of the file that the line stands in; none where another stratum is written to. */
const proposed = (fix: AliasFix): FixProposal => ({
	kind: fix.kind,
	label: fix.label,
	changes(profile, target) {
		const stratum = fix.entry.stratum.id;
		const file = stratum === target ? aliasFileIn(stratumById(profile, stratum)) : undefined;
		const splices = file && splicesOf(fix, file);
		const splice = file && splices && spliceBetween(stratum, file.text, spliced(file.text, splices));
		return splice ? [{ ...splice, chapter: ALIASES }] : [];
	}
});
