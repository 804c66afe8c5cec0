import { readProfileFile, strataInFile } from '../core/hand-over/profile-file.ts';
import { driftOf } from '../core/hand-over/drift.ts';
import '../core/recipe/shapes/all.ts';
import { OPTIONS } from '../core/chapters/options/option.ts';
import { digestOf, MOST_DRIFT, type Drift, type SeatReport } from '../core/release/release.ts';
import { CheckIn } from '../core/release/updates.ts';
import { jsonOf } from './ask.ts';
import { sha256, type SeatFolder } from './folder.ts';
import { saidIn, type SeatSession } from './identity.ts';
import { RefusedError, type Updates, type Wanted } from './updates.ts';

/** A seat at work: what it asks with, what it trusts, and the folder of its program. */
export interface SeatAtWork {
	readonly session: SeatSession;
	readonly updates: Updates;
	readonly folder: SeatFolder;
	readonly application: string;
	/** What the program has not taken up yet; forgotten with the process, as the program is started anew with it. */
	restart: readonly string[];
	/** Why what the office offers is refused, while it is. */
	refused?: string | undefined;
	/** The timestamp up to which everything is done in this process, and whether there was a file. */
	settled?: { readonly timestamp: number | null; readonly hasFile: boolean } | undefined;
}

const MOST_LISTED = 20;

/**
 * One round of a seat: ask whether there is anything new, prove and install what there is, look whether the file was changed by
 * hand, report what differs from what the office knows. A file changed by hand is left alone until something new comes or the
 * office asks to restore it.
 */
export async function followOnce(seat: SeatAtWork, now = new Date()): Promise<SeatReport> {
	const { session, folder } = seat;
	const path = `/api/seats/${session.seat}`;
	const answer = await session.ask(`${path}/check-in`);
	if (!answer.ok) throw new Error(saidIn(answer));
	const said = CheckIn.parse(jsonOf(answer));
	const report = await bringUpToDate(seat, said, now);
	if ((await digestOf(report)) !== said.report) {
		const sent = await session.ask(`${path}/reports`, {
			method: 'POST',
			headers: { 'content-type': 'application/json' },
			body: JSON.stringify(report)
		});
		if (!sent.ok) throw new Error(`the report was answered ${sent.status}: ${saidIn(sent)}`);
	}
	if (report.state === 'drifted' && report.sha256 !== folder.told) await tellDrift(seat);
	return report;
}

/** Sends the file that was edited locally, so that the office sees what differs. */
async function tellDrift({ session, folder }: SeatAtWork): Promise<void> {
	const text = folder.content();
	const digest = folder.digest();
	if (text === undefined || digest === undefined || text.length > MOST_DRIFT) return;
	const { patience } = session;
	const sent = await session.ask(`/api/seats/${session.seat}/drift`, {
		// the file goes out as slowly as an answer may come
		patience: { ...patience, silence: patience.silence + (text.length / patience.slowest) * 1_000 },
		method: 'PUT',
		headers: { 'content-type': 'application/json' },
		body: JSON.stringify({ sha256: digest, text } satisfies Drift)
	});
	if (sent.ok) folder.told = digest;
}

async function bringUpToDate(seat: SeatAtWork, said: CheckIn, now: Date): Promise<SeatReport> {
	const { folder, updates, application } = seat;
	const before = folder.installed();
	const trusted = updates.trusted();
	const isDrifted = before !== undefined && folder.digest() !== before.sha256;
	const isOver = trusted !== undefined && Date.parse(trusted.expires) <= now.getTime();
	// what is over is over, whatever is answered: somebody in between may say that there is nothing new
	const isNews =
		isOver ||
		(said.timestamp !== null &&
			(seat.settled?.timestamp !== said.timestamp ||
				said.own !== (before?.own ?? null) ||
				(before === undefined && seat.settled.hasFile)));
	if (isNews || (isDrifted && said.restore && said.timestamp !== null)) {
		if (said.application !== application)
			return refusedBy(
				seat,
				`this folder belongs to ${application}; the server expects ${said.application}, which needs another folder`
			);
		try {
			const known = (digest: string) => {
				const laid = folder.laid();
				return laid && sha256(laid) === digest ? laid : undefined;
			};
			const wanted = await updates.wanted(said.own, known);
			lay(seat, wanted, isDrifted && said.restore);
			seat.refused = undefined;
			seat.settled = { timestamp: said.timestamp, hasFile: wanted.file !== null };
		} catch (error) {
			// what cannot be reached is asked for again in the next round; that is told where the office still hears it
			return refusedBy(seat, (error as Error).message);
		}
	}
	return reportOf(seat);
}

