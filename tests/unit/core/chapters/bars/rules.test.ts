import { expect } from 'chai';
import { gneiss } from '../../../../../demo/gneiss/gneiss.ts';
import { BARS, type BarEntry, type Item, type ItemId } from '../../../../../core/chapters/bars/bar.ts';
import { bars } from '../../../../../core/chapters/bars/chapter.ts';
import { findingsIn } from '../../../../../core/profile/checkers.ts';
import { circumstancesOf } from '../../../../../core/profile/circumstances.ts';
import { applyEdit } from '../../../../../core/profile/edit.ts';
import { generateNKeysBetween } from 'fractional-indexing';
import { insertItem, lockItem, takeOut } from '../../../../../core/chapters/bars/writing.ts';
import { desksOf, USUAL_DESK } from '../../../../../core/keyboard/desk.ts';
import { ofShortcuts } from '../../../../../core/shortcut/change.ts';
import type { Profile, StratumId } from '../../../../../core/strata/stratum.ts';
import { demoCircumstances, demoProfile, subjectOf } from '../../../demo-office.ts';
import { check, Checks } from '../../../../../core/chapters/shortcuts/check/check.ts';
import { findingId, type Finding } from '../../../../../core/chapters/shortcuts/check/finding.ts';
import { followEdit } from '../../../../../core/profile/follow-edit.ts';
import { allNodes, barTree } from '../../../../../core/chapters/bars/tree.ts';
import type { CommandId } from '../../../../../core/application/command.ts';

const [FACTORY, PERSONAL] = ['factory', 'personal'] as StratumId[] as [StratumId, StratumId];
const subject = subjectOf(gneiss);
const some = gneiss.commands;
const often = some.find((c) => (c.use ?? 0) >= 5 && c.opposite === undefined)!;
const half = some.find((c) => c.opposite !== undefined)!;
const other = some.find((c) => c.id === half.opposite)!;
const plain = some.filter((c) => c.opposite === undefined && !c.use);

const place = (command?: string, more: object = {}): Item =>
	({ kind: 'place', ...(command && { command }), size: 'small', shows: 'both', hidden: false, ...more }) as Item;
const bar = (form: string, name: string, more: object = {}): Item =>
	({
		kind: 'bar',
		form,
		name,
		scope: {},
		dock: { edge: 'top', row: 0 },
		icon: 24,
		text: 'none',
		hidden: false,
		...more
	}) as Item;
const floating = (x: number, y: number) => ({ dock: { edge: 'floating', monitor: 1, x, y, columns: 4 } });
type Said = readonly [id: string, item: Item, parent: string | null, order: string];
const entriesOf = (said: readonly Said[]): BarEntry[] =>
	said.map(([id, item, parent, order], rank) => ({ op: 'set', id, parent, order, item, rank }) as BarEntry);
const profileOf = (...said: Said[]): Profile => [
	{ id: FACTORY, kind: 'factory', name: 'Factory', contents: { [BARS]: bars.contentOf(entriesOf(said)) } },
	{ id: PERSONAL, kind: 'personal', name: 'Personal', contents: {} }
];
const found = (rule: string, profile: Profile, released?: Profile) =>
	findingsIn({ circumstances: circumstancesOf(subject, profile, [], null), profile, released }, [BARS]).filter(
		(finding) => finding.rule === rule
	);
/** The finding's first way out leads to a profile that has it no more. */
const mends = (rule: string, profile: Profile, released?: Profile) => {
	const [finding] = found(rule, profile, released);
	const [fix] = finding!.fixes({ profile, target: PERSONAL });
	const after = applyEdit(profile, fix!.changes);
	expect(found(rule, after, released).map((f) => f.id)).not.to.include(finding!.id);
	return after;
};

