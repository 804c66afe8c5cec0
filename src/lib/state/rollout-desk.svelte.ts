import type { DeskSetup } from '$core/keyboard/desk';
import { may, maySettle } from '$core/people/may';
import type { Setup } from '$core/people/setup';
import { EVERYONE, placeOf, type Course, type Ring, type RingId, type RingSeat, type Verdict } from '$core/release/rings';
import type { RolloutState } from '$lib/server/rollouts';
import type { SigningState } from '$lib/server/signing/signing';
import type { Seat, SeatState, Trouble } from '$core/release/release';
import type { ListedSeat } from '$core/release/seats-csv';
import type { StratumId } from '$core/strata/stratum';
import { freeSlug } from '$core/text/slug';
import type { Without } from '$lib/server/setups';
import { ask, told } from './api';
import { Newest } from './newest';
import type { Workspace } from './workspace.svelte';

export type RolloutSeat = Seat & RingSeat;

/** A ring with what its seats have. */
export interface RingView extends Ring {
	readonly place: number;
	/** The release that its seats follow; null for none yet. */
	readonly release: number | null;
	/** Whether the release that is under way has come this far. */
	readonly isReached: boolean;
	readonly counts: Readonly<Partial<Record<SeatState, number>>>;
	readonly seats: number;
}

/** What is told of what a release says to somebody who renews root too late: so many days before its end. */
const SOON = 60 * 24 * 3600_000;

/** Releases on their way to the seats: rings, seats, codes, and the keys that sign. */
export class RolloutDesk {
	seats = $state.raw<readonly RolloutSeat[]>([]);
	rings = $state.raw<readonly Ring[]>([]);
	course = $state.raw<Course | null>(null);
	verdict = $state.raw<Verdict | null>(null);
	/** Null before signing is set up, undefined before it was asked. */
	signing = $state.raw<SigningState | null | undefined>(undefined);
	/** Setups that lack what is required, for who may know. */
	without = $state.raw<readonly Without[]>([]);
	now = $state(Date.now());
	busy = $state(false);
	/** Why the office was not heard the last time. */
	unheard = $state('');
	/** The code that was just made; it is shown this once. */
	code = $state.raw<{ readonly seat: string; readonly code: string; readonly until: string } | undefined>(undefined);
	/** The codes that were just made for several seats. */
	codes = $state.raw<readonly { readonly seat: string; readonly code: string; readonly expiresAt: string }[]>([]);
	/** Why the last act was refused, if it was. */
	failed = $state<string | undefined>(undefined);
	readonly #workspace: Workspace;
	readonly #reading = new Newest();

	constructor(workspace: Workspace) {
		this.#workspace = workspace;
	}

