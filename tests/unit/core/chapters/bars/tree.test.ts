import { expect } from 'chai';
import fc from 'fast-check';
import { gneiss } from '../../../../../demo/gneiss/gneiss.ts';
import type { BarEntry, Item, ItemId } from '../../../../../core/chapters/bars/bar.ts';
import { BARS, BarInFile, barsIn } from '../../../../../core/chapters/bars/bar.ts';
import { bars } from '../../../../../core/chapters/bars/chapter.ts';
import { allNodes, barTree } from '../../../../../core/chapters/bars/tree.ts';
import {
	changeItem,
	insertItem,
	insertItems,
	lockItem,
	moveItem,
	orderAt,
	resetItems,
	takeOut
} from '../../../../../core/chapters/bars/writing.ts';
import { findingsIn } from '../../../../../core/profile/checkers.ts';
import { circumstancesOf } from '../../../../../core/profile/circumstances.ts';
import { applyEdit, inverseEdit } from '../../../../../core/profile/edit.ts';
import { groundFor, problemsOf } from '../../../../../core/profile/problems.ts';
import { stratumById, type Profile, type StratumId } from '../../../../../core/strata/stratum.ts';
import { subjectOf } from '../../../demo-office.ts';

const [FACTORY, OFFICE, PERSONAL] = ['factory', 'office', 'personal'] as StratumId[] as [StratumId, StratumId, StratumId];
const id = (text: string) => text as ItemId;
const subject = subjectOf(gneiss);
const [first, second, third] = gneiss.commands.map((c) => c.id) as [never, never, never];
const place = (command: string, more: object = {}): Item =>
	({ kind: 'place', command, size: 'small', shows: 'both', hidden: false, ...more }) as Item;
const bar: Item = {
	kind: 'bar',
	form: 'ribbon',
	name: 'Main',
	scope: {},
	dock: { edge: 'top', row: 0 },
	icon: 24,
	text: 'beside',
	hidden: false
};
const set = (name: string, item: Item, parent: string | null, order: string, rank: number): BarEntry =>
	({ op: 'set', id: name, parent, order, item, rank }) as BarEntry;

/** A ribbon with one tab, two groups and three places at the factory; nothing in the strata above. */
function small(...more: BarEntry[]): Profile {
	const entries = [
		set('main', bar, null, 'a0', 0),
		set('tab', { kind: 'tab', name: 'Model' }, 'main', 'a0', 1),
		set('shape', { kind: 'group', name: 'Shape' }, 'tab', 'a0', 2),
		set('cut', { kind: 'group', name: 'Cut' }, 'tab', 'a1', 3),
		set('one', place(first), 'shape', 'a0', 4),
		set('two', place(second), 'shape', 'a1', 5),
		set('three', place(third), 'cut', 'a0', 6),
		...more
	];
	return [
		{ id: FACTORY, kind: 'factory', name: 'Factory', contents: { [BARS]: bars.contentOf(entries) } },
		{ id: OFFICE, kind: 'office', name: 'Office', contents: {} },
		{ id: PERSONAL, kind: 'personal', name: 'Personal', contents: {} }
	];
}
const below = (profile: Profile, parent: string) =>
	barTree(profile)
		.byId.get(id(parent))!
		.children.map((n) => n.id as string);

