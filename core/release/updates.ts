import { z } from 'zod';
import { ApplicationId } from '../application/application.ts';
import { ReleaseNumber, SeatId } from './release.ts';
import { RingId } from './rings.ts';

/** The role that signs files of seats at which somebody sits. */
export const OWN_ROLE = 'own-files';
export const ownPath = (seat: string): string => `${OWN_ROLE}/${seat}.json`;

/** The role that signs what is of one application: no other role can be called so. */
export const roleOf = (application: string): string => `app.${application}`;
export const applicationOf = (role: string): string => role.replace(/^app\./, '');

/** The name of the file that says which release each ring follows. */
export const FOLLOWING = 'follows.json';
export const followingPath = (application: string): string => `${application}/${FOLLOWING}`;
export const releasePath = (application: string, release: number): string => `${application}/${release}.json`;

/** Which release each ring of an application follows, and which seats are in which ring; signed like the releases. */
export const Following = z.object({
	application: ApplicationId,
	/** The last one is of all seats that are in none of the others. */
	rings: z.array(z.object({ id: RingId, name: z.string(), release: ReleaseNumber.nullable() })).min(1),
	seats: z.record(SeatId, RingId),
	/** Paths of options that the program takes up only when it is started anew. */
	restart: z.array(z.string())
});
export type Following = z.infer<typeof Following>;

/** The release that the seat is to have; null for none yet. */
export function releaseFor({ rings, seats }: Pick<Following, 'rings' | 'seats'>, seat: string): number | null {
	const own = seats[seat];
	return (rings.find(({ id }) => id === own) ?? rings.at(-1)!).release;
}

/** What a seat is answered that asks whether there is anything new. */
export const CheckIn = z.object({
	application: ApplicationId,
	/** The version of the newest signed timestamp; null while nothing is signed. */
	timestamp: z.number().int().min(1).nullable(),
	/** The version of the file of whoever sits there; null for nobody. */
	own: z.number().int().min(1).nullable(),
	/** The steward wants the file laid anew over one that was edited locally. */
	restore: z.boolean(),
	/** The short digest of the last report that the office has; null for none. */
	report: z.string().nullable()
});
export type CheckIn = z.infer<typeof CheckIn>;

/** A workstation becomes a seat: with a code that is good once, and the public half of its own key. */
export const Enrolment = z.strictObject({
	code: z.string().trim().min(8).max(80),
	/** Ed25519, 32 bytes in hexadecimal. */
	key: z.string().regex(/^[0-9a-f]{64}$/, 'a public key: 64 hexadecimal digits in lower case')
});
export type Enrolment = z.infer<typeof Enrolment>;

/** What the office answers to it; the seat holds `root` against the code. */
export const Enrolled = z.object({ seat: SeatId, application: ApplicationId, root: z.string() });
export type Enrolled = z.infer<typeof Enrolled>;

/** So many hexadecimal digits of the root's SHA-256 stand at the end of a code. */
export const FINGERPRINT = 20;

/** What a seat signs with its own key to sign in. */
export const signInText = (seat: string, challenge: string): string => `skarn seat ${seat} signs in: ${challenge}`;
