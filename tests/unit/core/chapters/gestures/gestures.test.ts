import { expect } from 'chai';
import fc from 'fast-check';
import {
	GestureEntry,
	directionsOf,
	flickedInto,
	flickIn,
	flickKeys,
	roseThing
} from '../../../../../core/chapters/gestures/gesture.ts';
import { roseIn, whereFlicked } from '../../../../../core/chapters/gestures/hearing.ts';
import { lockRose, setRose, takeRoseAway } from '../../../../../core/chapters/gestures/writing.ts';
import { resolve } from '../../../../../core/answer/resolve.ts';
import { check, Checks } from '../../../../../core/chapters/shortcuts/check/check.ts';
import { followEdit } from '../../../../../core/profile/follow-edit.ts';
import { put } from '../../../../../core/answer/choices.ts';
import { indexesOf } from '../../../../../core/context/bits.ts';
import type { Scope } from '../../../../../core/context/scope.ts';
import { flickOf, seeded } from '../../../../../core/hand/simulated.ts';
import { between } from '../../../../../core/hand/circular.ts';
import { desksOf, USUAL_DESK } from '../../../../../core/keyboard/desk.ts';
import { findingsIn } from '../../../../../core/profile/checkers.ts';
import { circumstancesOf, indexOf } from '../../../../../core/profile/circumstances.ts';
import { applyEdit, type AnyChange } from '../../../../../core/profile/edit.ts';
import { groundFor, problemsOf } from '../../../../../core/profile/problems.ts';
import { ofShortcuts } from '../../../../../core/shortcut/change.ts';
import { stratumById, type Profile, type StratumId } from '../../../../../core/strata/stratum.ts';
import { parseKeys, type Keys } from '../../../../../core/stroke/stroke.ts';
import { gneiss } from '../../../../../demo/gneiss/gneiss.ts';
import { demoProfile, subjectOf } from '../../../demo-office.ts';

const [OFFICE, PERSONAL] = ['office', 'personal'] as StratumId[] as [StratumId, StratumId];
const subject = subjectOf(gneiss);
/** Without gestures. */
const bare: Profile = demoProfile(gneiss, 1);
const space = subject.space;
const RIGHT = { button: 'Right', modifiers: [] } as const;
const PART = { document: ['part.solids'] } as unknown as Scope;
const DRAWING = { document: ['drawing'] } as unknown as Scope;
type Step = (now: Profile) => readonly AnyChange[];
const edited = (profile: Profile, ...steps: Step[]): Profile => steps.reduce((now, step) => applyEdit(now, step(now)), profile);
const rose =
	(directions: number, scope: Scope = {}, by = PERSONAL, turn = 0): Step =>
	(now) =>
		setRose(stratumById(now, by), { ...RIGHT, scope, directions, turn });
const flick =
	(way: string, command: string, scope: Scope = {}): Step =>
	(now) =>
		ofShortcuts(put(now, PERSONAL, { command: command as never, keys: parseKeys(`RightFlick${way}`), scope }));
const found = (profile: Profile, desks = desksOf([{ id: 'A', desk: USUAL_DESK }])) =>
	findingsIn({ circumstances: circumstancesOf(subject, profile, desks, null), profile, released: undefined }, ['gestures']);
const told = (profile: Profile, rule: string) =>
	found(profile)
		.filter((f) => f.rule === rule)
		.map((f) => f.sentence());
/** The first way out leads to a profile in which it is not found, and so does every other. */
const mends = (profile: Profile, rule: string, desks?: Parameters<typeof found>[1]) => {
	const finding = found(profile, desks).find((f) => f.rule === rule)!;
	const fixes = finding.fixes({ profile, target: PERSONAL });
	for (const { changes, label } of fixes)
		expect(
			found(applyEdit(profile, changes), desks).map((f) => f.id),
			label
		).not.to.include(finding.id);
	return fixes.map((fix) => fix.label);
};

