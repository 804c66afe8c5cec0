import { SEVERITIES, type Severity } from '../../check/severity.ts';
import type { StratumId } from '../../strata/stratum.ts';
import type { AliasReportFinding, FoundInFile } from './report.ts';

/** What of the findings people look at. */
export interface AliasLook {
	/** Whose file. */
	readonly stratum: StratumId;
	/** The circumstances under which findings were accepted, by their ids. */
	readonly accepted: ReadonlyMap<string, string>;
	/** Whether accepted ones are listed as well, those of other files among them. */
	readonly withAccepted: boolean;
	/** So many are listed. */
	readonly most: number;
	/** The lines of the text that are seen. */
	readonly lines: { readonly from: number; readonly to: number };
}

/** What people see of the findings: a long file has thousands, and few fit on a screen. */
export interface AliasSight {
	/** The first of the list, errors first. */
	readonly findings: readonly AliasReportFinding[];
	/** How many the list has beyond these. */
	readonly left: number;
	/** Those of the lines that are seen which are open and not in the list. */
	readonly marks: readonly AliasReportFinding[];
	/** How many are open in this file, and in the files of other strata. */
	readonly counts: Readonly<Record<Severity, number>>;
	readonly elsewhere: number;
	readonly accepted: number;
	/** The ids of accepted findings that are gone or have changed. */
	readonly gone: readonly string[];
}

export function aliasSight(found: readonly FoundInFile[], look: AliasLook): AliasSight {
	const { stratum, accepted, withAccepted, most, lines } = look;
	const counts = Object.fromEntries(SEVERITIES.map((severity) => [severity, 0])) as Record<Severity, number>;
	const gone = new Set(accepted.keys());
	const findings: AliasReportFinding[] = [];
	const marks: AliasReportFinding[] = [];
	let [left, elsewhere, standing] = [0, 0, 0];
	for (const each of found) {
		const acceptable = accepted.size > 0 ? each.acceptable() : undefined;
		const stands =
			acceptable !== undefined && accepted.has(acceptable.id) && accepted.get(acceptable.id) === acceptable.circumstances;
		const isHere = each.stratum === stratum;
		if (stands) {
			standing++;
			gone.delete(acceptable.id);
		} else if (isHere) counts[each.severity]++;
		else elsewhere++;
		if (stands ? !withAccepted : !isHere) continue;
		if (findings.length < most) findings.push(each.told());
		else {
			left++;
			if (!stands && each.line >= lines.from && each.line <= lines.to) marks.push(each.told());
		}
	}
	return { findings, left, marks, counts, elsewhere, accepted: standing, gone: [...gone] };
}
