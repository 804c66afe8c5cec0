import { and, asc, eq, inArray, or } from 'drizzle-orm';
import { USUAL_DESK, type DeskSetup } from '../../../core/keyboard/desk.ts';
import type { ApplicationId } from '../../../core/application/application.ts';
import { followedBy, ONE_RING, type RingId, type RingSeat } from '../../../core/release/rings.ts';
import type { CheckIn } from '../../../core/release/updates.ts';
import { digestOf, seatState, SeatReport, type Drift, type Seat, type Trouble } from '../../../core/release/release.ts';
import { CheckIns } from './check-ins.ts';
import type { Database } from './db/open.ts';
import { drifts, reports, rollouts, searchPaths, seats } from './db/schema.ts';
import { Problem } from './problem.ts';
import { SeatReports } from './seat-reports.ts';

/** What a seat is told, what it said last, and what it shows itself by. */
interface Known extends Pick<typeof seats.$inferSelect, 'application' | 'restore' | 'report' | 'key' | 'person' | 'setup'> {
	readonly digest: string | null;
}

/** What seats are told besides what stands in their own rows. */
export interface Told {
	/** The version of the newest signed timestamp; null while nothing is signed. */
	timestamp(): Promise<number | null>;
	/** The version of the file of whoever sits at the seat, made anew if what it is made of has changed; null for nobody. */
	own(seat: string): Promise<number | null>;
}

/** A seat that is to be added. */
export interface NewSeat {
	readonly id: string;
	readonly note: string;
	readonly site?: string | undefined;
	readonly desk?: DeskSetup | undefined;
	/** Null for everyone's. */
	readonly ring?: RingId | null | undefined;
}

/** The workstations that follow the office's releases. */
export class Seats {
	readonly #db: Database;
	readonly #checkIns: CheckIns;
	/** What is known of seats that have asked, and their answers: most that ask are up to date, and get it from here. */
	readonly #known = new Map<string, Known>();
	readonly #answers = new Map<string, string>();
	/** Counts what makes the memory wrong, so that what was read before it is not remembered after it. */
	#changes = 0;

	readonly #reports: SeatReports;
	#told: Told = { timestamp: async () => null, own: async () => null };

	/** `written` is called when reports have been written, with their seats. */
	constructor(db: Database, written: (seats: readonly string[]) => void = () => {}) {
		this.#db = db;
		this.#checkIns = new CheckIns(db);
		this.#reports = new SeatReports(db, written);
	}

	/** Where seats are told of what is signed. */
	tell(told: Told): void {
		this.#told = told;
	}

	/** Seats are to be told anew: another release is followed, or a seat or an application has come, gone or changed. */
	forget(): void {
		this.#changes++;
		this.#known.clear();
		this.#answers.clear();
	}

	/** What is signed has changed, or what files of people are made of: seats are answered anew. */
	forgetAnswers(): void {
		this.#changes++;
		this.#answers.clear();
	}

