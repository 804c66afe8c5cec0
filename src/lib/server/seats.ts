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
import { CheckIns } from './check-ins.ts';
import type { Database } from './db/open.ts';
import { applications, drifts, releases, reports, searchPaths, seats } from './db/schema.ts';
import { Problem } from './problem.ts';

/** What a seat is told, and what it said last. */
type Known = Pick<typeof seats.$inferSelect, 'application' | 'restore' | 'report'>;
type Followed = Pick<Manifest, 'release' | 'sha256' | 'bytes'>;

/** The workstations that follow the office's releases. */
export class Seats {
	readonly #db: Database;
	readonly #checkIns: CheckIns;
	/** What is known of seats that have asked, and what their applications follow: most that ask are up to date, and get it from here. */
	readonly #known = new Map<string, Known>();
	readonly #followed = new Map<string, Followed>();
	/** Counts what makes the memory wrong, so that what was read before it is not remembered after it. */
	#changes = 0;

	constructor(db: Database) {
		this.#db = db;
		this.#checkIns = new CheckIns(db);
	}

	/** Seats are to be told anew: another release is followed, or a seat or an application has come, gone or changed. */
	forget(): void {
		this.#changes++;
		this.#known.clear();
		this.#followed.clear();
	}

	#forgetSeat(id: string): void {
		this.#changes++;
		this.#known.delete(id);
	}

	/** Writes when seats were heard, before the data folder is closed. */
	close(): Promise<void> {
		return this.#checkIns.close();
	}

	/** What the map holds, or what is read now, remembered unless something has changed meanwhile. */
	async #remembered<V>(memory: Map<string, V>, key: string, read: () => Promise<V>): Promise<V> {
		const held = memory.get(key);
		if (held !== undefined) return held;
		const before = this.#changes;
		const value = await read();
		if (before === this.#changes) memory.set(key, value);
		return value;
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
				lastSeen: this.#checkIns.last(id)?.toISOString() ?? (lastSeen && new Date(lastSeen).toISOString()),
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
		this.forget();
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
		this.#checkIns.forget(id);
		this.forget();
	}

	async #seat(id: string) {
		const [seat] = await this.#db.select().from(seats).where(eq(seats.id, id));
		if (!seat) throw new Problem(404, 'not-found', `The seat ${id} is not known to this office. Add it in Rollout first.`);
		return seat;
	}

	/** What the seat should have; asking counts as a sign of life. Throws `Problem` 404 for a seat that is not known. */
	async manifest(id: string, now = new Date()): Promise<Manifest> {
		const { application, restore } = await this.#remembered(this.#known, id, () => this.#seat(id));
		const followed = await this.#remembered(this.#followed, application, () => this.#followedBy(application));
		this.#checkIns.hear(id, now);
		const { release, sha256, bytes } = followed;
		const href = release === null ? null : `/api/applications/${application}/releases/${release}`;
		return { application: application as ApplicationId, release, sha256, bytes, href, restore: release !== null && restore };
	}

	async #followedBy(application: string): Promise<Followed> {
		const [row] = await this.#db
			.select({ release: releases.number, sha256: releases.sha256, bytes: releases.bytes })
			.from(applications)
			.innerJoin(releases, and(eq(releases.application, applications.id), eq(releases.number, applications.channel)))
			.where(eq(applications.id, application));
		return row ?? { release: null, sha256: null, bytes: null };
	}

	/** Takes a report; kept in the history when it says something new. An installed release ends a wish to restore. */
	async report(id: string, report: SeatReport, now = new Date()): Promise<void> {
		const { restore, report: before } = await this.#remembered(this.#known, id, () => this.#seat(id));
		this.#checkIns.hear(id, now);
		const isNews =
			!before || before.release !== report.release || before.state !== report.state || before.sha256 !== report.sha256;
		const wanted = restore && report.state !== 'installed';
		if (!isNews && wanted === restore && before.message === report.message) return;
		await this.#db.transaction(async (tx) => {
			// a wish that has come meanwhile stays
			const fulfilled = restore && !wanted ? { restore: false } : {};
			await tx
				.update(seats)
				.set({ report, ...fulfilled })
				.where(eq(seats.id, id));
			if (isNews) await tx.insert(reports).values({ seat: id, at: now.toISOString(), report });
		});
		this.#forgetSeat(id);
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
		this.#forgetSeat(id);
	}
}