function refusedBy(seat: SeatAtWork, message: string): SeatReport {
	seat.refused = message.slice(0, 500);
	seat.settled = undefined;
	return reportOf(seat);
}

/** Installs what is wanted if it is another file than what was laid last, or if the file that was edited locally is to go. */
function lay(seat: SeatAtWork, { release, file, own, restart }: Wanted, isRestored: boolean): void {
	const { folder, application } = seat;
	if (!file) return;
	const before = folder.installed();
	const isSame = before?.sha256 === sha256(file);
	if (isSame && before.release === release && before.own === own && !isRestored) return;
	refuseForeign(file, application, release);
	if (isSame && !isRestored && folder.digest() !== before.sha256) {
		// only what it is called has changed: what was edited locally stays
		folder.note({ release, own, application }, before.sha256);
		return;
	}
	const laid = folder.laid();
	if (laid) seat.restart = [...new Set([...seat.restart, ...changedOptions(laid, file, restart)])].slice(0, MOST_LISTED);
	folder.install({ release, own, application }, file);
}

/** Throws `RefusedError` for a file that is no profile file of the application. */
function refuseForeign(file: Uint8Array, application: string, release: number | null): void {
	const what = release === null ? 'the file' : `release ${release}`;
	let found;
	try {
		// a chapter that this seat does not know yet is no fault of the file
		found = readProfileFile(what, Buffer.from(file).toString('utf8')).application.id;
	} catch (error) {
		throw new RefusedError(`${what} is not a profile file: ${(error as Error).message}`);
	}
	if (found !== application) throw new RefusedError(`${what} is of ${found}, not of ${application}`);
}

/** Of these options those of which the two files say something else. */
function changedOptions(before: Uint8Array, after: Uint8Array, paths: readonly string[]): string[] {
	const [former, next] = [before, after].map((bytes) => {
		const said = new Map<string | undefined, string>();
		// what lies higher has the last word
		for (const { contents } of strataInFile('the file', Buffer.from(bytes).toString('utf8'))) {
			const entries = (contents[OPTIONS] ?? new Map()) as ReadonlyMap<string, { op?: string; path?: string; rank?: number }>;
			for (const entry of entries.values()) if (entry.op !== 'lock') said.set(entry.path, JSON.stringify({ ...entry, rank: 0 }));
		}
		return said;
	});
	return paths.filter((path) => former!.get(path) !== next!.get(path));
}

/** What there is to say now. */
function reportOf(seat: SeatAtWork): SeatReport {
	const { folder, updates, restart } = seat;
	const now = folder.installed();
	const digest = folder.digest() ?? null;
	const report = {
		release: now?.release ?? null,
		sha256: digest,
		timestamp: updates.trusted()?.version ?? null,
		own: now?.own ?? null,
		differences: [] as string[],
		restart: [...restart]
	};
	const isDrifted = now !== undefined && digest !== now.sha256;
	if (seat.refused)
		return { ...report, state: 'refused', message: seat.refused, differences: isDrifted ? differences(folder) : [] };
	if (!now) return { ...report, state: 'empty', message: 'no release has been published' };
	if (!isDrifted) return { ...report, state: 'installed', message: '' };
	return {
		...report,
		state: 'drifted',
		message: digest
			? 'interface.json was edited locally'
			: `interface.json is ${folder.hasLink ? 'a link, which is not followed' : 'missing'}`,
		differences: differences(folder)
	};
}

const SIGNS = { added: '+', changed: '≠', removed: '−' } as const;

/** What the file says otherwise than it was laid, entry by entry; nothing where it cannot be read. */
function differences(folder: SeatFolder): string[] {
	const [laid, text] = [folder.laid(), folder.content()];
	if (!laid || text === undefined) return [];
	try {
		const was = strataInFile('the installed files', laid.toString('utf8'));
		const names = { meet: () => true, command: String, option: String, scope: (scope: object) => JSON.stringify(scope) };
		const items = driftOf('interface.json', text, was, names);
		const where = (stratum: string) => (was.length > 1 ? `${stratum}: ` : '');
		return items
			.slice(0, MOST_LISTED)
			.map(({ kind, stratum, about }) => `${SIGNS[kind]} ${where(stratum)}${about}`.slice(0, 200));
	} catch (error) {
		return [`it cannot be read: ${(error as Error).message}`.slice(0, 200)];
	}
}
