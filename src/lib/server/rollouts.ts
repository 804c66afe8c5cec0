import { eq } from 'drizzle-orm';
import {
	advanced,
	backTo,
	begin,
	judged,
	ONE_RING,
	rearranged,
	type Course,
	type Ring,
	type RingId,
	type Verdict
} from '../../../core/release/rings.ts';
import type { Database } from './db/open.ts';
import { applications, rollouts, seats as table } from './db/schema.ts';
import type { Turns } from './db/turns.ts';
import { Problem } from './problem.ts';
import type { NewSeat, Seats } from './seats.ts';
import type { RowTransaction } from './db/database.ts';
import type { Signing } from './signing/signing.ts';

/** The rings of an application, how far its latest release has come, and what it waits for. */
export interface RolloutState {
	readonly rings: readonly Ring[];
	readonly course: Course | null;
	/** Null while there is no release under way. */
	readonly verdict: Verdict | null;
}

/** How often a course that is under way is looked at, in milliseconds. */
const LOOK = 1_000;

/** Brings releases from ring to ring. Whatever changes what a ring follows is signed before a seat hears of it. */
export class Rollouts {
	readonly #db: Database;
	readonly #turns: Turns;
	readonly #seats: Seats;
	readonly #signing: Signing;
	readonly #moved: (application: string) => void;
	#timer: ReturnType<typeof setInterval> | undefined;

	/** `moved` is called when seats are to follow another release. */
	constructor(db: Database, turns: Turns, seats: Seats, signing: Signing, moved: (application: string) => void = () => {}) {
		this.#db = db;
		this.#turns = turns;
		this.#seats = seats;
		this.#signing = signing;
		this.#moved = moved;
	}

	async #row(application: string): Promise<{ rings: readonly Ring[]; course: Course | null }> {
		const [row] = await this.#db.select().from(rollouts).where(eq(rollouts.application, application));
		return { rings: row?.rings ?? ONE_RING, course: row?.course ?? null };
	}

	async state(application: string, now = new Date()): Promise<RolloutState> {
		const { rings, course } = await this.#row(application);
		const verdict = course && judged(rings, course, await this.#seats.list(application, now), now);
		return { rings, course, verdict };
	}

	/** Writes what the work makes of the rings and the course, one after the other, and signs it in the same transaction, after what comes `first`. */
	async #change(
		application: string,
		work: (state: RolloutState) => { rings?: readonly Ring[]; course?: Course | null } | undefined,
		now: Date,
		first: (tx: RowTransaction) => Promise<void> = async () => {}
	): Promise<boolean> {
		const isDone = await this.#turns.take(`rollout ${application}`, async () => {
			const state = await this.state(application, now);
			const next = work(state);
			if (!next) return false;
			const rings = next.rings ?? state.rings;
			const course = next.course === undefined ? state.course : next.course;
			await this.#signing.signing(async (tx) => {
				await first(tx);
				await tx
					.insert(rollouts)
					.values({ application, rings, course })
					.onConflictDoUpdate({ target: rollouts.application, set: { rings, course } });
				await tx
					.update(applications)
					.set({ channel: course?.release ?? null })
					.where(eq(applications.id, application));
			}, now);
			return true;
		});
		if (isDone) {
			this.#seats.forget();
			this.#moved(application);
		}
		return isDone;
	}

	/** Publishes a release, which `write` keeps: the first ring gets it. All of it happens, signature included, or nothing. */
	async begin(
		application: string,
		release: number,
		write: (tx: RowTransaction) => Promise<void> = async () => {},
		now = new Date()
	): Promise<void> {
		await this.#change(application, ({ rings, course }) => ({ course: begin(rings, course, release, now) }), now, write);
	}

	/** Everyone goes back, or forward, to a release at once; what is signed of it is new. */
	async backTo(application: string, release: number, now = new Date()): Promise<void> {
		await this.#change(application, ({ rings }) => ({ course: backTo(rings, release, now) }), now);
	}

	async setRings(application: string, rings: readonly Ring[], now = new Date()): Promise<void> {
		await this.#change(application, ({ course }) => ({ rings, course: rearranged(rings, course) }), now);
	}

	/** Gives a release to the next ring although the one that has it has no seats that could have tried it. Throws `Problem` 409. */
	async confirmUntested(application: string, now = new Date()): Promise<void> {
		await this.#change(
			application,
			({ rings, course, verdict }) => {
				if (!course || verdict?.waits !== 'untested')
					throw new Problem(409, 'nothing-to-do', verdict?.why ?? 'Nothing has been published yet.');
				return { course: advanced(rings, course, now) };
			},
			now
		);
	}

	/** Pauses a course, goes on with one that is paused or stopped, or stops it. Throws `Problem` 409 where there is nothing to do so. */
	async steer(application: string, act: 'pause' | 'go on' | 'stop', now = new Date()): Promise<void> {
		const FROM = { pause: ['running'], 'go on': ['paused', 'stopped'], stop: ['running', 'paused'] } as const;
		const TO = { pause: 'paused', 'go on': 'running', stop: 'stopped' } as const;
		await this.#change(
			application,
			({ course }) => {
				if (!course || !(FROM[act] as readonly string[]).includes(course.state))
					throw new Problem(
						409,
						'nothing-to-do',
						course
							? `Release ${course.release} is ${course.state}; there is nothing to ${act === 'go on' ? 'go on with' : act}.`
							: 'Nothing has been published yet.'
					);
				return { course: { ...course, state: TO[act] } };
			},
			now
		);
	}

	/** Puts a seat into a ring; null is everyone's. Throws `Problem` 404 or 422. */
	async place(seat: string, ring: RingId | null, now = new Date()): Promise<string> {
		const application = await this.#seats.applicationOf(seat);
		const { rings } = await this.#row(application);
		if (ring !== null && !rings.some(({ id }) => id === ring))
			throw new Problem(422, 'not-sound', `There is no ring "${ring}"; there are ${rings.map(({ id }) => id).join(', ')}.`);
		await this.#signing.signing(async (tx) => {
			await tx
				.update(table)
				.set({ ring: ring === rings.at(-1)!.id ? null : ring })
				.where(eq(table.id, seat));
		}, now);
		this.#seats.forget();
		this.#moved(application);
		return application;
	}

	/** Adds seats with their rings, all or none, and signs that in the same transaction. Throws as `Seats.addAll`. */
	async addSeats(application: string, seats: readonly NewSeat[], now = new Date()): Promise<void> {
		await this.#signing.signing((tx) => this.#seats.addAll(tx, application, seats), now);
		this.#seats.forget();
		this.#moved(application);
	}

	/** Gives the release to the next ring wherever nothing stands against it. */
	async look(now = new Date()): Promise<void> {
		const under = await this.#db.select({ application: rollouts.application, course: rollouts.course }).from(rollouts);
		for (const { application, course } of under)
			if (course?.state === 'running')
				await this.#change(
					application,
					({ rings, course: at, verdict }) =>
						at?.state === 'running' && verdict?.waits === null ? { course: advanced(rings, at, now) } : undefined,
					now
				);
	}

	/** Looks by itself from now on, and keeps what is signed from growing old. */
	start(): void {
		let isLooking = false;
		this.#timer = setInterval(() => {
			if (isLooking) return;
			isLooking = true;
			void this.look()
				.then(() => this.#signing.renew())
				.catch((error: Error) => console.error(`Rollout: ${error.message}`))
				.finally(() => (isLooking = false));
		}, LOOK);
		this.#timer.unref();
	}

	stop(): void {
		clearInterval(this.#timer);
	}
}
