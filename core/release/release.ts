import { z } from 'zod';
import type { DeskSetup } from '../keyboard/desk.ts';
import { ApplicationId } from '../application/application.ts';
import { Role } from '../strata/role.ts';

export const Sha256 = z.string().regex(/^[0-9a-f]{64}$/, 'a SHA-256 digest: 64 hexadecimal digits in lower case');

export const ReleaseNumber = z.number().int().min(1).max(2_147_483_647);

/** A frozen, numbered state of the office stratum. Its file is a profile file; the digest is over the file's UTF-8 bytes. */
export const Release = z.strictObject({
	application: ApplicationId,
	number: ReleaseNumber,
	at: z.iso.datetime(),
	role: Role,
	/** Who published it: the id of a person. */
	by: z.string(),
	notes: z.string().max(4000),
	sha256: Sha256,
	bytes: z.number().int().min(1),
	entries: z.number().int().min(0)
});
export type Release = z.infer<typeof Release>;

export const SeatId = z.string().regex(/^[A-Z]{1,3}-\d{2,3}$/, 'a seat id such as C-04');

/** What a seat asks for: which release its channel stands at and how to prove that it got it. What a later office says besides is passed over. */
export const Manifest = z.object({
	application: ApplicationId,
	release: ReleaseNumber.nullable(),
	sha256: Sha256.nullable(),
	bytes: z.number().int().nullable(),
	href: z.string().nullable(),
	/** The steward wants the release laid anew over a file that was changed by hand. */
	restore: z.boolean()
});
export type Manifest = z.infer<typeof Manifest>;

/** What a seat says about itself. */
export const SeatReport = z.strictObject({
	release: ReleaseNumber.nullable(),
	state: z.enum(['installed', 'drifted', 'refused', 'empty']),
	sha256: Sha256.nullable(),
	message: z.string().max(500).default('')
});
export type SeatReport = z.infer<typeof SeatReport>;

/** So many signs of a file changed by hand a seat sends at most. */
export const MOST_DRIFT = 20_000_000;

/** The file of a seat after a change by hand. */
export const Drift = z.strictObject({ sha256: z.string().length(64), text: z.string().max(MOST_DRIFT) });
export type Drift = z.infer<typeof Drift>;

export const SeatState = z.enum(['current', 'behind', 'offline', 'drifted', 'refused', 'never']);
export type SeatState = z.infer<typeof SeatState>;

export interface Seat {
	readonly id: string;
	readonly note: string;
	readonly desk: DeskSetup;
	readonly lastSeen: string | null;
	readonly report: SeatReport | null;
	readonly restore: boolean;
}

/** A seat that has not been heard of for this long counts as offline, in milliseconds. */
export const OFFLINE_AFTER = 15_000;

/** The state that the rollout shows: silence first, then what the seat said, then its release against the channel's. */
export function seatState(seat: Seat, channel: number | null, now: number): SeatState {
	if (!seat.lastSeen || !seat.report) return 'never';
	if (now - Date.parse(seat.lastSeen) > OFFLINE_AFTER) return 'offline';
	if (seat.report.state === 'drifted') return 'drifted';
	if (seat.report.state === 'refused') return 'refused';
	return seat.report.release === channel ? 'current' : 'behind';
}
