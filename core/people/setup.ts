import { z } from 'zod';
import { StratumId, type Profile, type StratumHead, type StratumKind } from '../strata/stratum.ts';
import type { OwnedHead } from './may.ts';
import type { Person } from './person.ts';

export const SetupId = z.string().regex(/^[a-z0-9-]{1,60}$/, 'the id of a setup');
export type SetupId = z.infer<typeof SetupId>;

export const SetupName = z.string().trim().min(1, 'a setup needs a name').max(60);

/** The strata of a setup above the factory's, the lowest first. */
export const SetupStrata = z
	.array(StratumId)
	.max(50)
	.refine((ids) => new Set(ids).size === ids.length, 'each stratum once');

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
	/** Whether nobody may leave out its common strata. */
	readonly isRequired?: boolean;
	/** The lowest first; the factory lies below all and is not named. */
	readonly strata: readonly StratumId[];
}

const ORDER: readonly StratumKind[] = ['factory', 'office', 'discipline', 'project', 'personal'];

/** The strata in the order in which they usually lie on each other: by kind, and within a kind as they are. */
export const inUsualOrder = <S extends Pick<StratumHead, 'kind'>>(strata: readonly S[]): S[] =>
	strata.toSorted((a, b) => ORDER.indexOf(a.kind) - ORDER.indexOf(b.kind));

/**
 * What a person has who has not chosen: the office's strata, the disciplines and projects that they lead, and all their own. Who is
 * alone has all that there are.
 */
export function usualStrata(person: Person, strata: readonly OwnedHead[], isAlone: boolean): StratumId[] {
	return inUsualOrder(strata)
		.filter(({ id, kind, person: owner }) => {
			if (kind === 'factory') return false;
			if (kind === 'personal') return owner === person.id;
			return kind === 'office' || isAlone || person.leads.includes(id);
		})
		.map(({ id }) => id);
}

/**
 * The strata that no setup of a program may leave out, in their usual order: those that are required themselves, and the common ones of
 * setups that are.
 */
export function requiredStrata<S extends OwnedHead>(strata: readonly S[], setups: readonly Setup[]): S[] {
	const named = new Set(setups.flatMap((setup) => (setup.isRequired ? setup.strata : [])));
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
