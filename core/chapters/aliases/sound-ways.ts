import type { Catalogue } from '../../application/application.ts';
import { spliced } from '../../recipe/reading.ts';
import { emptyAliasFile } from './file.ts';
import { aliasReport, type AliasReport, type AliasReportFinding, type AliasSetting, type AliasStrata } from './report.ts';

export type AliasWay = AliasReportFinding['fixes'][number];

const errorsOf = ({ found }: AliasReport): Set<string> =>
	new Set(found.flatMap((f) => (f.severity === 'error' ? (f.acceptable()?.id ?? []) : [])));

/**
 * Those ways out of a finding that remove it and add no error, found out by looking again at the changed file. A finding
 * that cannot be let stand has no id to look for, and no ways out.
 */
export function soundWays(
	strata: AliasStrata,
	setting: AliasSetting,
	catalogue: Catalogue,
	{ acceptable, fixes }: Pick<AliasReportFinding, 'acceptable' | 'fixes'>
): AliasWay[] {
	if (!acceptable || fixes.length === 0) return [];
	const before = errorsOf(aliasReport(strata, setting, catalogue));
	return fixes.filter(({ stratum, splices }) => {
		const changed = strata.map((s) => {
			if (s.id !== stratum) return s;
			const file = s.aliases ?? emptyAliasFile;
			return { ...s, aliases: { ...file, text: spliced(file.text, splices) } };
		});
		const after = aliasReport(changed, setting, catalogue);
		const isGone = after.found.every((f) => f.acceptable()?.id !== acceptable.id);
		return isGone && [...errorsOf(after)].every((id) => before.has(id));
	});
}
