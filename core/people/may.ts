import type { Role } from '../strata/role.ts';
import type { StratumHead } from '../strata/stratum.ts';
import type { Person } from './person.ts';

const EVERYBODY: readonly Role[] = ['steward', 'lead', 'designer', 'trainer'];

/** What can be done in an office, and in which roles. The one table of rights; every route of the server names its line. */
export const RIGHTS = {
	/** Read programs, strata, setups and releases; print; compare; listen to what changes. */
	read: EVERYBODY,
	/** Write strata; which ones says `mayWrite`. */
	write: EVERYBODY,
	/** Keep setups of one's own. */
	arrange: EVERYBODY,
	/** Say what stands on a desk, who sits there, and what does not work there. */
	desk: EVERYBODY,
	/** Propose a change of a stratum that is not one's own, and comment on proposals. */
	propose: EVERYBODY,
	/** Take proposals in or decline them; whose stratum it is says `mayWrite`. */
	review: ['steward', 'lead'],
	/** Make setups that others are recommended. */
	recommend: ['steward', 'trainer'],
	/** See what a release does to whom, and what stands at seats. */
	survey: ['steward', 'lead', 'trainer'],
	/** Publish releases and move seats between them. */
	release: ['steward'],
	/** Bring, change and remove seats. */
	seats: ['steward'],
	/** Bring, change and remove programs, their recipes and search paths. */
	programs: ['steward'],
	/** Invite people, change what they may, make disciplines and projects, hand strata over. */
	people: ['steward'],
	/** Take back-ups and verify. */
	keep: ['steward']
} satisfies Readonly<Record<string, readonly Role[]>>;
export type Right = keyof typeof RIGHTS;

export const may = ({ role }: Pick<Person, 'role'>, right: Right): boolean => (RIGHTS[right] as readonly Role[]).includes(role);

/** Whether the person may say that trouble of a seat is settled: who has reported it, who sits there, and who looks after the seats. */
export const maySettle = (
	person: Person,
	{
		trouble,
		sitting
	}: { readonly trouble: { readonly by: string | null } | null; readonly sitting: { readonly person: string } | null }
): boolean => trouble?.by === person.id || sitting?.person === person.id || may(person, 'seats');

/** Whether a stratum is there for setups, is put aside, or is gone from every list. */
export const STRATUM_STATES = ['used', 'archived', 'deleted'] as const;
export type StratumState = (typeof STRATUM_STATES)[number];

/** A stratum with the person that it belongs to, null for one of the office. */
export interface OwnedHead extends StratumHead {
	readonly person: string | null;
	/** Whether no setup may leave it out. */
	readonly isRequired?: boolean;
	/** Used when left out. */
	readonly state?: StratumState;
}

/**
 * Whether the person may write the stratum: the factory is never written, one's own always, the office's by stewards, those of a
 * discipline or project also by the leads that they belong to.
 */
export function mayWrite(person: Person, { id, kind, person: owner }: OwnedHead): boolean {
	if (kind === 'factory') return false;
	if (kind === 'personal') return owner === person.id;
	if (person.role === 'steward') return true;
	return person.role === 'lead' && kind !== 'office' && person.leads.includes(id);
}

/** Whose a stratum is, in words. */
export function whose({ kind }: StratumHead): string {
	if (kind === 'factory') return 'read-only';
	if (kind === 'personal') return 'the one it belongs to';
	return kind === 'office' ? 'stewards' : 'stewards and its leads';
}
