import { expect } from 'chai';
import { put } from '../../../../../core/answer/choices.ts';
import { resolve } from '../../../../../core/answer/resolve.ts';
import { drawnOf, shapesHeard } from '../../../../../core/chapters/gestures/flicks.ts';
import { GestureEntry, shapeIn, shapeKeys, shapesOf } from '../../../../../core/chapters/gestures/gesture.ts';
import { kappaFor } from '../../../../../core/chapters/gestures/hands.ts';
import { listeningTo } from '../../../../../core/chapters/gestures/hearing.ts';
import { sampleOf, type Shape } from '../../../../../core/chapters/gestures/shape.ts';
import { inputTold, tellPress } from '../../../../../core/chapters/gestures/tell.ts';
import { lockShape, setRose, setShape, takeShapeAway } from '../../../../../core/chapters/gestures/writing.ts';
import { indexesOf } from '../../../../../core/context/bits.ts';
import type { Scope } from '../../../../../core/context/scope.ts';
import { drawnAgain, kappaOf, USUAL_KAPPA } from '../../../../../core/hand/drawn.ts';
import { flickOf, seeded } from '../../../../../core/hand/simulated.ts';
import { POINTS, templateOf } from '../../../../../core/hand/unistroke.ts';
import { desksOf, USUAL_DESK } from '../../../../../core/keyboard/desk.ts';
import { findingsIn } from '../../../../../core/profile/checkers.ts';
import { circumstancesOf, indexOf } from '../../../../../core/profile/circumstances.ts';
import { applyEdit, type AnyChange } from '../../../../../core/profile/edit.ts';
import { groundFor, problemsOf } from '../../../../../core/profile/problems.ts';
import { ofShortcuts } from '../../../../../core/shortcut/change.ts';
import { stratumById, type Profile, type StratumId } from '../../../../../core/strata/stratum.ts';
import { parseKeys } from '../../../../../core/stroke/stroke.ts';
import { gneiss } from '../../../../../demo/gneiss/gneiss.ts';
import { demoProfile, subjectOf } from '../../../demo-office.ts';
import { MARKS } from '../../../strokes.ts';

const [OFFICE, PERSONAL] = ['office', 'personal'] as StratumId[] as [StratumId, StratumId];
const subject = subjectOf(gneiss);
const { space } = subject;
const bare: Profile = demoProfile(gneiss, 1);
const RIGHT = { button: 'Right', modifiers: [] } as const;
const SKETCH = { document: ['part.sketch'] } as unknown as Scope;
const PART = { document: ['part.solids'] } as unknown as Scope;
type Step = (now: Profile) => readonly AnyChange[];
const edited = (profile: Profile, ...steps: Step[]): Profile => steps.reduce((now, step) => applyEdit(now, step(now)), profile);
const drawings = (name: string, times = 4) => {
	const random = seeded(name.length);
	return Array.from({ length: times }, () => sampleOf(drawnAgain(MARKS[name]!, kappaOf(4), random)));
};
const shape = (id: string, more: Partial<Shape> = {}, by = PERSONAL): Step => {
	const samples = more.samples ?? drawings(id);
	return (now) => setShape(stratumById(now, by), { id, label: id, isEitherWay: false, isTurned: false, ...more, samples });
};
const on =
	(input: string, command: string, scope: Scope = SKETCH, by = PERSONAL): Step =>
	(now) =>
		ofShortcuts(put(now, by, { command: command as never, keys: parseKeys(input), scope }));
const found = (profile: Profile, desks = desksOf([{ id: 'A', desk: USUAL_DESK }])) =>
	findingsIn({ circumstances: circumstancesOf(subject, profile, desks, null), profile, released: undefined }, ['gestures']);
const told = (profile: Profile, rule: string) =>
	found(profile)
		.filter((f) => f.rule === rule)
		.map((f) => f.sentence());
