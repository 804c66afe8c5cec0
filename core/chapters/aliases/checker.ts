import { isMended, type AnyFinding, type AnyFix, type Checker, type Looking } from '../../check/finding.ts';
import type { Catalogue } from '../../application/application.ts';
import type { Pen } from '../../chapter/chapter.ts';
import { holding, stratumById, type StratumId } from '../../strata/stratum.ts';
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
		fixes: (pen) => finding.fixes.flatMap((fix) => tried(fix, id, looking, pen)),
		seats: () => 'Every seat',
		place: () => ({ stratum: entry.stratum.id, line: entry.record.line })
	};
}

/** The fix as a change of the file, if the pen may write it and it removes the finding without an error more. */
function tried(fix: AliasFix, id: string, looking: Looking, { profile, target }: Pen): AnyFix[] {
	const stratum = fix.entry.stratum.id;
	if (stratum !== target) return [];
	const file = aliasFileIn(stratumById(profile, stratum));
	const splices = file && splicesOf(fix, file);
	const splice = file && splices && spliceBetween(stratum, file.text, spliced(file.text, splices));
	if (!splice) return [];
	const after = (id_: StratumId) => (id_ === stratum ? { ...file, text: spliced(file.text, splices) } : undefined);
	const changed = looking.profile.map((s) => (after(s.id) ? holding(s, ALIASES, after(s.id)) : s));
	if (!isMended(aliasChecker, looking, { ...looking, profile: changed }, { id })) return [];
	return [{ kind: fix.kind, label: fix.label, changes: [{ ...splice, chapter: ALIASES }] }];
}