describe('bars over the strata', () => {
	it('are one tree: an office adds a group, a person moves a place and takes another away, and the factory may change below', () => {
		let profile = small();
		const added = insertItem(profile, OFFICE, { kind: 'group', name: 'Cabin' }, id('tab'), 1);
		profile = applyEdit(profile, added.changes);
		expect(below(profile, 'tab')).to.deep.equal(['shape', added.id, 'cut']);
		profile = applyEdit(profile, moveItem(profile, PERSONAL, id('two'), added.id, 0));
		profile = applyEdit(profile, takeOut(profile, PERSONAL, [id('three')]));
		expect([below(profile, 'shape'), below(profile, added.id), below(profile, 'cut')]).to.deep.equal([['one'], ['two'], []]);
		const { stratum, over } = barTree(profile).byId.get(id('two'))!;
		expect([stratum.id, over?.id]).to.deep.equal([PERSONAL, FACTORY]);

		const upgrade = small(set('four', place(first), 'shape', 'a0V', 9));
		const newer = profile.map((s) => (s.kind === 'factory' ? upgrade[0]! : s));
		expect([below(newer, 'shape'), below(newer, added.id)]).to.deep.equal([['one', 'four'], ['two']]);
		expect(barTree(newer).idle).to.deep.equal([]);

		const back = applyEdit(profile, resetItems(stratumById(profile, PERSONAL), [id('two'), id('three')]));
		expect([below(back, 'shape'), below(back, 'cut')]).to.deep.equal([['one', 'two'], ['three']]);
	});

	it('list what lost its parent, stands in itself or where it cannot, and lose nothing of it', () => {
		const profile = small(
			set('far', place(first), 'gone', 'a0', 10),
			set('a', place(first, { command: undefined, flyout: 'A' }), 'b', 'a0', 11),
			set('b', place(first, { command: undefined, flyout: 'B' }), 'a', 'a0', 12),
			set('loose', place(first), 'main', 'a0', 13)
		);
		const { idle, byId } = barTree(profile);
		const why = Object.fromEntries(idle.map((one) => [one.entry.id, one.why]));
		expect(why['far']).to.include('its parent is gone (gone)');
		expect(why['a']).to.include('inside itself');
		expect(why['b']).to.include('inside itself');
		expect(why['loose']).to.include('buttons belong in groups');
		expect(byId.size + idle.length).to.equal(barsIn(profile[0]!).size);
	});

	it('stand by their ids where two were inserted at one spot, and can be told apart afterwards', () => {
		const base = small();
		const [mine, theirs] = [OFFICE, PERSONAL].map((target) => insertItem(base, target, place(third), id('shape'), 1));
		const both = applyEdit(applyEdit(base, mine!.changes), theirs!.changes);
		expect(mine!.id).not.to.equal(theirs!.id);
		expect(below(both, 'shape')).to.deep.equal(['one', mine!.id, theirs!.id, 'two']);
		const between = applyEdit(both, insertItem(both, PERSONAL, place(first), id('shape'), 2).changes);
		expect(below(between, 'shape')).to.have.length(5);
		expect(below(between, 'shape').slice(0, 3)).to.deep.equal(['one', mine!.id, theirs!.id]);
	});

	it('find an order key at any place, however often something is put there', () => {
		fc.assert(
			fc.property(fc.array(fc.nat({ max: 8 }), { maxLength: 25 }), (spots) => {
				let profile = small();
				const wanted = ['one', 'two'];
				for (const spot of spots) {
					const at = Math.min(spot, wanted.length);
					const made = insertItem(profile, PERSONAL, place(third), id('shape'), at);
					wanted.splice(at, 0, made.id);
					profile = applyEdit(profile, made.changes);
				}
				expect(below(profile, 'shape')).to.deep.equal(wanted);
			}),
			{ numRuns: 60 }
		);
		expect(orderAt(barTree(small()), id('shape'), 99) > 'a1').to.equal(true);
	});

	it('are edits that take themselves back exactly', () => {
		const base = small();
		for (const changes of [
			insertItems(base, OFFICE, [place(first), { kind: 'place', size: 'small', shows: 'both', hidden: false }], id('cut')),
			takeOut(base, OFFICE, [id('main')]),
			moveItem(base, PERSONAL, id('one'), id('cut'), 0),
			changeItem(base, PERSONAL, id('shape'), { kind: 'group', name: 'Shape', form: 'folded' }),
			lockItem(stratumById(base, OFFICE), id('one'), true)
		]) {
			const after = applyEdit(base, changes);
			expect([...allNodes(barTree(applyEdit(after, inverseEdit(changes))))].map((n) => n.id)).to.deep.equal(
				[...allNodes(barTree(base))].map((n) => n.id)
			);
		}
		expect([...allNodes(barTree(applyEdit(base, takeOut(base, OFFICE, [id('main')]))))]).to.deep.equal([]);
		expect(() => moveItem(base, PERSONAL, id('tab'), id('shape'), 0)).to.throw(RangeError, 'into itself');
	});

	it('are locked for the strata above, who are told who has locked', () => {
		const base = small();
		const locked = applyEdit(base, lockItem(stratumById(base, OFFICE), id('one'), true));
		const changes = takeOut(locked, PERSONAL, [id('one')]);
		const [problem] = problemsOf(changes, groundFor(subject, locked, changes));
		expect(problem!.message).to.include('Office');
		expect(below(applyEdit(locked, changes), 'shape')).to.deep.equal(['one', 'two']);
	});

	it('are refused in files where they are no bars', () => {
		const good = { op: 'set', id: 'x', parent: null, order: 'a0', item: bar };
		expect(BarInFile.safeParse(good).success).to.equal(true);
		for (const bad of [
			{ ...good, id: 'X Y' },
			{ ...good, order: '' },
			{ ...good, item: { ...bar, name: 'n'.repeat(501) } },
			{ ...good, item: { ...bar, icon: 20 } },
			{ ...good, item: { ...bar, dock: { edge: 'floating', monitor: 0, x: 0, y: 0, columns: 1 } } },
			{ ...good, item: { ...bar, kind: 'shelf' } }
		])
			expect(BarInFile.safeParse(bad).success, JSON.stringify(bad).slice(0, 80)).to.equal(false);
		expect(BarInFile.safeParse({ ...good, item: { ...bar, name: 'سطح القطع' } }).success).to.equal(true);
	});
});

