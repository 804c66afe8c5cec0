import { z } from 'zod';
import { Role } from '../strata/role.ts';
import { StratumId, type Profile, type StratumHead, type StratumKind } from '../strata/stratum.ts';
import { plainName } from '../text/plain-name.ts';
import type { OwnedHead } from './may.ts';
import type { Person } from './person.ts';

export const SetupId = z.string().regex(/^[a-z0-9-]{1,60}$/, 'the id of a setup');
export type SetupId = z.infer<typeof SetupId>;

export const SetupName = plainName('a setup');

/** The strata of a setup above the factory's, the lowest first. */
export const SetupStrata = z
	.array(StratumId)
	.max(50)
	.refine((ids) => new Set(ids).size === ids.length, 'each stratum once');

/** For whom a setup is: people of any of these roles who work in any of these disciplines and projects. An empty list is no condition. */
export const Audience = z.strictObject({ roles: z.array(Role).max(4), strata: z.array(StratumId).max(200) });
export type Audience = z.infer<typeof Audience>;

export const isFor = ({ roles, strata }: Audience, person: Person): boolean =>
	(roles.length === 0 || roles.includes(person.role)) &&
	(strata.length === 0 || strata.some((id) => belongsTo(person).includes(id)));

/** Whether a setup is for some people only. */
export const isNarrow = (audience: Audience | undefined): audience is Audience =>
	audience !== undefined && audience.roles.length + audience.strata.length > 0;

/** The disciplines and projects that somebody works in: those that they lead, too. */
export const belongsTo = ({ leads, member = [] }: Pick<Person, 'leads' | 'member'>): StratumId[] => [
	...new Set([...leads, ...member])
];

/** A named, ordered choice of strata for one application. */
export interface Setup {
	readonly id: SetupId;
	readonly name: string;
	/** Whose it is. */
	readonly person: string;
	/** Whether the person starts with it. */
	readonly isStart: boolean;
	/** Whether the office recommends it. */
	readonly isRecommended: boolean;
	/** Whether nobody of its audience may leave out its common strata. */
	readonly isRequired?: boolean;
	/** For whom it is recommended or required; left out for everybody. */
	readonly audience?: Audience;
	/** The lowest first; the factory lies below all and is not named. */
	readonly strata: readonly StratumId[];
}

const ORDER: readonly StratumKind[] = ['factory', 'office', 'discipline', 'project', 'personal'];

/** The strata in the order in which they usually lie on each other: by kind, and within a kind as they are. */
export const inUsualOrder = <S extends Pick<StratumHead, 'kind'>>(strata: readonly S[]): S[] =>
	strata.toSorted((a, b) => ORDER.indexOf(a.kind) - ORDER.indexOf(b.kind));

/**
 * What a person has who has not chosen: the office's strata, the disciplines and projects that they work in, and all their own. Who is
 * alone has all that there are.
 */
export function usualStrata(person: Person, strata: readonly OwnedHead[], isAlone: boolean): StratumId[] {
	return inUsualOrder(strata)
		.filter(({ id, kind, person: owner }) => {
			if (kind === 'factory') return false;
			if (kind === 'personal') return owner === person.id;
			return kind === 'office' || isAlone || belongsTo(person).includes(id);
		})
		.map(({ id }) => id);
}

/**
 * The strata that no setup of the person may leave out, in their usual order: those that are required themselves, and the common ones of
 * setups that are required of people like them.
 */
export function requiredStrata<S extends OwnedHead>(strata: readonly S[], setups: readonly Setup[], person: Person): S[] {
	const isHeld = ({ isRequired, audience }: Setup) => isRequired && (!audience || isFor(audience, person));
	const named = new Set(setups.flatMap((setup) => (isHeld(setup) ? setup.strata : [])));
	return inUsualOrder(strata).filter(
		({ id, kind, isRequired }) => kind !== 'factory' && kind !== 'personal' && (isRequired || named.has(id))
	);
}

/** The strata with those added that may not be left out, each where its kind usually lies. */
export function withRequired(
	chosen: readonly StratumId[],
	strata: readonly OwnedHead[],
	required: readonly Pick<OwnedHead, 'id'>[]
): StratumId[] {
	let all = [...chosen];
	const byId = new Map(strata.map((head) => [head.id, head]));
	for (const { id } of required) {
		if (all.includes(id)) continue;
		const kinds = inUsualOrder([...all, id].flatMap((one) => byId.get(one) ?? []));
		const above = kinds.slice(kinds.findIndex((head) => head.id === id) + 1).find((head) => all.includes(head.id));
		all = all.toSpliced(above ? all.indexOf(above.id) : all.length, 0, id);
	}
	return all;
}

/** The profile that a setup makes: the factory and the chosen strata in their order. What is not there any more is passed over. */
export function profileOf(all: Profile, chosen: readonly StratumId[]): Profile {
	const byId = new Map(all.map((stratum) => [stratum.id, stratum]));
	return [...all.filter((stratum) => stratum.kind === 'factory'), ...chosen.flatMap((id) => byId.get(id) ?? [])];
}