/** Every way out leads to a profile in which it is not found; gives what they are called. */
function mends(profile: Profile, rule: string): string[] {
	const finding = found(profile).find((f) => f.rule === rule)!;
	const fixes = finding.fixes({ profile, target: PERSONAL });
	for (const { changes, label } of fixes)
		expect(
			found(applyEdit(profile, changes)).map(({ id }) => id),
			label
		).not.to.include(finding.id);
	return fixes.map(({ label }) => label);
}
const sketching = indexesOf(space.bitsOf(SKETCH))[0]!;
const solids = indexesOf(space.bitsOf(PART))[0]!;
const CIRCLE = parseKeys('RightShape-circle');

describe('Drawn shapes', () => {
	it('are inputs like all others: what lies on one runs where it holds, and a stratum above says otherwise', () => {
		const profile = edited(
			bare,
			shape('circle', {}, OFFICE),
			on('RightShape-circle', 'sketch.circle', SKETCH, OFFICE),
			on('RightShape-circle', 'sketch.arc', PART)
		);
		const index = indexOf(subject, profile);
		const ran = (situation: number) => {
			const outcome = resolve(index, CIRCLE, situation);
			return outcome.kind === 'fires' ? outcome.winner.command : outcome.kind;
		};
		expect(ran(sketching)).to.equal('sketch.circle');
		expect(ran(solids)).not.to.equal('sketch.circle');
		expect(shapeIn(CIRCLE)).to.deep.equal({ ...RIGHT, shape: 'circle' });
		expect(shapeKeys(RIGHT, 'circle')).to.equal(CIRCLE);
		expect(shapeIn(parseKeys('F'))).to.equal(undefined);
	});

	it('without a drawing are heard nowhere and wait, told with the shapes that run nothing', () => {
		const profile = edited(bare, on('RightShape-circle', 'sketch.circle'), shape('zed'));
		expect(resolve(indexOf(subject, profile), CIRCLE, sketching).kind).to.equal('nothing');
		expect(told(profile, 'unknown')).to.deep.equal([
			'Circle is assigned to the shape circle, which has no drawing. zed runs nothing.'
		]);
		expect(mends(profile, 'unknown')).to.deep.equal(['Draw zed for Circle']);
		expect(told(edited(profile, shape('circle')), 'unknown')).to.deep.equal([]);
	});

	it('that are gone leave what ran by them waiting, and come back whole', () => {
		const before = edited(bare, shape('circle', {}, OFFICE), on('RightShape-circle', 'sketch.circle'));
		const gone = edited(before, (now) => takeShapeAway(now, PERSONAL, 'circle'));
		expect(shapesOf(gone)).to.deep.equal([]);
		expect(told(gone, 'unknown')).to.have.length(1);
		const back = edited(gone, (now) => {
			const stratum = stratumById(now, PERSONAL);
			return setShape(stratum, shapesOf(before)[0]!.entry);
		});
		expect(shapesOf(back)[0]!.entry.samples).to.deep.equal(shapesOf(before)[0]!.entry.samples);
	});

	it('that a stratum has locked are changed by none above it, and the check says so', () => {
		const locked = edited(bare, shape('circle', {}, OFFICE), (now) => lockShape(stratumById(now, OFFICE), 'circle', true));
		const changes = shape('circle', { label: 'Round' })(locked);
		const problems = problemsOf(changes, groundFor(subject, locked, changes));
		expect(problems.map(({ message }) => message)).to.deep.equal([
			`${stratumById(locked, OFFICE).name} has locked the gesture shape circle; ${stratumById(locked, PERSONAL).name} cannot change it`
		]);
		const [idle] = told(applyEdit(locked, changes), 'idle');
		expect(idle).to.match(/changes the shape circle without effect: .* has locked it\.$/);
		expect(mends(applyEdit(locked, changes), 'idle')).to.have.length(1);
	});

	it('are refused with what is wrong: one point, no size, no number, too many points, no drawing, too many', () => {
		const entry = (samples: unknown) => ({ op: 'set', kind: 'shape', id: 'a', label: 'A', samples, rank: 0 });
		const why = (samples: unknown) => {
			const read = GestureEntry.safeParse(entry(samples));
			return read.success ? undefined : read.error.issues.map(({ path, message }) => `${path.join('.')} ${message}`).join('; ');
		};
		expect(why([[0, 0, 10, 10]])).to.equal(undefined);
		expect(why([[0, 0]])).to.equal('samples.0 has fewer than two points');
		expect(why([[5, 5, 5, 5]])).to.include('samples.0 has no size');
		expect(why([[0, 0, 10]])).to.include('an x without a y');
		expect(why([[0, 0, Number.NaN, 1]])).to.include('samples.0.2');
		expect(why([Array.from({ length: 130 }, (_, i) => i)])).to.include('more than 64 points');
		expect(why([])).to.include('has no sample');
		expect(why(Array.from({ length: 13 }, () => [0, 0, 10, 10]))).to.include('samples');
		expect(GestureEntry.safeParse({ ...entry([[0, 0, 1, 1]]), id: 'Not this' }).success).to.equal(false);
	});

	it('are kept from their upper left corner, with no more points than are looked at, and stay as they are kept', () => {
		const fine = Array.from({ length: 5_000 }, (_, i) => [200 + 50 * Math.cos(i / 900), 300 + 50 * Math.sin(i / 900)]).flat();
		const kept = sampleOf(fine);
		expect(kept).to.have.length(2 * POINTS);
		expect(Math.min(...kept)).to.equal(0);
		expect(sampleOf(kept)).to.deep.equal(kept);
		expect(() => sampleOf([1, 2])).to.throw(RangeError, 'fewer than two points');
	});
});