describe('rules of bars', () => {
	it('unopened: a cursor bar without a key, and one whose key does something else everywhere', () => {
		const without = profileOf(['c', bar('cursor', 'Near'), null, 'a0'], ['p', place(often.id), 'c', 'a0']);
		expect(found('unopened', without)[0]!.sentence()).to.equal('No key or mouse button opens the cursor bar Near.');
		mends('unopened', without);
		const keyed = profileOf(['c', bar('cursor', 'Near', { keys: 'Ctrl+Alt+9' }), null, 'a0'], ['p', place(often.id), 'c', 'a0']);
		expect(found('unopened', keyed)).to.deep.equal([]);
		const after = {
			stratum: PERSONAL,
			before: null,
			after: { op: 'set', command: often.id, keys: 'Ctrl+Alt+9', scope: {}, rank: 0 }
		};
		const taken = applyEdit(keyed, ofShortcuts([after as never]));
		const [finding] = found('unopened', taken);
		expect(finding!.sentence()).to.match(
			/Ctrl\+Alt\+9 should open the cursor bar Near, but does something else in every situation/
		);
		expect(finding!.severity).to.equal('attention');
	});

	it('unopened: that a bare key is text where one types is no fault', () => {
		const profile = profileOf(['c', bar('cursor', 'Near', { keys: 'J' }), null, 'a0'], ['p', place(often.id), 'c', 'a0']);
		expect(found('unopened', profile)).to.deep.equal([]);
	});

	it('buried: used often and only in a flyout, while there is room; pulled out it is there', () => {
		const said: Said[] = [
			['t', bar('toolbar', 'Row'), null, 'a0'],
			['f', place(undefined, { flyout: 'More' }), 't', 'a0'],
			['p', place(often.id), 'f', 'a0']
		];
		const profile = profileOf(...said);
		expect(found('buried', profile)[0]!.sentence()).to.match(
			new RegExp(`${often.label} is run ${often.use} times a day, but is in More`)
		);
		mends('buried', profile);
		// shown elsewhere, or rarely used, or without room it is none
		expect(found('buried', profileOf(...said, ['q', place(often.id), 't', 'a1']))).to.deep.equal([]);
		expect(found('buried', profileOf(said[0]!, said[1]!, ['p', place(plain[0]!.id), 'f', 'a0']))).to.deep.equal([]);
		const full = Array.from({ length: 60 }, (_, i): Said => [
			`x${i}`,
			place(plain[i]!.id),
			't',
			`b${String.fromCharCode(65 + (i % 26))}${Math.floor(i / 26)}`
		]);
		expect(found('buried', profileOf(...said, ...full))).to.deep.equal([]);
	});

	it('halved: the opposite stands elsewhere, or nowhere', () => {
		const nowhere = profileOf(['t', bar('toolbar', 'Row'), null, 'a0'], ['p', place(half.id), 't', 'a0']);
		expect(found('halved', nowhere)[0]!.sentence()).to.equal(
			`${half.label} is in Row, but its opposite ${other.label} is in no toolbar.`
		);
		mends('halved', nowhere);
		const apart = profileOf(
			['t', bar('toolbar', 'Row'), null, 'a0'],
			['u', bar('toolbar', 'Side'), null, 'a1'],
			['p', place(half.id), 't', 'a0'],
			['q', place(other.id), 'u', 'a0']
		);
		expect(found('halved', apart)).to.have.length(1);
		mends('halved', apart);
		const together = profileOf(
			['t', bar('toolbar', 'Row'), null, 'a0'],
			['p', place(half.id), 't', 'a0'],
			['q', place(other.id), 't', 'a1']
		);
		expect(found('halved', together)).to.deep.equal([]);
	});

	it('moved: tells how far, and not of what only gave way to others', () => {
		const row = (at: string): Profile =>
			profileOf(
				['t', bar('toolbar', 'Row'), null, 'a0'],
				...plain.slice(0, 8).map((c, i): Said => [`x${i}`, place(c.id), 't', `b${i}`]),
				['p', place(often.id), 't', at]
			);
		const [before, after] = [row('b9'), row('a0')];
		const [finding] = found('moved', after, before);
		// eight places of an icon of 24 px with 4 px around it
		expect(finding!.sentence()).to.equal(`${often.label} is ${8 * 32} px away from its position in the last release.`);
		expect(found('moved', after, before)).to.have.length(1);
		mends('moved', after, before);
		expect(found('moved', after, undefined)).to.deep.equal([]);
		expect(found('moved', row('b71'), before), 'another order, and the same spot').to.deep.equal([]);
	});

	it('moved: offers no way back to what was put beside its opposite, so that two ways out do not take turns', () => {
		const rowOf = (at: string, home: string): Profile =>
			profileOf(
				['t', bar('toolbar', 'Row'), null, 'a0'],
				['u', bar('toolbar', 'Far', { dock: { edge: 'bottom', row: 0 } }), null, 'a1'],
				['p', place(half.id), 't', 'a0'],
				['q', place(other.id), home, at]
			);
		const [before, after] = [rowOf('a0', 'u'), rowOf('a1', 't')];
		expect(found('halved', before)).to.have.length(1);
		expect(found('halved', after)).to.deep.equal([]);
		const [finding] = found('moved', after, before);
		expect(finding!.fixes({ profile: after, target: PERSONAL })).to.deep.equal([]);
	});

	it('cover: a floating bar over another, or off a small screen; docked it is neither', () => {
		const said = (x: number, y: number): Said[] => [
			['t', bar('toolbar', 'Row'), null, 'a0'],
			['p', place(often.id), 't', 'a0'],
			['f', bar('toolbar', 'Loose', floating(x, y)), null, 'a1'],
			['q', place(plain[0]!.id), 'f', 'a0']
		];
		expect(found('cover', profileOf(...said(300, 300)))).to.deep.equal([]);
		expect(found('cover', profileOf(...said(0, 40)))[0]!.sentence()).to.match(/^The floating toolbar Loose covers Row on /);
		expect(found('cover', profileOf(...said(3000, 40)))[0]!.sentence()).to.match(/is outside of the window/);
		mends('cover', profileOf(...said(0, 40)));
		const second: Said[] = [
			['g', bar('toolbar', 'Other', floating(310, 310)), null, 'a2'],
			['r', place(plain[1]!.id), 'g', 'a0']
		];
		expect(found('cover', profileOf(...said(300, 300), ...second)).map((f) => f.sentence())).to.deep.equal([
			'The floating toolbar Other covers Loose on Laptop 1280.'
		]);
	});

	it('cover: a floating bar on a monitor that a seat has not', () => {
		const screens = (n: number) => Array.from({ length: n }, () => ({ width: 1920, height: 1080, scale: 1 }));
		const desks = desksOf([
			{ id: 'A', desk: { ...USUAL_DESK, screens: screens(2) } },
			{ id: 'B', desk: { ...USUAL_DESK, screens: screens(1) } }
		]);
		const profile = profileOf(
			['f', bar('toolbar', 'Far', { dock: { edge: 'floating', monitor: 2, x: 10, y: 10, columns: 4 } }), null, 'a1'],
			['q', place(plain[0]!.id), 'f', 'a0']
		);
		const [finding] = findingsIn(
			{ circumstances: circumstancesOf(subject, profile, desks, null), profile, released: undefined },
			[BARS]
		).filter(({ rule }) => rule === 'cover');
		expect(finding!.sentence()).to.equal('The floating toolbar Far is on monitor 2, which B does not have.');
	});

	it('crowding: what goes into a toolbar’s drawer on the screen with least room, by name', () => {
		const many = Array.from({ length: 60 }, (_, i): Said => [
			`x${i}`,
			place(plain[i]!.id),
			't',
			`b${String.fromCharCode(65 + (i % 26))}${Math.floor(i / 26)}`
		]);
		const [finding] = found('crowding', profileOf(['t', bar('toolbar', 'Row'), null, 'a0'], ...many));
		// an icon of 24 px with 4 px around it: 39 of them in 1280 px, less the grip and the drawer's button
		expect(finding!.sentence()).to.match(/^On Laptop 1280, .*, .*, .* and 18 more of Row go into its overflow\.$/);
		expect(found('crowding', profileOf(['t', bar('toolbar', 'Row'), null, 'a0'], ...many.slice(0, 30)))).to.deep.equal([]);
	});

	it('locked: what a stratum says of something that one below has locked; dropped it is gone', () => {
		const profile = profileOf(['t', bar('toolbar', 'Row'), null, 'a0'], ['p', place(often.id), 't', 'a0']);
		const office = { id: 'office' as StratumId, kind: 'office' as const, name: 'Office', contents: {} };
		const three = [profile[0]!, office, profile[1]!];
		const locked = applyEdit(three, lockItem(office, 'p' as never, true));
		const own = { op: 'set', id: 'p', parent: 't', order: 'a0', item: place(often.id, { title: 'Mine' }), rank: 0 };
		const said = applyEdit(locked, [{ chapter: BARS, stratum: PERSONAL, before: null, after: own } as never]);
		const [finding] = found('locked', said);
		expect(finding!.sentence()).to.equal('Personal changes p in the toolbars without effect: Office has locked it.');
		expect(found('lost', said)).to.deep.equal([]);
		mends('locked', said);
	});

	it('take ten thousand places, and names of five hundred letters or from right to left', () => {
		const orders = generateNKeysBetween(null, null, 10_000);
		const many = orders.map((order, i): Said => [
			`x${i}`,
			place(some[i % some.length]!.id, i % 3 === 0 ? { title: 'א'.repeat(500) } : {}),
			't',
			order
		]);
		const profile = profileOf(['t', bar('toolbar', 'שלום '.repeat(99).trim()), null, 'a0'], ...many);
		expect(found('crowding', profile)).to.have.length(1);
		expect(found('doubled', profile).length).to.be.greaterThan(9_000);
	});

	it('are a way for a command that has no shortcut, and taken along when they change: as a full check says', () => {
		const start = demoProfile(gneiss);
		const strandedIn = (findings: readonly Finding[]) =>
			findings.flatMap((f) => (f.rule === 'stranded' ? [f.command as string] : [])).sort();
		const before = demoCircumstances(gneiss, start);
		const checks = new Checks(before);
		for (const _ of checks.steps());
		const stands = strandedIn(checks.list());
		// a command of weight without a shortcut that stands in a flyout, and so is not left without a way
		const home = [...allNodes(barTree(start))].find(
			({ item }) =>
				item.kind === 'place' &&
				item.command !== undefined &&
				(before.index.catalogue.get(item.command)?.use ?? 0) >= 5 &&
				before.index.of(item.command).length === 0
		)!;
		const command = (home.item as { command: string }).command;
		expect(stands).not.to.include(command);
		const everywhere = [...allNodes(barTree(start))].filter(({ item }) => item.kind === 'place' && item.command === command);
		const out = takeOut(
			start,
			PERSONAL,
			everywhere.map(({ id }) => id)
		);
		const without = applyEdit(start, out);
		const now = demoCircumstances(gneiss, without);
		followEdit(checks, now, out);
		expect(strandedIn(checks.list())).to.include(command);
		expect(checks.list().map(findingId).sort()).to.deep.equal(check(now).map(findingId).sort());
		// one that had none gains a way
		const [alone] = stands as [CommandId];
		const added = insertItem(without, PERSONAL, place(alone), 'look' as ItemId, 0).changes;
		const after = demoCircumstances(gneiss, applyEdit(without, added));
		followEdit(checks, after, added);
		expect(strandedIn(checks.list())).not.to.include(alone);
		expect(checks.list().map(findingId).sort()).to.deep.equal(check(after).map(findingId).sort());
	});
});