	/** What people say, or how it lies, has changed: those seats are answered anew at which somebody sits. */
	forgetSitting(): void {
		this.#changes++;
		for (const [id, { person }] of this.#known) if (person !== null) this.#answers.delete(id);
	}

	forgetSeat(id: string): void {
		this.#changes++;
		this.#known.delete(id);
		this.#answers.delete(id);
	}

	/** Writes when seats were heard, before the data folder is closed. */
	async close(): Promise<void> {
		await this.#reports.close();
		await this.#checkIns.close();
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

	async list(application: string, now = new Date()): Promise<(Seat & RingSeat)[]> {
		const [row] = await this.#db.select().from(rollouts).where(eq(rollouts.application, application));
		const [rings, course] = [row?.rings ?? ONE_RING, row?.course ?? null];
		const rows = await this.#db.select().from(seats).where(eq(seats.application, application)).orderBy(asc(seats.id));
		return rows.map((row) => {
			const { id, note, site, desk, lastSeen, report, trouble, restore, ring, key, person, setup } = this.#withPending(row);
			const seat = {
				id,
				note,
				site,
				desk: desk ?? USUAL_DESK,
				lastSeen: this.#checkIns.last(id)?.toISOString() ?? (lastSeen && new Date(lastSeen).toISOString()),
				// one of an earlier version says less
				report: report && SeatReport.parse(report),
				trouble,
				restore,
				ring,
				isEnrolled: key !== null,
				sitting: person !== null && setup !== null ? { person, setup } : null
			};
			return { ...seat, state: seatState(seat, followedBy(rings, course, ring), now.getTime()) };
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
	add(application: string, id: string, note: string, desk?: DeskSetup): Promise<void> {
		return this.#db.transaction((tx) => this.addAll(tx, application, [{ id, note, desk }])).finally(() => this.forget());
	}

	/**
	 * Adds seats, all or none; when the transaction is done, `forget` has to be called. Throws `Problem` 409 for ids that are taken, 422 for
	 * a ring that there is not.
	 */
	async addAll(tx: Pick<Database, 'select' | 'insert'>, application: string, added: readonly NewSeat[]): Promise<void> {
		const [row] = await tx.select().from(rollouts).where(eq(rollouts.application, application));
		const rings = row?.rings ?? ONE_RING;
		for (const [i, { ring }] of added.entries())
			if (ring != null && !rings.some(({ id }) => id === ring))
				throw new Problem(422, 'not-sound', `There is no ring "${ring}"; there are ${rings.map(({ id }) => id).join(', ')}.`, {
					errors: [{ pointer: `/seats/${i}/ring`, detail: 'expected a ring of this program' }]
				});
		const ids = added.map(({ id }) => id);
		const taken = await tx.select({ id: seats.id }).from(seats).where(inArray(seats.id, ids));
		const twice = ids.find((id, i) => ids.indexOf(id) !== i);
		if (twice !== undefined) throw new Problem(409, 'taken', `The seat ${twice} appears twice in the list.`);
		if (taken.length > 0)
			throw new Problem(
				409,
				'taken',
				taken.length === 1
					? `There is already a seat ${taken[0]!.id}.`
					: `id).join(', ')} already. => There are already seats ${taken.map(({ id }) => id).join(', ')}. => id).join(', ')} already.`
			);
		await tx.insert(seats).values(
			added.map(({ id, note, site = '', desk, ring = null }) => ({
				...{ id, application, note, site, desk },
				ring: ring === rings.at(-1)!.id ? null : ring
			}))
		);
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
		this.#reports.forget(id);
		this.#checkIns.forget(id);
		this.forget();
	}

	/** The row as it will be when what the seat has said is written. */
	#withPending<R extends { id: string; report: SeatReport | null; restore: boolean }>(row: R): R {
		const pending = this.#reports.pending(row.id);
		return pending ? { ...row, report: pending.report, restore: row.restore && !pending.isFulfilled } : row;
	}

	async #seat(id: string) {
		const [seat] = await this.#db.select().from(seats).where(eq(seats.id, id));
		if (!seat) throw new Problem(404, 'not-found', `The seat ${id} does not exist. Add it in Rollout first.`);
		return this.#withPending(seat);
	}

	#know(id: string): Promise<Known> {
		return this.#remembered(this.#known, id, async () => {
			const { application, restore, report, key, person, setup } = await this.#seat(id);
			return { application, restore, report, key, person, setup, digest: report && (await digestOf(report)) };
		});
	}