describe('Shapes that are taken for each other', () => {
	const alike = edited(
		bare,
		shape('tick'),
		shape('cup', { samples: drawings('tick').map((path) => path.map((v, i) => (i % 2 === 0 ? v * 1.08 : v))) }),
		on('RightShape-tick', 'sketch.circle'),
		on('RightShape-cup', 'sketch.arc')
	);

	it('are told with both rates, once, and the ways out remove it', () => {
		const [sentence, ...more] = told(alike, 'alike');
		expect(more).to.deep.equal([]);
		expect(sentence).to.match(
			/^(tick|cup) for (Circle|Arc by three points) is recognised as (tick|cup), .*, in \d+ % of drawings/
		);
		expect(mends(alike, 'alike')).to.include('Draw tick with Ctrl+Right');
	});

	it('are none where both run the same, or are never heard in one place, or with another trigger', () => {
		const none = (...steps: Step[]) =>
			expect(told(edited(bare, shape('tick'), shape('cup'), ...steps), 'alike')).to.deep.equal([]);
		none(on('RightShape-tick', 'sketch.circle'), on('RightShape-cup', 'sketch.circle'));
		none(on('RightShape-tick', 'sketch.circle'), on('RightShape-cup', 'solid.shell', PART));
		none(on('RightShape-tick', 'sketch.circle'), on('Ctrl+RightShape-cup', 'sketch.arc'));
	});

	it('may be told apart by how they may be drawn: one that counts from either end no more', () => {
		const zed = MARKS['zed']!;
		const reversed = Array.from({ length: zed.length / 2 }, (_, i) => [zed.at(-2 - 2 * i)!, zed.at(-1 - 2 * i)!]).flat();
		const profile = edited(
			bare,
			shape('zed', { isEitherWay: true }),
			shape('back', { samples: [sampleOf(reversed)] }),
			on('RightShape-zed', 'sketch.circle'),
			on('RightShape-back', 'sketch.arc')
		);
		expect(told(profile, 'alike')).to.have.length(1);
		expect(mends(profile, 'alike')).to.include('Recognise zed only as drawn');
	});

	it('are looked at with the least steady hand that was tested', () => {
		const hand = (kappa: number) => {
			const random = seeded(kappa);
			return Array.from({ length: 40 }, (_, i) => flickOf({ kappa }, (i % 8) * 45, random));
		};
		expect(kappaFor(desksOf([{ id: 'A', desk: USUAL_DESK }]))).to.equal(USUAL_KAPPA);
		const desks = desksOf([
			{ id: 'A', desk: { ...USUAL_DESK, hand: hand(100) } },
			{ id: 'B', desk: { ...USUAL_DESK, hand: hand(12) } }
		]);
		expect(kappaFor(desks)).to.be.within(7, 20);
	});

	it('has a drawing that is of another shape told, and left out', () => {
		const mixed = edited(bare, shape('ell', { samples: [...drawings('ell'), sampleOf(MARKS['circle']!)] }));
		expect(told(mixed, 'stranger')[0]).to.match(/^Drawing 5 of ell is unlike the others/);
		expect(mends(mixed, 'stranger')).to.deep.equal(['Remove drawing 5']);
		const straight = edited(bare, shape('line', { samples: [[0, 0, 60, 3, 120, 0]] }));
		expect(told(straight, 'stranger')[0]).to.match(/^The drawing of line is almost a straight line/);
	});
});

