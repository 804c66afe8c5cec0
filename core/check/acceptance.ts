import type { Accepted, Effective } from '../chapters/shortcuts/effective.ts';
import type { Entry } from '../chapters/shortcuts/entry.ts';
import type { Role } from '../profile/role.ts';
import { nextRank, stratumById } from '../profile/stratum.ts';
import type { Change } from '../profile/edit.ts';
import type { Keys } from '../stroke/stroke.ts';
import { check, tellAll } from './check.ts';
import type { Circumstances } from './circumstances.ts';
import type { Pen, Told } from './finding.ts';
import type { CommandId } from '../application/command.ts';
import type { Scope } from '../context/scope.ts';

/** A finding as far as its acceptance goes, be it of keys, of an alias file or of a macro. */
export interface Acceptable {
	readonly id: string;
	/** Changes when something that the finding rests on does. */
	readonly circumstances: string;
	readonly command: CommandId;
	/** The input that shows it, if an input does. */
	readonly keys: Keys | undefined;
	readonly scope: Scope;
}

export const acceptable = ({ id, circumstances, command, witness, bindings: [binding] }: Told): Acceptable => ({
	id,
	circumstances,
	command,
	keys: witness.keys,
	scope: binding?.scope ?? {}
});

/** The acceptance of the finding, while the circumstances are those that were accepted. */
export function acceptedAs(effective: Effective, told: Pick<Acceptable, 'id' | 'circumstances'>): Accepted | undefined {
	const accepted = effective.accepted.get(told.id);
	// the circumstances of most are not known yet, and take long to find out
	return accepted && accepted.acceptance.circumstances === told.circumstances ? accepted : undefined;
}

export const isAccepted = (effective: Effective, told: Pick<Acceptable, 'id' | 'circumstances'>): boolean =>
	acceptedAs(effective, told) !== undefined;

/** The errors that nobody has accepted. */
export function errorsLeft(circumstances: Circumstances): Told[] {
	const errors = check(circumstances).filter((finding) => finding.severity === 'error');
	return tellAll(circumstances, errors).filter((told) => !isAccepted(circumstances.index.effective, told));
}

/** The change that accepts a finding, as an entry of the pen's stratum. */
export function accepts({ profile, target }: Pen, finding: Acceptable, reason: string, role: Role, offset = 0): Change {
	const stratum = stratumById(profile, target);
	const { id, circumstances, command, keys = '' as Keys, scope } = finding;
	const after: Entry = {
		op: 'accept',
		command,
		keys,
		scope,
		rank: nextRank(stratum) + offset,
		acceptance: { finding: id, circumstances, reason, role }
	};
	const before = [...stratum.entries.values()].find((e) => e.acceptance?.finding === id) ?? null;
	return { stratum: target, before, after };
}

/** What a check looked at, and so what the ids of its findings begin with. */
export type Checked = 'keys' | 'aliases' | 'macros';
const BEGINNINGS = { 'alias-': 'aliases', 'macro-': 'macros' } as const;

function checkedIn(id: string): Checked {
	for (const [beginning, checked] of Object.entries(BEGINNINGS)) if (id.startsWith(beginning)) return checked;
	return 'keys';
}

/** The acceptances of findings of such a check. */
export const acceptancesIn = (effective: Effective, checked: Checked): Accepted[] =>
	[...effective.accepted.values()].filter(({ acceptance }) => checkedIn(acceptance.finding) === checked);

/**
 * Acceptances of findings of such a check that are gone or have changed; they say nothing any more and can be dropped. `all`
 * are the findings of that check.
 */
export function staleAcceptances(
	effective: Effective,
	checked: Checked,
	all: readonly Pick<Acceptable, 'id' | 'circumstances'>[]
): Accepted[] {
	const current = new Map(all.map(({ id, circumstances }) => [id, circumstances]));
	return acceptancesIn(effective, checked).filter(
		({ acceptance: { finding, circumstances } }) => current.get(finding) !== circumstances
	);
}