describe('roses', () => {
	it('have their directions at equal angles from up, whatever way they are turned', () => {
		expect(directionsOf({ directions: 4 })).to.deep.equal([0, 90, 180, 270]);
		expect(directionsOf({ directions: 7 })).to.deep.equal([0, 51, 103, 154, 206, 257, 309]);
		fc.assert(
			fc.property(
				fc.integer({ min: 2, max: 12 }),
				fc.integer({ min: -90, max: 90 }),
				fc.integer({ min: 0, max: 359 }),
				(directions, turn, angle) => {
					const into = flickedInto({ directions, turn }, angle);
					const far = (degrees: number) => Math.abs(between(degrees + turn, angle));
					// the names are whole degrees, the sectors are not
					for (const other of directionsOf({ directions })) expect(far(into)).to.be.at.most(far(other) + 1.01);
				}
			)
		);
		expect(flickIn(flickKeys({ button: 'Right', modifiers: ['Shift', 'Ctrl'] }, 45))).to.deep.equal({
			button: 'Right',
			modifiers: ['Ctrl', 'Shift'],
			degrees: 45
		});
		for (const keys of ['F', 'RightDrag', 'MiddleClick']) expect(flickIn(keys as Keys)).to.equal(undefined);
		expect(roseThing({ button: 'Right', modifiers: ['Alt'], scope: PART })).to.equal('Alt+Right document=part.solids');
	});

	it('of 1 or 13 directions are refused, and a modifier named twice', () => {
		const entry = { op: 'set', kind: 'rose', button: 'Right', modifiers: [], scope: {}, directions: 8, turn: 0, rank: 0 };
		expect(GestureEntry.safeParse(entry).success).to.equal(true);
		for (const wrong of [
			{ directions: 1 },
			{ directions: 13 },
			{ directions: 4.5 },
			{ button: 'Upper' },
			{ modifiers: ['Ctrl', 'Ctrl'] },
			{ turn: 200 }
		])
			expect(GestureEntry.safeParse({ ...entry, ...wrong }).success, JSON.stringify(wrong)).to.equal(false);
	});

	it('hold where the narrowest of them lies, and of two on one scope the upper stratum’s', () => {
		const profile = edited(bare, rose(4, {}, OFFICE), rose(8, PART, OFFICE), rose(6, PART));
		for (const [i, situation] of space.situations.entries()) {
			const directions = roseIn(profile, space, RIGHT, i)!.entry.directions;
			expect(directions, situation.join(' ')).to.equal(situation[0] === 'part.solids' ? 6 : 4);
		}
		expect(roseIn(profile, space, { button: 'Middle', modifiers: [] }, 0)).to.equal(undefined);
		const without = edited(
			profile,
			(now) => takeRoseAway(now, PERSONAL, { ...RIGHT, scope: PART }),
			(now) => takeRoseAway(now, PERSONAL, { ...RIGHT, scope: PART })
		);
		expect(roseIn(without, space, RIGHT, 0)!.entry.directions, 'hidden from above').to.equal(4);
	});

	it('say where a flick can be made, as enumerating the situations does', () => {
		fc.assert(
			fc.property(
				fc.array(
					fc.tuple(
						fc.constantFrom<Scope>({}, PART, DRAWING, { document: ['part'] } as never),
						fc.constantFrom(4, 6, 8),
						fc.constantFrom(OFFICE, PERSONAL)
					),
					{ maxLength: 4 }
				),
				fc.constantFrom(0, 45, 60, 90),
				(roses, degrees) => {
					const profile = edited(bare, ...roses.map(([scope, n, by]) => rose(n, scope, by)));
					const wanted = space.situations.flatMap((_, i) => {
						const here = roseIn(profile, space, RIGHT, i);
						return here && directionsOf(here.entry).includes(degrees) ? [i] : [];
					});
					expect(indexesOf(whereFlicked(profile, space, flickKeys(RIGHT, degrees))!)).to.deep.equal(wanted);
				}
			),
			{ numRuns: 100 }
		);
		expect(whereFlicked(bare, space, 'F' as Keys)).to.equal(undefined);
	});

	it('go from eight directions to four and back, and nothing is lost: what has no direction waits', () => {
		const eight = edited(bare, rose(8), flick('N', 'solid.extrude'), flick('NE', 'solid.revolve'), flick('SW', 'solid.shell'));
		const four = edited(eight, rose(4));
		const again = edited(four, rose(8));
		expect(told(eight, 'waiting')).to.deep.equal([]);
		expect(told(four, 'waiting')).to.deep.equal([
			'Revolve is unassigned at ↗: the rose of Right there has 4 directions.',
			'Shell is unassigned at ↙: the rose of Right there has 4 directions.'
		]);
		expect(mends(four, 'waiting')).to.deep.equal(['Give the rose 8 directions']);
		const keys = (profile: Profile) => indexOf(subject, profile).effective.bindings.map((b) => `${b.keys} ${b.command}`);
		expect(keys(again)).to.deep.equal(keys(eight));
		const nowhere = edited(bare, flick('N', 'solid.extrude', PART));
		expect(told(nowhere, 'waiting')).to.deep.equal(['Extrude is unassigned at ↑: there is no rose for flicks with Right.']);
		expect(mends(nowhere, 'waiting')).to.deep.equal(['Add a rose with 4 directions there']);
	});

	it('are locked like all else', () => {
		const locked = edited(bare, rose(4, {}, OFFICE), (now) => lockRose(stratumById(now, OFFICE), { ...RIGHT, scope: {} }, true));
		const changes = rose(8)(locked);
		expect(problemsOf(changes, groundFor(subject, locked, changes))[0]!.message).to.match(
			/^Office has locked the gesture Right for 4 directions/
		);
		const forced = applyEdit(locked, changes);
		expect(roseIn(forced, space, RIGHT, 0)!.entry.directions).to.equal(4);
		expect(told(forced, 'idle')).to.deep.equal([
			'Personal changes the rose of Right in Everywhere without effect: Office has locked it.'
		]);
	});
});