describe('Telling a drawn shape', () => {
	const rules = { slop: 6, hold: 450, flickWithin: 250 };
	const shapes = ['circle', 'zed', 'hook'].map((name) => templateOf(name, [MARKS[name]!]));
	const rose = { directions: 4, turn: 0 };
	const press = (path: readonly number[], ms = 900, isShown = false) =>
		tellPress({ dx: path.at(-2)! - path[0]!, dy: path.at(-1)! - path[1]!, ms, path, isShown }, rules, { rose, shapes });

	it('from a flick by its bend, however long it took, with the second best', () => {
		const { motion, shape: which, trace } = press(drawnAgain(MARKS['zed']!, kappaOf(6), seeded(1)));
		expect([motion, which]).to.deep.equal(['Shape', 'zed']);
		expect(trace).to.match(/^\d+ px in 900 ms, bent: zed, \d+° off; (hook|circle) was next with \d+°\.$/);
		expect(press([0, 0, 40, 2, 80, 0], 100).motion).to.equal('Flick');
		expect(press([0, 0, 40, 2, 80, 0], 900).motion).to.equal('Drag');
	});

	it('also where it ends where it began, but not from the shaking of a click', () => {
		expect(press(MARKS['circle']!).shape).to.equal('circle');
		expect(press([0, 0, 3, 2, -2, 3, 1, 0]).motion).to.equal('Hold');
	});

	it('is nothing where it is like none, and a flick where the rose was shown', () => {
		const told = press(MARKS['spiral']!);
		expect(told.motion).to.equal(undefined);
		expect(told.trace).to.include('no shape matches');
		expect(inputTold(RIGHT, told)).to.equal(undefined);
		expect(press(MARKS['hook']!, 900, true).motion).to.equal('Flick');
		expect(inputTold(RIGHT, press(MARKS['hook']!))).to.equal('RightShape-hook');
	});

	it('looks only at shapes that something is heard on there', () => {
		const profile = edited(
			bare,
			shape('circle'),
			shape('zed'),
			on('RightShape-circle', 'sketch.circle'),
			on('RightShape-zed', 'solid.shell', PART),
			on('RightShape-hook', 'sketch.arc'),
			(now) => setRose(stratumById(now, PERSONAL), { ...RIGHT, scope: PART, directions: 4, turn: 0 })
		);
		const index = indexOf(subject, profile);
		expect(drawnOf(index)).to.have.length(3);
		expect(shapesHeard(index, RIGHT, sketching)).to.deep.equal(['circle']);
		expect(shapesHeard(index, { button: 'Right', modifiers: ['Ctrl'] }, sketching)).to.deep.equal([]);
		const heard = listeningTo(profile, index, RIGHT, solids);
		expect([heard.rose?.directions, heard.shapes?.map((t) => t.shape)]).to.deep.equal([4, ['zed']]);
	});

	it('finds in a drag that has its trigger one that follows the pointer no more', () => {
		const profile = edited(bare, shape('circle'), on('MiddleShape-circle', 'sketch.circle'));
		expect(told(profile, 'drag').some((sentence) => /Orbit is dragged with Middle, where drawn shapes/.test(sentence))).to.equal(
			true
		);
		expect(mends(profile, 'drag').length).to.be.above(0);
	});
});