describe('what is wrong with bars', () => {
	const rulesOf = (profile: Profile) => {
		const circumstances = circumstancesOf(subject, profile, [], null);
		return findingsIn({ circumstances, profile, released: undefined }, [BARS]);
	};
	const toolbar = (name: string, more: object = {}): Item => ({ ...bar, form: 'toolbar', name, text: 'none', ...more }) as Item;

	const cases: readonly [string, BarEntry[], string][] = [
		['orphan', [set('x', place('no.such'), 'cut', 'b0', 20)], 'no.such'],
		['empty', [set('x', { kind: 'group', name: 'Nothing' }, 'tab', 'b0', 20)], 'Nothing has no command'],
		['lost', [set('x', place(first), 'gone', 'a0', 20)], 'without effect'],
		['doubled', [set('bar2', toolbar('Quick ones'), null, 'b0', 20), set('x', place(first), 'bar2', 'a0', 21)], 'visible twice'],
		[
			'wordless',
			[
				set('bar2', toolbar('Signs'), null, 'b0', 20),
				set('x', place(gneiss.commands[7]!.id, { icon: 'point' }), 'bar2', 'a0', 21),
				set('y', place(gneiss.commands[8]!.id, { icon: 'point' }), 'bar2', 'a1', 22)
			],
			'the same icon and no label'
		],
		[
			'cover',
			[
				set('bar2', toolbar('Far off', { dock: { edge: 'floating', monitor: 1, x: 1400, y: 90, columns: 2 } }), null, 'b0', 20),
				set('x', place(gneiss.commands[7]!.id), 'bar2', 'a0', 21)
			],
			'outside of the window on Laptop 1280'
		],
		['two-names', [set('x', place(gneiss.commands[5]!.id, { title: 'My own word' }), 'cut', 'b0', 20)], 'My own word']
	];
	for (const [rule, more, words] of cases)
		it(`${rule}: is found, told and mended`, () => {
			const base = small(...more);
			const profile = base.map((s) =>
				s.kind === 'factory'
					? { ...s, contents: small()[0]!.contents }
					: s.kind === 'office'
						? { ...s, contents: { [BARS]: bars.contentOf(more) } }
						: s
			);
			const found = rulesOf(profile).filter((f) => f.rule === rule);
			expect(found.map((f) => f.sentence()).join()).to.include(words);
			expect(rulesOf(small()).filter((f) => f.rule === rule)).to.deep.equal([]);
			const [fix] = found[0]!.fixes({ profile, target: OFFICE });
			const mended = rulesOf(applyEdit(profile, fix!.changes));
			expect(mended.map((f) => f.id)).not.to.include(found[0]!.id);
		});

	it('crowding: tells the groups that become one button on the narrowest screen', () => {
		const many = Array.from({ length: 24 }, (_, g) => [
			set(`g${g}`, { kind: 'group', name: `Cladding ${g}` }, 'tab', `b${String.fromCharCode(65 + g)}`, 30 + 10 * g),
			...Array.from({ length: 6 }, (_, i) =>
				set(`g${g}p${i}`, place(gneiss.commands[10 + g * 6 + i]!.id, { size: 'large' }), `g${g}`, `a${i}`, 31 + 10 * g + i)
			)
		]).flat();
		const [found] = rulesOf(small(...many)).filter((f) => f.rule === 'crowding');
		expect(found!.sentence()).to.match(/On Laptop 1280, of the tab Model .*(one button|hidden)/);
	});
});