describe('flicks, as inputs', () => {
	it('clash like keys do: two commands on one direction', () => {
		const profile = edited(bare, rose(4), flick('N', 'solid.extrude'), flick('N', 'solid.revolve'));
		const all = findingsIn({ circumstances: circumstancesOf(subject, profile, [], null), profile, released: undefined }, [
			'shortcuts'
		]);
		expect(all.some((f) => f.rule === 'clash' && f.sentence().includes('Right ↑'))).to.equal(true);
	});

	it('are told where an opposite does not lie opposite, and put there', () => {
		const profile = edited(
			bare,
			rose(4),
			flick('N', 'solid.extrude'),
			flick('E', 'solid.extrude-cut'),
			flick('S', 'solid.shell')
		);
		expect(told(profile, 'halved')).to.deep.equal(['Extrude is on ↑, its opposite Extruded cut on →, not on ↓.']);
		expect(mends(profile, 'halved')).to.deep.equal(['Swap Extruded cut and Shell']);
		expect(told(edited(bare, rose(4), flick('N', 'solid.extrude'), flick('S', 'solid.extrude-cut')), 'halved')).to.deep.equal([]);
		expect(
			told(edited(bare, rose(3), flick('0', 'solid.extrude'), flick('120', 'solid.extrude-cut')), 'halved'),
			'none lies across'
		).to.deep.equal([]);
	});

	it('are told where a frequent command has a diagonal and an obscure one does not', () => {
		const often = gneiss.commands.find((c) => (c.use ?? 0) >= 40)!;
		const profile = edited(bare, rose(8), flick('NE', often.id), flick('N', 'solid.helix'));
		expect(told(profile, 'far')[0]).to.match(
			new RegExp(`^${often.label}, run ${often.use} times a day, is on ↗, and Coil, run \\d+ times, has ↑\\.$`)
		);
		expect(mends(profile, 'far')).to.deep.equal([`Swap ${often.label} and Coil`]);
	});

	it('take the drag of the same button, unless the program tells them apart by time', () => {
		const dragged: Step = (now) =>
			ofShortcuts(put(now, PERSONAL, { command: 'view.orbit' as never, keys: parseKeys('RightDrag'), scope: PART }));
		const profile = edited(bare, rose(4), flick('N', 'solid.extrude'), dragged);
		expect(told(profile, 'drag')).to.deep.equal([
			'Orbit is dragged with Right, which is used by a rose: each move with it is a flick.'
		]);
		expect(mends(profile, 'drag')).to.deep.equal(['Drag with Ctrl+Right for Orbit']);
		const apart = {
			...subject,
			application: {
				...gneiss.application,
				rules: { ...gneiss.application.rules, pointer: { slop: 6, hold: 450, flickWithin: 200 } }
			}
		};
		expect(
			findingsIn({ circumstances: circumstancesOf(apart, profile, [], null), profile, released: undefined }, ['gestures']).filter(
				(f) => f.rule === 'drag'
			)
		).to.deep.equal([]);
	});

	it('are too many for a hand that was tested, and for most hands where none was', () => {
		const profile = edited(bare, rose(12));
		expect(told(profile, 'wedge')).to.deep.equal([
			'The rose of Right in Everywhere has 12 directions; more than 8 are clearly less reliable for most hands.'
		]);
		expect(told(edited(bare, rose(8)), 'wedge')).to.deep.equal([]);
		const random = seeded(5);
		const hand = (kappa: number) => Array.from({ length: 40 }, (_, i) => flickOf({ kappa }, (i % 8) * 45, random));
		const desks = (kappa: number) => desksOf([{ id: 'C-01', desk: { ...USUAL_DESK, hand: hand(kappa) } }]);
		expect(
			found(profile, desks(2_000)).filter((f) => f.rule === 'wedge'),
			'a steady hand bears them'
		).to.deep.equal([]);
		const shaky = found(edited(bare, rose(8)), desks(12)).find((f) => f.rule === 'wedge')!;
		expect(shaky.sentence()).to.match(/has 8 directions; the hand at C-01 misses \d+ % of them\.$/);
		expect(mends(edited(bare, rose(8)), 'wedge', desks(12))[0]).to.match(
			/^Reduce it to [2-7] directions; commands that lose theirs become unassigned$/
		);
	});
});

