import { ACCEPTANCES, type AcceptanceEntry } from '../../../../core/chapters/acceptances/acceptance.ts';
import type { AnyChange } from '../../../../core/chapter/chapter.ts';
import { mayWrite, whose } from '../../../../core/people/may.ts';
import type { Person } from '../../../../core/people/person.ts';
import { inUsualOrder, profileOf } from '../../../../core/people/setup.ts';
import { FactoryWriteError, type KeyedChange } from '../../../../core/strata/change.ts';
import { reaches, type Role } from '../../../../core/strata/role.ts';
import { headOf, type Profile, type StratumHead, type StratumId } from '../../../../core/strata/stratum.ts';
import type { Edit } from '../../../../core/profile/edit.ts';
import { Problem } from '../problem.ts';
import type { RowTransaction } from '../db/database.ts';
import type { Workspace } from './workspace.ts';

/** Who writes, and which strata they look at: the profile that a change is judged on. All strata when left out. */
export interface Writing {
	readonly person: Person;
	readonly seen?: readonly StratumId[] | undefined;
	/** What is written in the same transaction, as the decision on a proposal. */
	readonly also?: (tx: RowTransaction, edit: Edit) => Promise<void>;
}

/** The stratum that is written to. Throws `Problem` 422 for one that is not there or is never written. */
export function writableStratum(profile: Profile, id: StratumId): StratumHead {
	const stratum = profile.find((s) => s.id === id);
	if (!stratum)
		throw new Problem(422, 'not-sound', `there is no level "${id}"; this profile has ${profile.map((s) => s.id).join(', ')}`);
	if (stratum.kind === 'factory') throw new Problem(422, 'not-sound', new FactoryWriteError().message);
	return stratum;
}

/**
 * Gives the stratum that is written to. Throws `Problem` 403 if the person may not write it, or something of the changes, or if a
 * change reaches from a stratum of one's own into a common one.
 */
export function refuseForeign(
	{ profile, owners }: Pick<Workspace, 'profile' | 'owners'>,
	person: Person,
	stratum: StratumId,
	changes: readonly AnyChange[]
): StratumHead {
	const refuse = (pointer: string, detail: string, expected: string) =>
		new Problem(403, 'not-yours', detail, { errors: [{ pointer, detail: expected }] });
	const mine = (head: StratumHead) => mayWrite(person, { ...headOf(head), person: owners.get(head.id) ?? null });
	const from = writableStratum(profile, stratum);
	if (!mine(from))
		throw refuse(
			'/stratum',
			`You cannot edit ${from.name}. It is edited by ${whose(from)}.`,
			'expected a level that you may edit'
		);
	// each stratum is looked at once, at the first change of it
	const looked = new Set<StratumId>();
	changes.forEach((change, i) => {
		if (looked.has(change.stratum)) return;
		looked.add(change.stratum);
		const to = writableStratum(profile, change.stratum);
		const pointer = `/changes/${i}/stratum`;
		if (!reaches(from.kind, to.kind))
			throw refuse(
				pointer,
				`${to.name} belongs to the steward, and you are editing ${from.name}. Switch to ${to.name} to change it.`,
				`expected a level that ${from.name} may edit`
			);
		if (!mine(to))
			throw refuse(pointer, `You cannot edit ${to.name}. It is edited by ${whose(to)}.`, 'expected a level that you may edit');
	});
	return from;
}

/** The profile that the writer looks at, with all that they change. */
export function seenWith({ profile }: Workspace, seen: readonly StratumId[] | undefined, changes: readonly AnyChange[]): Profile {
	if (!seen) return profile;
	const missing = new Set(changes.map(({ stratum }) => stratum).filter((stratum) => !seen.includes(stratum)));
	const looked = profileOf(profile, seen);
	return missing.size === 0 ? looked : inUsualOrder([...looked, ...profile.filter(({ id }) => missing.has(id))]);
}

/** What is let stand is let stand in the role of who says so, whatever the request says. */
export function inOwnRole(changes: readonly AnyChange[], role: Role): readonly AnyChange[] {
	return changes.map((change) => {
		if (change.chapter !== ACCEPTANCES || role === 'steward') return change;
		const { before, after } = change as unknown as KeyedChange<AcceptanceEntry>;
		return !before && after?.op === 'set' && after.role !== role ? { ...change, after: { ...after, role } } : change;
	});
}