	mayRelease = $derived.by(() => may(this.#workspace.document.me, 'release'));
	maySurvey = $derived.by(() => may(this.#workspace.document.me, 'survey'));
	maySeats = $derived.by(() => may(this.#workspace.document.me, 'seats'));

	/** The rings with what stands in them, the first that gets a release on top. */
	views = $derived.by((): readonly RingView[] =>
		this.rings.map((ring, place) => {
			const mine = this.seats.filter((seat) => placeOf(this.rings, seat.ring) === place);
			const counts: Partial<Record<SeatState, number>> = {};
			for (const { state } of mine) counts[state] = (counts[state] ?? 0) + 1;
			const release = this.course?.follows[ring.id] ?? null;
			return { ...ring, place, release, isReached: place <= (this.course?.reached ?? -1), counts, seats: mine.length };
		})
	);

	/** Until when root holds, if that is soon. */
	rootEnds = $derived.by(() => {
		const expires = this.signing?.roles.find(({ role }) => role === 'root')?.expires;
		return expires !== undefined && Date.parse(expires) - this.now < SOON ? expires : undefined;
	});

	/** The setups that whoever is here can sit down with. */
	setups = $derived.by((): readonly Setup[] => this.#workspace.document.setups);

	/** Where somebody sits with a setup, by the names of the seats. */
	seatsWith({ person, setup }: Without): string[] {
		return this.seats.flatMap(({ id, sitting }) => (sitting?.person === person && sitting.setup === setup ? [id] : []));
	}

	isMine = (seat: RolloutSeat): boolean => seat.sitting?.person === this.#workspace.document.me.id;

	/** Who sits there with which setup, in words; empty for nobody. */
	sitting({ sitting }: RolloutSeat): string {
		if (!sitting) return '';
		const { people, me } = this.#workspace.document;
		const name = sitting.person === me.id ? 'you' : (people[sitting.person] ?? 'somebody');
		const setup = sitting.person === me.id ? this.setups.find(({ id }) => id === sitting.setup)?.name : undefined;
		return setup ? `${name}, with ${setup}` : name;
	}

	/** Reads everything anew. */
	async load(): Promise<void> {
		const { path } = this.#workspace;
		try {
			await this.#reading.of(
				() =>
					Promise.all([
						ask<{ seats: RolloutSeat[] }>(`${path}/seats`),
						ask<RolloutState & { without: Without[] }>(`${path}/rollout`),
						ask<{ signing: SigningState | null }>('/api/signing')
					]),
				([{ seats }, rollout, { signing }]) => {
					[this.seats, this.signing, this.now, this.unheard] = [seats, signing, Date.now(), ''];
					[this.rings, this.course, this.verdict, this.without] = [
						rollout.rings,
						rollout.course,
						rollout.verdict,
						rollout.without
					];
				}
			);
		} catch (error) {
			this.unheard = told(error);
		}
	}

	/** Does it, reads everything anew and says so; whether it was done. */
	async act(done: string, work: () => Promise<unknown>): Promise<boolean> {
		this.busy = true;
		this.failed = undefined;
		try {
			await work();
			await Promise.all([this.#workspace.reload(), this.load()]);
			this.#workspace.notice = { kind: 'done', text: done };
			return true;
		} catch (error) {
			this.failed = told(error);
			this.#workspace.notice = { kind: 'failed', text: this.failed };
			return false;
		} finally {
			this.busy = false;
		}
	}

	publish(notes: string, strata: readonly StratumId[]): Promise<boolean> {
		const { path, revision: base, releases } = this.#workspace;
		const first = this.rings.length > 1 ? `; ${this.rings[0]!.name} gets it first` : '';
		return this.act(`Release ${(releases.at(-1)?.number ?? 0) + 1} published${first}`, () =>
			ask(`${path}/releases`, 'POST', { notes, base, strata })
		);
	}

	backTo(release: number): Promise<boolean> {
		return this.act(`Seats follow release ${release}`, () => ask(`${this.#workspace.path}/channel`, 'PUT', { release }));
	}

	steer(act: 'pause' | 'go on' | 'stop' | 'confirm'): Promise<boolean> {
		const DONE = {
			pause: 'The rollout is paused',
			'go on': 'The rollout continues',
			stop: 'The rollout is stopped',
			confirm: 'The next ring gets the release'
		};
		return this.act(DONE[act], () => ask(`${this.#workspace.path}/rollout`, 'POST', { act }));
	}

	/** Other rings; a new one gets an id of its name. Everyone is always the last. */
	setRings(rings: readonly (Omit<Ring, 'id'> & { readonly id?: RingId | undefined })[]): Promise<boolean> {
		const taken: string[] = [EVERYONE, ...rings.flatMap(({ id }) => id ?? [])];
		const named = rings.map((ring): Ring => {
			const id = ring.id ?? (freeSlug(ring.name, (slug) => taken.includes(slug)).slice(0, 40) as RingId);
			taken.push(id);
			return { id, name: ring.name.trim(), soak: ring.soak, limit: ring.limit };
		});
		return this.act('The rings are saved', () => ask(`${this.#workspace.path}/rollout`, 'PUT', { rings: named }));
	}

	/** Puts a seat into a ring. */
	place(seat: string, ring: RingId): Promise<boolean> {
		const name = this.rings.find(({ id }) => id === ring)?.name ?? ring;
		return this.act(`${seat} is in ${name} now`, () =>
			ask(`/api/seats/${seat}/ring`, 'PUT', { ring: ring === EVERYONE ? null : ring })
		);
	}

	add(id: string, note: string): Promise<boolean> {
		return this.act(`Seat ${id} added`, () => ask(`${this.#workspace.path}/seats`, 'POST', { id, note }));
	}

	/** Adds several seats, all or none, with their codes where releases are signed. */
	addAll(seats: readonly ListedSeat[]): Promise<boolean> {
		const codes = Boolean(this.signing);
		return this.act(`${seats.length === 1 ? `Seat ${seats[0]!.id}` : `${seats.length} seats`} added`, async () => {
			({ codes: this.codes } = await ask<{ codes: RolloutDesk['codes'] }>(`${this.#workspace.path}/seats`, 'POST', {
				seats,
				codes
			}));
		});
	}

	remove(id: string): Promise<boolean> {
		return this.act(`Seat ${id} removed`, () => ask(`${this.#workspace.path}/seats?id=${encodeURIComponent(id)}`, 'DELETE'));
	}

	setDesk(id: string, desk: DeskSetup): Promise<boolean> {
		return this.act(`Equipment of ${id} changed`, () => ask(`/api/seats/${id}/desk`, 'PUT', desk));
	}

	restore(id: string): Promise<boolean> {
		return this.act(`${id} is asked to lay its release anew`, () => ask(`/api/seats/${id}/restore`, 'PUT'));
	}

	/** A code by which a workstation becomes the seat. */
	makeCode(seat: string): Promise<boolean> {
		return this.act(`The code of ${seat} is made. It is shown this once.`, async () => {
			const { code, expiresAt } = await ask<{ code: string; expiresAt: string }>(`/api/seats/${seat}/code`, 'POST');
			this.code = { seat, code, until: expiresAt };
		});
	}

	/** Whoever is here sits down with a setup of theirs; null gets up, or makes somebody get up. */
	sit(seat: string, setup: string | null): Promise<boolean> {
		const name = this.setups.find(({ id }) => id === setup)?.name;
		return this.act(setup === null ? `Nobody sits at ${seat} now` : `You use ${seat} with ${name}`, () =>
			ask(`/api/seats/${seat}/sitting`, 'PUT', { setup })
		);
	}

	/** Says what does not work at a seat with the release that it has. */
	reportTrouble(seat: string, words: string): Promise<boolean> {
		return this.act(`Problem of ${seat} reported. The next ring waits if there are too many problems`, () =>
			ask(`/api/seats/${seat}/trouble`, 'POST', { words })
		);
	}

	settle(seat: string): Promise<boolean> {
		return this.act(`The problem of ${seat} is solved`, () => ask(`/api/seats/${seat}/trouble`, 'DELETE'));
	}

	maySettle = (seat: RolloutSeat): boolean => maySettle(this.#workspace.document.me, seat);

	/** Who has said it, in words. */
	reporter({ by }: Trouble): string {
		const { people, me } = this.#workspace.document;
		if (by === null) return 'reported at the seat';
		return `by ${by === me.id ? 'you' : (people[by] ?? 'somebody')}`;
	}

	/** Makes the keys: one of root for each passphrase. */
	setUp(passphrases: readonly string[], threshold: number, anew = false): Promise<boolean> {
		return this.act('Releases are signed from now on. Store the passphrase with the main signing key.', () =>
			ask('/api/signing', 'POST', { passphrases, threshold, anew })
		);
	}

	/** Another key for a role; root is asked. */
	rotate(role: string, passphrases: readonly string[]): Promise<boolean> {
		return this.act(`${role} has a new signing key`, () => ask('/api/signing', 'PUT', { do: 'rotate', role, passphrases }));
	}

	/** Other root keys, or root for another term. */
	rotateRoot(passphrases: readonly string[], remove: readonly string[], add: readonly string[]): Promise<boolean> {
		const done = add.length + remove.length === 0 ? 'The main signature is renewed' : 'The main signing keys are changed';
		return this.act(done, () => ask('/api/signing', 'PUT', { do: 'root', passphrases, remove, add }));
	}
}
