import { z } from 'zod';

export const StratumId = z
	.string()
	.regex(/^[a-z0-9][a-z0-9-]{0,59}$/, 'a stratum id: lower-case letters, digits and hyphens')
	.brand<'StratumId'>();
export type StratumId = z.infer<typeof StratumId>;

export const StratumKind = z.enum(['factory', 'office', 'discipline', 'project', 'personal']);
export type StratumKind = z.infer<typeof StratumKind>;

export const StratumHead = z.strictObject({ id: StratumId, kind: StratumKind, name: z.string().min(1).max(60) });
export type StratumHead = z.infer<typeof StratumHead>;

/** What a stratum holds, by chapter. Each chapter's folder has the typed way to its own (see `contentOf`). */
export type Contents = { readonly [chapter: string]: unknown };

/** One layer of a profile. */
export interface Stratum extends StratumHead {
	readonly contents: Contents;
}

/** All layers of one application's setup, the lowest (factory) first. */
export type Profile = readonly Stratum[];

export const headOf = ({ id, kind, name }: StratumHead): StratumHead => ({ id, kind, name });

/** The way to what a stratum holds of one chapter; `empty` is what a stratum that holds nothing of it has. */
export const contentOf =
	<Content>(chapter: string, empty: Content) =>
	({ contents }: Pick<Stratum, 'contents'>): Content =>
		(contents[chapter] as Content | undefined) ?? empty;

/** The stratum with another content of one chapter. */
export const holding = (stratum: Stratum, chapter: string, content: unknown): Stratum => ({
	...headOf(stratum),
	contents: { ...stratum.contents, [chapter]: content }
});

/** Throws `RangeError` when the profile has no such stratum. */
export function stratumById(profile: Profile, id: StratumId): Stratum {
	const stratum = profile.find((s) => s.id === id);
	if (!stratum) throw new RangeError(`there is no level "${id}"; this profile has ${profile.map((s) => s.id).join(', ')}`);
	return stratum;
}

/** Whether everybody has it with a release: the factory's, and the office's. */
export const isPublished = ({ kind }: Pick<StratumHead, 'kind'>): boolean => kind === 'factory' || kind === 'office';

/** The strata that a release is made of: the factory's and the office's. */
export const published = (profile: Profile): Profile => profile.filter(isPublished);

/** The stratum that a release freezes, if the profile has one. */
export const officeOf = (profile: Profile): Stratum | undefined => profile.find((s) => s.kind === 'office');

/** The place of a stratum in the profile, the factory's being 0; -1 for one that is not there. */
export const levelOf = (profile: readonly Pick<StratumHead, 'id'>[], id: StratumId): number =>
	profile.findIndex((s) => s.id === id);
