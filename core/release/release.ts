import { z } from 'zod';
import type { DeskSetup } from '../keyboard/desk.ts';
import { ApplicationId } from '../application/application.ts';
import { canonicalText } from '../format/canonical.ts';
import { Role } from '../strata/role.ts';
import { StratumId } from '../strata/stratum.ts';

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
	entries: z.number().int().min(0),
	/** The strata that it freezes, the lowest first. */
	strata: z.array(StratumId).min(1)
});
export type Release = z.infer<typeof Release>;

export const SeatId = z.string().regex(/^[A-Z]{1,3}-\d{2,3}$/, 'a seat id such as C-04');

/** What a seat says about itself. */
export const SeatReport = z.strictObject({
	release: ReleaseNumber.nullable(),
	state: z.enum(['installed', 'drifted', 'refused', 'empty']),
	sha256: Sha256.nullable(),
	message: z.string().max(500).default(''),
	/** The version of the signed timestamp that it goes by; null for none yet. */
	timestamp: z.number().int().min(1).nullable().default(null),
	/** Whose file it is where somebody sits there: its version. */
	own: z.number().int().min(1).nullable().default(null),
	/** What was edited locally, entry by entry in words; the first ones. */
	differences: z.array(z.string().max(200)).max(20).default([]),
	/** Options that the program takes up only when it is started anew, by their paths. */
	restart: z.array(z.string().max(200)).max(20).default([])
});
export type SeatReport = z.infer<typeof SeatReport>;

/** A report in short: of two that say the same it is the same. */
export async function digestOf(report: SeatReport): Promise<string> {
	const bytes = await crypto.subtle.digest('SHA-256', new TextEncoder().encode(canonicalText(report)));
	return Array.from(new Uint8Array(bytes, 0, 8), (byte) => byte.toString(16).padStart(2, '0')).join('');
}

/** So many signs of a file changed by hand a seat sends at most. */
export const MOST_DRIFT = 20_000_000;

/** The file of a seat after a change by hand. */
export const Drift = z.strictObject({ sha256: z.string().length(64), text: z.string().max(MOST_DRIFT) });
export type Drift = z.infer<typeof Drift>;

/** The same beside what the seat was given: the release, or what was made for whoever sits there. */
export interface DriftBeside extends Drift {
	/** The text of the profile file that was laid. */
	readonly laid: string;
}

/** What somebody says of a seat that does not work there. */
export const TroubleWords = z
	.string()
	.trim()
	.min(1, 'describe what does not work')
	.max(400)
	.regex(/^[^\p{Cc}\p{Cs}]+$/u, 'words on one line, without control characters');

/** Trouble that somebody has reported of a seat: it counts while the seat follows that release, or until it is settled. */
export const Trouble = z.strictObject({
	release: ReleaseNumber,
	words: TroubleWords,
	at: z.iso.datetime(),
	/** Who has said it: the id of a person; null where it was said at the workstation. */
	by: z.string().nullable()
});
export type Trouble = z.infer<typeof Trouble>;

export const SeatState = z.enum(['current', 'behind', 'offline', 'drifted', 'refused', 'troubled', 'never', 'hidden']);
export type SeatState = z.infer<typeof SeatState>;

export interface Seat {
	readonly id: string;
	readonly note: string;
	/** Where it stands; empty if not said. */
	readonly site: string;
	readonly desk: DeskSetup;
	readonly lastSeen: string | null;
	readonly report: SeatReport | null;
	/** What somebody has reported and nobody has settled. */
	readonly trouble: Trouble | null;
	readonly restore: boolean;
	/** The ring that it is in; null for everyone's. */
	readonly ring: string | null;
	/** Whether it has a key of its own to show itself with. */
	readonly isEnrolled: boolean;
	/** Who sits there, and with which setup. */
	readonly sitting: { readonly person: string; readonly setup: string } | null;
}

/** What is known of a seat to who may not see what it reports: where it stands, who sits there, and trouble of one's own. */
export function hiddenSeat<S extends Seat & { readonly state: SeatState }>(seat: S, person: string): S {
	if (seat.sitting?.person === person) return seat;
	const trouble = seat.trouble?.by === person ? seat.trouble : null;
	const state = trouble && seat.state === 'troubled' ? 'troubled' : 'hidden';
	return { ...seat, lastSeen: null, report: null, restore: false, trouble, state };
}

/** A seat that has not been heard of for this long counts as offline, in milliseconds. */
export const OFFLINE_AFTER = 15_000;

/**
 * The state that the rollout shows: what the seat itself said, unless it is silent; then what somebody has reported of the release
 * that it follows; then its release against the channel's.
 */
export function seatState(seat: Seat, channel: number | null, now: number): SeatState {
	if (!seat.lastSeen || !seat.report) return 'never';
	const isSilent = now - Date.parse(seat.lastSeen) > OFFLINE_AFTER;
	if (!isSilent && (seat.report.state === 'drifted' || seat.report.state === 'refused')) return seat.report.state;
	if (seat.trouble?.release === channel) return 'troubled';
	if (isSilent) return 'offline';
	return seat.report.release === channel ? 'current' : 'behind';
}
