import { headOf, type Profile, type Stratum, type StratumId } from '../strata/stratum.ts';

/**
 * Which state of a setup an answer is about. edited: as it is being changed; next: what the next release would bring; seat: what is
 * installed at the seats now; release: what one release holds, without anybody's own.
 */
export const STATES = ['edited', 'next', 'seat', 'release'] as const;
export type State = (typeof STATES)[number];

/** What a state is worked out from. */
export interface StateGround {
	/** The strata of the setup as they are edited, the lowest first. */
	readonly profile: Profile;
	/** The strata that a release holds: the one that seats follow, or for `release` the one that is looked at. */
	readonly frozen: Profile;
	/** Whether the next release would hold the stratum. */
	goesOut(stratum: Pick<Stratum, 'id' | 'kind'>): boolean;
}

const isShared = ({ kind }: Pick<Stratum, 'kind'>): boolean => kind !== 'factory' && kind !== 'personal';

/** The strata in a state. What people say for themselves reaches their seats without a release, so it is in all but `release`. */
export function profileIn(state: State, { profile, frozen, goesOut }: StateGround): Profile {
	if (state === 'edited') return profile;
	if (state === 'release') return [...profile.filter(({ kind }) => kind === 'factory'), ...frozen];
	// releases of old may call the office's stratum by another id
	const released = (stratum: Stratum) =>
		frozen.find(({ id, kind }) => id === stratum.id || (kind === 'office' && stratum.kind === 'office'));
	return profile.map((stratum) =>
		!isShared(stratum) || (state === 'next' && goesOut(stratum))
			? stratum
			: { ...headOf(stratum), contents: released(stratum)?.contents ?? {} }
	);
}

/** The state in words, as prints and exports name it; `release` is the number of the release that it is about, null before the first. */
export function stateText(state: State, release: number | null): string {
	switch (state) {
		case 'edited':
			return 'edited, not released';
		case 'next':
			return 'next release';
		case 'seat':
			return release === null ? 'at the seats, nothing released yet' : `at the seats, release ${release}`;
		case 'release':
			return `release ${release}`;
	}
}

/** What goes out with the next release unless somebody chooses otherwise: the office stratum, and what went out with the last one. */
export const goesOutUsually =
	(frozen: Profile) =>
	({ id, kind }: { readonly id: StratumId; readonly kind: string }): boolean =>
		kind === 'office' || frozen.some((stratum) => stratum.id === id);
