export { acceptedIn, type AcceptedFindings } from '../chapters/acceptances/acceptance.ts';
import type { CommandId } from '../application/command.ts';
import {
	acceptanceKey,
	acceptancesIn,
	type Accepted,
	type AcceptedFindings,
	type AcceptanceEntry
} from '../chapters/acceptances/acceptance.ts';
import type { Scope } from '../context/scope.ts';
import type { KeyedChange } from '../strata/change.ts';
import { nextRank } from '../strata/entry.ts';
import { writingAs } from '../strata/role.ts';
import { stratumById } from '../strata/stratum.ts';
import type { Keys } from '../stroke/stroke.ts';
import type { Pen } from '../chapter/chapter.ts';

/** A finding as far as its acceptance goes, be it of keys, of an alias file or of a macro. */
export interface Acceptable {
	readonly id: string;
	/** Changes when something that the finding rests on does. */
	readonly circumstances: string;
	/** How circumstances were told before; what was accepted so holds until it is renewed. */
	readonly formerly?: string;
	readonly command: CommandId;
	/** The input that shows it, if an input does. */
	readonly keys: Keys | undefined;
	readonly scope: Scope;
}

type Standing = Pick<Acceptable, 'id' | 'circumstances' | 'formerly'>;

/** Whether the acceptance is of the finding as it is. The circumstances of most are not known yet, and take long to find out. */
export const standsFor = (said: string | undefined, finding: Standing): boolean =>
	said !== undefined && (said === finding.circumstances || said === finding.formerly);

/** The acceptance of the finding, while the circumstances are those that were accepted. */
export function acceptedAs(accepted: AcceptedFindings, finding: Standing): Accepted | undefined {
	const found = accepted.get(finding.id);
	return found && standsFor(found.acceptance.circumstances, finding) ? found : undefined;
}

export const isAccepted = (accepted: AcceptedFindings, finding: Standing): boolean => acceptedAs(accepted, finding) !== undefined;

/** The change that accepts a finding, as an entry of the pen's stratum. */
export function accepts({ profile, target }: Pen, finding: Acceptable, reason: string, offset = 0): KeyedChange<AcceptanceEntry> {
	const stratum = stratumById(profile, target);
	const content = acceptancesIn(stratum);
	const { id, circumstances, command, keys = '', scope } = finding;
	const role = writingAs('steward', stratum.kind);
	const said = { finding: id, circumstances, reason, role, command, keys, scope };
	const before = content.get(acceptanceKey(said)) ?? null;
	return { stratum: target, before, after: { op: 'set', ...said, rank: before?.rank ?? nextRank(content) + offset } };
}

/** The change that drops an acceptance. */
export const dropsAcceptance = ({ stratum, acceptance }: Accepted): KeyedChange<AcceptanceEntry> => ({
	stratum,
	before: acceptance,
	after: null
});

/** The acceptances of findings whose ids begin so; see `Checker.beginning`. */
export const acceptancesOf = (accepted: AcceptedFindings, beginning: string): Accepted[] =>
	[...accepted.values()].filter(({ acceptance }) => acceptance.finding.startsWith(beginning));

/** Those of the acceptances whose finding is gone or has changed; they say nothing any more and can be dropped. */
export function staleAcceptances(accepted: Accepted[] | AcceptedFindings, findings: readonly Standing[]): Accepted[] {
	const current = new Map(findings.map((finding) => [finding.id, finding]));
	return [...accepted.values()].filter(({ acceptance: { finding, circumstances } }) => {
		const now = current.get(finding);
		return !now || !standsFor(circumstances, now);
	});
}
