import { expect } from 'chai';
import fc from 'fast-check';
import { SeatReport, type SeatState } from '../../../../core/release/release.ts';
import {
	advanced,
	backTo,
	begin,
	EVERYONE,
	followedBy,
	judged,
	minutes,
	ONE_RING,
	placeOf,
	rearranged,
	Rings,
	type Course,
	type Ring,
	type RingId,
	type RingSeat
} from '../../../../core/release/rings.ts';
import { releaseFor } from '../../../../core/release/updates.ts';

const at = new Date('2026-11-28T08:00:00Z');
const after = (count: number) => new Date(at.getTime() + count * 60_000);
const ring = (id: string, soak = 0, limit = 0): Ring => ({
	id: id as RingId,
	name: id[0]!.toUpperCase() + id.slice(1),
	soak,
	limit
});
const three = [ring('pilot', 30), ring('teams', 60, 20), ring(EVERYONE)];
const seat = (id: string, of: string | null, state: SeatState, message = ''): RingSeat => ({
	id,
	ring: of as RingId | null,
	state,
	trouble: null,
	report: SeatReport.parse({ release: 1, state: 'installed', sha256: null, message })
});

describe('rings', () => {
	it('let a release reach the pilot seats first, then one ring after the other', () => {
		const first = begin(three, null, 4, at);
		expect([first.follows, first.reached, first.state]).to.deep.equal([{ pilot: 4 }, 0, 'running']);
		const second = advanced(three, first, after(31));
		const all = advanced(three, second, after(92));
		expect([all.follows, all.state]).to.deep.equal([{ pilot: 4, teams: 4, everyone: 4 }, 'done']);
		expect(begin(three, all, 5, at).follows).to.deep.equal({ pilot: 5, teams: 4, everyone: 4 });
		expect(() => advanced(three, all, at)).to.throw(RangeError);
	});

	it('wait while the release soaks, while seats have not got it, and while too many are in trouble; and say why', () => {
		const course = begin(three, null, 4, at);
		const good = [seat('C-01', 'pilot', 'current'), seat('C-02', 'pilot', 'current'), seat('C-03', null, 'current')];
		const soaking = judged(three, course, good, after(29));
		expect([soaking.waits, soaking.until]).to.deep.equal(['soak', after(30).toISOString()]);
		expect(judged(three, course, good, after(30)).waits).to.equal(null);
		expect(judged(three, course, [seat('C-01', 'pilot', 'behind'), good[1]!], after(99))).to.include({ waits: 'seats' });
		expect(judged(three, course, [seat('C-01', 'pilot', 'offline')], after(99))).to.include({ waits: 'seats' });
		const refused = judged(three, course, [seat('C-01', 'pilot', 'refused', 'is of another program'), good[1]!], after(99));
		expect(refused.waits).to.equal('trouble');
		expect(refused.why).to.include('1 of 2 seats').and.include('C-01 refuses it: is of another program').and.include('0 %');
		expect(refused.troubled).to.deep.equal(['C-01']);
	});

	it('wait for what people report at seats, in their words', () => {
		const course = begin(three, null, 4, at);
		const trouble = { release: 4, words: 'Orbit does not answer', at: at.toISOString(), by: 'anna' };
		const told: RingSeat = { ...seat('C-01', 'pilot', 'troubled'), trouble };
		const verdict = judged(three, course, [told, seat('C-02', 'pilot', 'current')], after(99));
		expect([verdict.waits, verdict.troubled]).to.deep.equal(['trouble', ['C-01']]);
		expect(verdict.why).to.include('C-01 reports a problem: Orbit does not answer');
	});

	it('count trouble against the limit of the ring, in all rings that have the release', () => {
		const course = advanced(three, begin(three, null, 4, at), at);
		const seats = (bad: number, of: number) =>
			Array.from({ length: of }, (_, i) => seat(`T-${i}`, i < 2 ? 'pilot' : 'teams', i < bad ? 'drifted' : 'current'));
		expect(judged(three, course, seats(2, 10), after(99)).waits).to.equal(null);
		expect(judged(three, course, seats(3, 10), after(99)).waits).to.equal('trouble');
		// those that do not have it yet are none of its business
		expect(judged(three, course, [...seats(0, 4), seat('X-01', null, 'refused')], after(99)).waits).to.equal(null);
	});

	it('without seats count as untested: the next one waits until somebody confirms', () => {
		const verdict = judged(three, begin(three, null, 4, at), [seat('C-01', null, 'current')], after(999));
		expect(verdict.waits).to.equal('untested');
		expect(verdict.why).to.include('Pilot has no seats').and.include('release 4');
		const course = advanced(three, begin(three, null, 4, at), at);
		expect(judged(three, course, [seat('C-01', 'pilot', 'current')], after(999)).waits, 'the second is empty').to.equal(
			'untested'
		);
	});

	it('stay as they are while paused or stopped, whatever the seats say', () => {
		const course = begin(three, null, 4, at);
		for (const state of ['paused', 'stopped', 'done'] as const)
			expect(judged(three, { ...course, state }, [], after(999)).waits).to.equal(state);
	});

	it('bring everyone back at once', () => {
		const course = backTo(three, 2, at);
		expect(course.follows).to.deep.equal({ pilot: 2, teams: 2, everyone: 2 });
		expect(course.state).to.equal('done');
	});

	it('are several with different names, the last one everyone', () => {
		expect(Rings.safeParse(three).success).to.equal(true);
		for (const bad of [[], [ring('pilot')], [ring(EVERYONE), ring('pilot')], [ring('a'), ring('a'), ring(EVERYONE)]])
			expect(Rings.safeParse(bad).success).to.equal(false);
		expect(Rings.safeParse([{ ...ring(EVERYONE), limit: 101 }]).success).to.equal(false);
		expect(minutes(1) + minutes(30) + minutes(180) + minutes(4320)).to.equal('a minute30 min3 h3 days');
	});

	it('keep what each follows when they are arranged anew; a new one follows what everyone does', () => {
		fc.assert(
			fc.property(
				fc.subarray(['a', 'b', 'c'], { minLength: 0 }),
				fc.shuffledSubarray(['a', 'b', 'c', 'd']),
				fc.integer({ min: 0, max: 3 }),
				(before, next, steps) => {
					const rings = [...before.map((id) => ring(id)), ring(EVERYONE)];
					let course: Course = begin(rings, backTo(rings, 1, at), 2, at);
					for (let i = 0; i < Math.min(steps, rings.length - 1); i++) course = advanced(rings, course, at);
					const other = [...next.map((id) => ring(id)), ring(EVERYONE)];
					const moved = rearranged(other, course)!;
					other.forEach(({ id }, place) => {
						const was = course.follows[id] ?? course.follows[EVERYONE]!;
						// only the first ring may get what is under way by it
						if (place > 0) expect(moved.follows[id]).to.equal(was);
						else expect([was, 2]).to.include(moved.follows[id]);
					});
					// what is reached has the release; it goes on from there to the end
					for (let place = 0; place <= moved.reached; place++) expect(moved.follows[other[place]!.id]).to.equal(2);
					let end = moved;
					while (end.reached < other.length - 1) end = advanced(other, end, at);
					expect(Object.values(end.follows).every((release) => release === 2)).to.equal(true);
				}
			)
		);
	});

	it('tell a seat what a signed file of the same rings tells it', () => {
		const course = advanced(three, begin(three, backTo(three, 1, at), 2, at), at);
		const seats = { 'C-01': 'pilot', 'C-02': 'teams', 'C-03': 'gone' } as unknown as Record<string, RingId>;
		const rings = three.map(({ id, name }) => ({ id, name, release: course.follows[id] ?? null }));
		for (const id of ['C-01', 'C-02', 'C-03', 'C-04'])
			expect(releaseFor({ rings, seats }, id)).to.equal(followedBy(three, course, seats[id] ?? null));
		expect(placeOf(ONE_RING, null)).to.equal(0);
		expect(followedBy(ONE_RING, null, null)).to.equal(null);
	});
});
