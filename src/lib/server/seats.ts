import { and, asc, eq, inArray, or } from 'drizzle-orm';
import { USUAL_DESK, type DeskSetup } from '../../../core/keyboard/desk.ts';
import type { ApplicationId } from '../../../core/application/application.ts';
import {
	seatState,
	type Drift,
	type Manifest,
	type Seat,
	type SeatReport,
	type SeatState
} from '../../../core/release/release.ts';
import type { Database } from './db/open.ts';
import { applications, drifts, releases, reports, searchPaths, seats } from './db/schema.ts';
import { Problem } from './problem.ts';

/** The workstations that follow the office's releases. */
export class Seats {
	readonly #db: Database;

	constructor(db: Database) {
		this.#db = db;
	}

	async list(application: string, now = new Date()): Promise<(Seat & { state: SeatState })[]> {
		const [row] = await this.#db
			.select({ channel: applications.channel })
			.from(applications)
			.where(eq(applications.id, application));
		const rows = await this.#db.select().from(seats).where(eq(seats.application, application)).orderBy(asc(seats.id));
		return rows.map(({ id, note, desk, lastSeen, report, restore }) => {
			const seat = {
				id,
				note,
				desk: desk ?? USUAL_DESK,
				lastSeen: lastSeen && new Date(lastSeen).toISOString(),
				report,
				restore
			};
			return { ...seat, state: seatState(seat, row?.channel ?? null, now.getTime()) };
		});
	}

	/**
	 * What stands on the desks where the application runs: of the seats that follow its releases, and of those that its search
	 * paths name. Seats that know only other applications are none of its business.
	 */
	async desks(application: string): Promise<{ id: string; desk: DeskSetup }[]> {
		const [paths] = await this.#db
			.select({ body: searchPaths.body })
			.from(searchPaths)
			.where(eq(searchPaths.application, application));
		const named = (paths?.body.groups ?? []).flatMap((group) => [...group.seats]);
		const rows = await this.#db
			.select({ id: seats.id, desk: seats.desk })
			.from(seats)
			.where(or(eq(seats.application, application), inArray(seats.id, named)))
			.orderBy(asc(seats.id));
		return rows.map(({ id, desk }) => ({ id, desk: desk ?? USUAL_DESK }));
	}

	/** Throws `Problem` 404 for a seat that is not known. */
	async setDesk(id: string, desk: DeskSetup): Promise<void> {
		await this.#seat(id);
		await this.#db.update(seats).set({ desk }).where(eq(seats.id, id));
	}

	/** Throws `Problem` 409 for an id that is taken. */
	async add(application: string, id: string, note: string, desk?: DeskSetup): Promise<void> {
		const added = await this.#db
			.insert(seats)
			.values({ id, application, note, desk })
			.onConflictDoNothing()
			.returning({ id: seats.id });
		if (added.length === 0) throw new Problem(409, 'taken', `There is a seat ${id} already.`);
	}

	/** Forgets the seat; its workstation is told that it is not known. Throws `Problem` 404. */
	async remove(application: string, id: string): Promise<void> {
		await this.#db.transaction(async (tx) => {
			await tx.delete(reports).where(eq(reports.seat, id));
			await tx.delete(drifts).where(eq(drifts.seat, id));
			const gone = await tx
				.delete(seats)
				.where(and(eq(seats.application, application), eq(seats.id, id)))
				.returning({ id: seats.id });
			if (gone.length === 0) throw new Problem(404, 'not-found', `${application} has no seat ${id}.`);
		});
	}

	async #seat(id: string) {
		const [seat] = await this.#db.select().from(seats).where(eq(seats.id, id));
		if (!seat) throw new Problem(404, 'not-found', `The seat ${id} is not known to this office. Add it in Rollout first.`);
		return seat;
	}

	/** What the seat should have; asking counts as a sign of life. */
	async manifest(id: string, now = new Date()): Promise<Manifest> {
		const seat = await this.#seat(id);
		await this.#db.update(seats).set({ lastSeen: now.toISOString() }).where(eq(seats.id, id));
		const application = seat.application as ApplicationId;
		const [release] = await this.#db
			.select({ number: releases.number, sha256: releases.sha256, bytes: releases.bytes })
			.from(applications)
			.innerJoin(releases, and(eq(releases.application, applications.id), eq(releases.number, applications.channel)))
			.where(eq(applications.id, seat.application));
		return release
			? {
					application,
					release: release.number,
					sha256: release.sha256,
					bytes: release.bytes,
					href: `/api/applications/${application}/releases/${release.number}`,
					restore: seat.restore
				}
			: { application, release: null, sha256: null, bytes: null, href: null, restore: false };
	}

	/** Takes a report; kept in the history when it says something new. An installed release ends a wish to restore. */
	async report(id: string, report: SeatReport, now = new Date()): Promise<void> {
		const seat = await this.#seat(id);
		const at = now.toISOString();
		const restore = seat.restore && report.state !== 'installed';
		await this.#db.transaction(async (tx) => {
			await tx.update(seats).set({ lastSeen: at, report, restore }).where(eq(seats.id, id));
			const before = seat.report;
			const isNews =
				!before || before.release !== report.release || before.state !== report.state || before.sha256 !== report.sha256;
			if (isNews) await tx.insert(reports).values({ seat: id, at, report });
		});
	}

	/** Keeps the file that a seat has found changed by hand. */
	async keepDrift(id: string, drift: Drift): Promise<void> {
		await this.#seat(id);
		await this.#db
			.insert(drifts)
			.values({ seat: id, ...drift })
			.onConflictDoUpdate({ target: drifts.seat, set: drift });
	}

	/** The file of a seat that its last report is about. Throws `Problem` 404 while the seat has not sent it. */
	async drift(id: string): Promise<Drift> {
		const { report } = await this.#seat(id);
		const [kept] = await this.#db.select().from(drifts).where(eq(drifts.seat, id));
		if (report?.state !== 'drifted' || kept?.sha256 !== report.sha256)
			throw new Problem(404, 'not-found', `${id} has not sent a file that was changed by hand.`);
		return { sha256: kept.sha256, text: kept.text };
	}

	/** Asks the seat to lay its release anew over what was changed by hand. */
	async askRestore(id: string): Promise<void> {
		await this.#seat(id);
		await this.#db.update(seats).set({ restore: true }).where(eq(seats.id, id));
	}
}
