import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { AnswerError } from './ask.ts';
import { SeatFolder } from './folder.ts';
import { followOnce, type SeatAtWork } from './follow.ts';
import { enrol, identityOf, NotEnrolledError, saidIn, SeatSession, USUAL, type Asking } from './identity.ts';
import { tellFiles } from './look.ts';
import { Updates } from './updates.ts';

export interface SeatOptions {
	/** The seat that it should be; checked where it is said. */
	readonly id?: string | undefined;
	/** The code by which it becomes a seat, at the first time. */
	readonly code?: string | undefined;
	readonly folder: string;
	readonly server: string;
	/** Milliseconds between two questions. */
	readonly every: number;
}

/** A workstation ready to follow: enrolled with a code if it has one, or by its own key. Throws `NotEnrolledError`. */
export async function seatIn({ id, code, folder, server }: SeatOptions, asking: Asking = USUAL): Promise<SeatAtWork> {
	const known = code === undefined ? identityOf(folder) : await enrol(server, code, folder, asking);
	if (!known)
		throw new NotEnrolledError(
			`This workstation is not a seat yet. A steward creates a code${id === undefined ? '' : ` for ${id}`} in Rollout; start it once with --code.`
		);
	if (id !== undefined && known.seat !== id)
		throw new NotEnrolledError(`The folder ${folder} belongs to ${known.seat}, not to ${id}. Each seat needs a separate folder.`);
	const session = new SeatSession(server, known, asking);
	const updates = new Updates(server, folder, known.application, session);
	return { session, updates, folder: new SeatFolder(folder), application: known.application, restart: [] };
}

/** Somebody at the workstation says what does not work, or with null that it works again; gives what was taken. */
export async function tellTrouble(options: SeatOptions, words: string | null, asking: Asking = USUAL): Promise<string> {
	const { session } = await seatIn(options, asking);
	const answer = await session.ask(`/api/seats/${session.seat}/trouble`, {
		method: 'PUT',
		headers: { 'content-type': 'application/json' },
		body: JSON.stringify({ words })
	});
	if (!answer.ok) throw new AnswerError(saidIn(answer));
	return words === null ? `${session.seat}: no problem is reported any longer` : `${session.seat}: problem reported: ${words}`;
}

/** What a seat has to say of one round, for people. */
export async function round(seat: SeatAtWork): Promise<string> {
	const { seat: id } = seat.session;
	try {
		const { state, release, message, differences, restart } = await followOnce(seat);
		const more = [
			message,
			...differences.map((difference) => `local edit: ${difference}`),
			...(restart.length > 0 ? [`restart required for ${restart.join(', ')}`] : [])
		].filter(Boolean);
		return [`${id}: ${state}, release ${release ?? 'none'}`, ...more].join(', ');
	} catch (error) {
		return `${id}: keeps the current release, ${reason(error as Error)}`;
	}
}

const reason = ({ message, cause }: Error): string =>
	cause instanceof Error && message === 'fetch failed' ? `the server cannot be reached (${cause.message})` : message;

/** Rounds after which a workstation looks again which files its programs find. */
const LOOKS_EVERY = 30;

/** A workstation's stand-in: asks the office again and again, and says what has become otherwise. Ends with its process. */
export async function runSeat(options: SeatOptions, asking: Asking = USUAL): Promise<never> {
	const seat = await seatIn(options, asking);
	let last = '';
	// what stands for the drives and shares of the workstation; without it nothing is said of them
	const drives = join(options.folder, 'drives');
	for (let n = 0; ; n++) {
		if (n % LOOKS_EVERY === 0 && existsSync(drives))
			await tellFiles(seat.session, drives).catch((error: Error) => console.error(`files: ${reason(error)}`));
		const line = await round(seat);
		if (line !== last) console.log((last = line));
		await new Promise((resolve) => setTimeout(resolve, options.every));
	}
}
