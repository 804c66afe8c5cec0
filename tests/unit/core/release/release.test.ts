import { expect } from 'chai';
import { USUAL_DESK } from '../../../../core/keyboard/desk.ts';
import { OFFLINE_AFTER, SeatReport, seatState, TroubleWords, type Seat } from '../../../../core/release/release.ts';

const now = Date.parse('2026-03-02T08:00:00Z');
const seat = (over: Partial<Seat>, report: Partial<SeatReport> = {}): Seat => ({
	id: 'C-01',
	note: '',
	site: '',
	desk: USUAL_DESK,
	lastSeen: new Date(now - 1000).toISOString(),
	report: SeatReport.parse({ release: 3, state: 'installed', sha256: 'a'.repeat(64), ...report }),
	trouble: null,
	restore: false,
	ring: null,
	isEnrolled: true,
	sitting: null,
	...over
});

describe('state of a seat', () => {
	it('puts silence before what was said, and what was said before the release', () => {
		expect(seatState(seat({ lastSeen: null, report: null }), 3, now)).to.equal('never');
		expect(seatState(seat({ lastSeen: new Date(now - OFFLINE_AFTER - 1).toISOString() }, { state: 'drifted' }), 3, now)).to.equal(
			'offline'
		);
		expect(seatState(seat({}, { state: 'drifted' }), 3, now)).to.equal('drifted');
		expect(seatState(seat({}, { state: 'refused' }), 3, now)).to.equal('refused');
		expect(seatState(seat({}), 3, now)).to.equal('current');
		expect(seatState(seat({}), 2, now)).to.equal('behind');
	});

	it('is trouble where somebody has reported it of the release that the seat follows, also while the seat is silent', () => {
		const trouble = { release: 3, words: 'Orbit does not answer', at: new Date(now).toISOString(), by: null };
		const silent = { lastSeen: new Date(now - OFFLINE_AFTER - 1).toISOString() };
		expect(seatState(seat({ trouble }), 3, now)).to.equal('troubled');
		expect(seatState(seat({ trouble, ...silent }), 3, now)).to.equal('troubled');
		// another release is followed: it was not about that
		expect(seatState(seat({ trouble }), 4, now)).to.equal('behind');
		expect(seatState(seat({ trouble, ...silent }), 2, now)).to.equal('offline');
		// what the seat itself says comes first
		expect(seatState(seat({ trouble }, { state: 'refused' }), 3, now)).to.equal('refused');
	});

	it('takes trouble in words on one line', () => {
		expect(TroubleWords.parse('  Orbit does not answer 🪛 ')).to.equal('Orbit does not answer 🪛');
		for (const words of ['', '   ', 'x'.repeat(401), 'two\nlines', 'a\u0000b', 'half \ud800'])
			expect(TroubleWords.safeParse(words).success, JSON.stringify(words)).to.equal(false);
	});

	it('takes only sound reports', () => {
		expect(SeatReport.safeParse({ release: -1, state: 'installed', sha256: null }).success).to.equal(false);
		expect(SeatReport.safeParse({ release: 1, state: 'fine', sha256: null }).success).to.equal(false);
		expect(SeatReport.safeParse({ release: 1, state: 'installed', sha256: 'A'.repeat(64) }).success).to.equal(false);
	});
});
