import type { Accepted, Effective } from '../profile/effective.ts';
import type { Entry } from '../profile/entry.ts';
import type { Role } from '../profile/role.ts';
import { nextRank, stratumById } from '../profile/stratum.ts';
import type { Change } from '../profile/edit.ts';
import type { Keys } from '../stroke/stroke.ts';
import { check, tellAll } from './check.ts';
import type { Circumstances } from './circumstances.ts';
import type { Pen, Told } from './finding.ts';

/** The acceptance of the finding, while the circumstances are those that were accepted. */
export function acceptedAs(effective: Effective, told: Pick<Told, 'id' | 'circumstances'>): Accepted | undefined {
	const accepted = effective.accepted.get(told.id);
	return accepted?.acceptance.circumstances === told.circumstances ? accepted : undefined;
}

export const isAccepted = (effective: Effective, told: Pick<Told, 'id' | 'circumstances'>): boolean =>
	acceptedAs(effective, told) !== undefined;

/** The errors that nobody has accepted. */
export function errorsLeft(circumstances: Circumstances): Told[] {
	const errors = check(circumstances).filter((finding) => finding.severity === 'error');
	return tellAll(circumstances, errors).filter((told) => !isAccepted(circumstances.index.effective, told));
}

/** The change that accepts a finding, as an entry of the pen's stratum. */
export function accepts({ profile, target }: Pen, told: Told, reason: string, role: Role, offset = 0): Change {
	const stratum = stratumById(profile, target);
	const [binding] = told.bindings;
	const after: Entry = {
		op: 'accept',
		command: told.command,
		keys: told.witness.keys ?? ('' as Keys),
		scope: binding?.scope ?? {},
		rank: nextRank(stratum) + offset,
		acceptance: { finding: told.id, circumstances: told.circumstances, reason, role }
	};
	const before = [...stratum.entries.values()].find((e) => e.acceptance?.finding === told.id) ?? null;
	return { stratum: target, before, after };
}

/** Acceptances whose finding is gone or has changed; they say nothing any more and can be dropped. */
export function staleAcceptances(effective: Effective, all: readonly Pick<Told, 'id' | 'circumstances'>[]): Accepted[] {
	const current = new Map(all.map((told) => [told.id, told.circumstances]));
	return [...effective.accepted.values()].filter(
		({ acceptance }) => current.get(acceptance.finding) !== acceptance.circumstances
	);
}
