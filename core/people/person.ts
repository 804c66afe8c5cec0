import { z } from 'zod';
import { Role } from '../strata/role.ts';
import { StratumId } from '../strata/stratum.ts';
import { plainName } from '../text/plain-name.ts';

export const PersonId = z.string().regex(/^[A-Za-z0-9_-]{1,40}$/, 'the id of a person');
export type PersonId = z.infer<typeof PersonId>;

/** What somebody is called: a role, a desk or a name. */
export const PersonName = plainName('a person');

/** Where somebody works, or a seat stands; empty if not said. */
export const Site = z.union([z.literal(''), plainName('a site')]);

/** Somebody of the office. */
export const Person = z.strictObject({
	id: PersonId,
	name: PersonName,
	role: Role,
	/** The disciplines and projects that are theirs, of a lead. */
	leads: z.array(StratumId).max(200),
	/** The disciplines and projects that they work in, beside those that they lead. */
	member: z.array(StratumId).max(200).optional(),
	/** Where they work. */
	site: Site.optional()
});
export type Person = z.infer<typeof Person>;

/** The one person of an office without accounts, and later its first steward. */
export const FIRST: Person = { id: 'first', name: 'This desk', role: 'steward', leads: [] };