describe('a direction that waits', () => {
	const profile = edited(
		bare,
		rose(4, PART),
		flick('NE', 'solid.revolve', PART),
		flick('N', 'solid.extrude'),
		flick('N', 'draw.view', DRAWING)
	);
	const index = indexOf(subject, profile);

	it('runs nothing, and clashes with nothing', () => {
		for (const [i, situation] of space.situations.entries()) {
			expect(resolve(index, parseKeys('RightFlickNE'), i).kind, situation.join(' ')).to.equal('nothing');
			const up = resolve(index, parseKeys('RightFlickN'), i);
			expect(up.kind === 'fires' && up.winner.command, situation.join(' ')).to.equal(
				situation[0] === 'part.solids' ? 'solid.extrude' : false
			);
		}
		const twice = edited(profile, flick('NE', 'solid.extrude', PART));
		const clashes = (now: Profile) =>
			findingsIn({ circumstances: circumstancesOf(subject, now, [], null), profile: now, released: undefined }, [
				'shortcuts'
			]).filter((f) => ['clash', 'orphan'].includes(f.rule) && f.sentence().includes('Right ↗'));
		expect(clashes(twice)).to.deep.equal([]);
		expect(clashes(edited(twice, rose(8, PART))).map((f) => f.rule)).to.deep.equal(['clash']);
	});

	it('is followed by a check that is kept while roses are changed, as a fresh one says', () => {
		let now = edited(profile, flick('NE', 'solid.extrude', PART));
		const checks = new Checks(circumstancesOf(subject, now, [], null));
		for (const _ of checks.steps());
		for (const step of [
			rose(8, PART),
			rose(4, PART),
			rose(6, {}),
			((p: Profile) => takeRoseAway(p, PERSONAL, { ...RIGHT, scope: PART })) as Step
		]) {
			const changes = step(now);
			now = applyEdit(now, changes);
			followEdit(checks, circumstancesOf(subject, now, [], null), changes);
			const ids = (list: readonly { id: string }[]) => list.map((f) => f.id).sort();
			expect(ids(checks.list() as never)).to.deep.equal(ids(check(circumstancesOf(subject, now, [], null)) as never));
		}
	});
});

describe('gestures, in the rules of all inputs', () => {
	const desks = desksOf([{ id: 'A', desk: USUAL_DESK }]);
	const all = (profile: Profile, released: Profile[number] | null = null) =>
		findingsIn({ circumstances: circumstancesOf(subject, profile, desks, released), profile, released: undefined }, ['shortcuts'])
			.filter(({ witness }) => witness.kind === 'keys' && /Flick|Shape-|Drag|Wheel/.test(witness.keys))
			.map(({ rule, command }) => `${rule} ${command}`);
	const office =
		(way: string, command: string, scope: Scope = {}): Step =>
		(now) =>
			ofShortcuts(put(now, OFFICE, { command: command as never, keys: parseKeys(`RightFlick${way}`), scope }));
	const there = edited(bare, rose(4, {}, OFFICE), office('N', 'view.fit'));

	it('are clean where nothing is wrong', () => expect(all(there)).to.deep.equal([]));

	/** A stratum says one thing more of view.fit on the flick up. */
	const says =
		(stratum: StratumId, op: 'set' | 'lock' | 'remove'): Step =>
		() =>
			ofShortcuts([
				{
					stratum,
					before: null,
					after: { op, command: 'view.fit' as never, keys: parseKeys('RightFlickN'), scope: {}, rank: 900 }
				}
			]);

	it('clash, repeat, and speak of commands that are none or are not there', () => {
		expect(all(edited(there, office('N', 'edit.find')))).to.include('clash view.fit');
		expect(all(edited(there, says(PERSONAL, 'set')))).to.deep.equal(['duplicate view.fit']);
		expect(all(edited(there, flick('E', 'no.such')))).to.deep.equal(['orphan no.such']);
		expect(all(edited(there, flick('E', 'solid.extrude', DRAWING)))).to.deep.equal(['orphan solid.extrude']);
	});

	it('have moved since the release, and may not be said otherwise where they are locked', () => {
		const now = edited(bare, rose(4, {}, OFFICE), office('N', 'edit.find'));
		expect(all(now, stratumById(there, OFFICE))).to.deep.equal(['moved edit.find']);
		expect(all(edited(there, says(OFFICE, 'lock'), says(PERSONAL, 'remove')))).to.deep.equal(['locked view.fit']);
	});

	it('are routes: a command that has a flick alone is not left without one', () => {
		const left = (profile: Profile) =>
			findingsIn({ circumstances: circumstancesOf(subject, profile, desks, null), profile, released: undefined }, ['shortcuts'])
				.filter(({ rule }) => rule === 'stranded')
				.map(({ command }) => command as string);
		const [stranded] = left(bare);
		expect(stranded).to.be.a('string');
		expect(left(edited(bare, rose(4), flick('W', stranded!)))).not.to.include(stranded);
	});
});