	/** The application that the seat follows. Throws `Problem` 404 for a seat that is not known. */
	async applicationOf(id: string): Promise<string> {
		return (await this.#know(id)).application;
	}

	/** The public half of the seat's own key; null before it has enrolled, and for one that is not known. */
	async keyOf(id: string): Promise<string | null> {
		try {
			return (await this.#know(id)).key;
		} catch (error) {
			if (error instanceof Problem) return null;
			throw error;
		}
	}

	/** The key of a seat that has asked before, without asking the database. */
	knownKey = (id: string): string | null | undefined => this.#known.get(id)?.key;

	/** Who sits there with which setup; null for nobody. Throws `Problem` 404. */
	async sitting(id: string): Promise<{ application: string; person: string; setup: string } | null> {
		const { application, person, setup } = await this.#know(id);
		return person !== null && setup !== null ? { application, person, setup } : null;
	}

	/** Somebody sits down with a setup, or gets up. Throws `Problem` 404. */
	async sit(id: string, sitting: { person: string; setup: string } | null): Promise<void> {
		await this.#seat(id);
		await this.#db
			.update(seats)
			.set({ person: sitting?.person ?? null, setup: sitting?.setup ?? null })
			.where(eq(seats.id, id));
		this.forgetSeat(id);
	}

	/** Whether there is anything new for the seat, as JSON; asking counts as a sign of life. Throws `Problem` 404 for a seat that is not known. */
	async checkIn(id: string, now = new Date()): Promise<string> {
		const answer = await this.#remembered(this.#answers, id, async () => {
			const { application, restore, digest, person } = await this.#know(id);
			const [timestamp, own] = await Promise.all([this.#told.timestamp(), person === null ? null : this.#told.own(id)]);
			const said: CheckIn = { application: application as ApplicationId, timestamp, own, restore, report: digest };
			return JSON.stringify(said);
		});
		this.#checkIns.hear(id, now);
		return answer;
	}

	/** The answer to a seat that was answered before and is to be told the same, without asking anybody. */
	knownCheckIn(id: string, now = Date.now()): string | undefined {
		const answer = this.#answers.get(id);
		if (answer !== undefined) this.#checkIns.hearAgain(id, now);
		return answer;
	}

	/** Takes a report; kept in the history when it says something new. An installed release ends a wish to restore. */
	async report(id: string, report: SeatReport, now = new Date()): Promise<void> {
		const { restore, report: before, digest } = await this.#know(id);
		this.#checkIns.hear(id, now);
		const isNews =
			!before || before.release !== report.release || before.state !== report.state || before.sha256 !== report.sha256;
		const wanted = restore && report.state !== 'installed';
		if (!isNews && wanted === restore && digest === (await digestOf(report))) return;
		const isFulfilled = restore && !wanted;
		this.#reports.take(id, report, { isNews, isFulfilled }, now);
		this.forgetSeat(id);
	}

	/**
	 * Somebody says what does not work at the seat with the release that it has; what was said before goes. Throws `Problem` 409
	 * while the seat has none.
	 */
	async reportTrouble(id: string, words: string, by: string | null, now = new Date()): Promise<Trouble> {
		const { report } = await this.#seat(id);
		const release = report?.release ?? null;
		if (release === null) throw new Problem(409, 'nothing-to-do', `${id} has no release yet, so there is no release to report.`);
		const trouble: Trouble = { release, words, at: now.toISOString(), by };
		await this.#db.update(seats).set({ trouble }).where(eq(seats.id, id));
		return trouble;
	}

	/** What is reported of the seat; null for nothing. Throws `Problem` 404. */
	async trouble(id: string): Promise<Trouble | null> {
		return (await this.#seat(id)).trouble;
	}

	/** The trouble of the seat is settled. */
	async settle(id: string): Promise<void> {
		await this.#db.update(seats).set({ trouble: null }).where(eq(seats.id, id));
	}

	/** Keeps the file that a seat has found changed by hand. */
	async keepDrift(id: string, drift: Drift): Promise<void> {
		await this.#seat(id);
		await this.#db
			.insert(drifts)
			.values({ seat: id, ...drift })
			.onConflictDoUpdate({ target: drifts.seat, set: drift });
	}

	/** The file of a seat that its last report is about, and what was laid there. Throws `Problem` 404 while the seat has not sent it. */
	async drift(id: string): Promise<Drift & { application: string; release: number | null; own: number | null }> {
		const { report, application } = await this.#seat(id);
		const [kept] = await this.#db.select().from(drifts).where(eq(drifts.seat, id));
		if (report?.state !== 'drifted' || kept?.sha256 !== report.sha256)
			throw new Problem(404, 'not-found', `${id} has not sent a file that was edited locally.`);
		return { sha256: kept.sha256, text: kept.text, application, release: report.release, own: report.own };
	}

	/** Asks the seat to lay its release anew over what was edited locally. */
	async askRestore(id: string): Promise<void> {
		await this.#seat(id);
		// a wish that was fulfilled before does not end this one
		await this.#reports.write();
		await this.#db.update(seats).set({ restore: true }).where(eq(seats.id, id));
		this.forgetSeat(id);
	}
}
