import { z } from 'zod';
import { CommandId } from '../../application/command.ts';
import { Scope } from '../../context/scope.ts';
import { Rank, type Entries, type EntryKey } from '../../strata/entry.ts';
import { Role } from '../../strata/role.ts';
import { contentOf, type Profile, type StratumId } from '../../strata/stratum.ts';

export const ACCEPTANCES = 'acceptances';

/**
 * Somebody has looked at a finding and lets it stand. It holds while the circumstances are those that were accepted; when they
 * change, the finding shows again.
 */
export const Acceptance = z.strictObject({
	finding: z.string().min(1).max(20_000),
	circumstances: z.string().min(1).max(64),
	reason: z.string().trim().min(3, 'give a reason').max(500),
	role: Role,
	command: CommandId,
	keys: z.string().max(200).meta({ description: 'the input that shows the finding; empty for one that no input shows' }),
	scope: Scope
});
export type Acceptance = z.infer<typeof Acceptance>;

/** The acceptance as an entry of a stratum. */
export const AcceptanceEntry = z.strictObject({ op: z.literal('set'), ...Acceptance.shape, rank: Rank });
export type AcceptanceEntry = z.infer<typeof AcceptanceEntry>;

export type Acceptances = Entries<AcceptanceEntry>;
const NONE: Acceptances = new Map();
export const acceptancesIn = contentOf<Acceptances>(ACCEPTANCES, NONE);

/** An acceptance in force, with the stratum that says it. */
export interface Accepted {
	readonly acceptance: AcceptanceEntry;
	readonly stratum: StratumId;
}

/** By the finding's id. */
export type AcceptedFindings = ReadonlyMap<string, Accepted>;

const known = new WeakMap<Profile, AcceptedFindings>();

/** What is accepted: an upper stratum's acceptance stands in place of a lower one's. */
export function acceptedIn(profile: Profile): AcceptedFindings {
	let accepted = known.get(profile);
	if (!accepted) {
		const found = new Map<string, Accepted>();
		for (const stratum of profile)
			for (const acceptance of acceptancesIn(stratum).values())
				found.set(acceptance.finding, { acceptance, stratum: stratum.id });
		known.set(profile, (accepted = found));
	}
	return accepted;
}

export const acceptanceKey = ({ finding }: Pick<Acceptance, 'finding'>): EntryKey => finding as string as EntryKey;
