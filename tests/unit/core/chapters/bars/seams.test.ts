import '../../../../../core/recipe/shapes/all.ts';
import { expect } from 'chai';
import { BARS, type ItemId } from '../../../../../core/chapters/bars/bar.ts';
import { barDifferences, takeBack } from '../../../../../core/chapters/bars/changes.ts';
import { generateNKeysBetween } from 'fractional-indexing';
import { settingOn } from '../../../../../core/chapters/bars/setting.ts';
import { timeTo } from '../../../../../core/chapters/bars/ways.ts';
import { desksOf, USUAL_DESK } from '../../../../../core/keyboard/desk.ts';
import { findingsIn } from '../../../../../core/profile/checkers.ts';
import { circumstancesOf, indexOf } from '../../../../../core/profile/circumstances.ts';
import { total } from '../../../../../core/time/pointing.ts';
import { barTree } from '../../../../../core/chapters/bars/tree.ts';
import { moveItem, takeOut } from '../../../../../core/chapters/bars/writing.ts';
import { chapterOf } from '../../../../../core/profile/chapters.ts';
import { applyEdit } from '../../../../../core/profile/edit.ts';
import { rebased } from '../../../../../core/profile/rebase.ts';
import { folded } from '../../../../../core/release/folded.ts';
import type { Profile, StratumId } from '../../../../../core/strata/stratum.ts';
import { gneiss } from '../../../../../demo/gneiss/gneiss.ts';
import { subjectOf } from '../../../demo-office.ts';

const command = gneiss.commands[0]!.id;
const bar = (id: string, more: object = {}) => ({
	op: 'set',
	id,
	parent: null,
	order: 'a0',
	item: {
		kind: 'bar',
		form: 'toolbar',
		name: id,
		scope: {},
		dock: { edge: 'top', row: 0 },
		icon: 24,
		text: 'none',
		hidden: false,
		...more
	}
});
const place = (id: string, parent: string, more: object = { command }) => ({
	op: 'set',
	id,
	parent,
	order: 'a0',
	item: { kind: 'place', size: 'small', shows: 'both', hidden: false, ...more }
});
/** Factory, office, personal; of the office's kind several may be given. */
const profileOf = (...said: readonly (readonly object[])[]): Profile =>
	said.map((entries, i) => {
		const last = said.length - 1;
		const kind = i === 0 ? 'factory' : i === last ? 'personal' : 'office';
		return {
			...{ id: (kind === 'office' && i > 1 ? `office-${i}` : kind) as StratumId, kind, name: kind },
			contents: { [BARS]: chapterOf(BARS).contentOf(entries.map((one, rank) => ({ ...one, rank }))) }
		} as Profile[number];
	});
const [OFFICE, PERSONAL] = ['office', 'personal'] as StratumId[] as [StratumId, StratumId];

describe('bars at the seams', () => {
	it('stand in the file of a seat where a lock keeps them', () => {
		const profile = profileOf(
			[bar('main')],
			[{ op: 'lock', id: 'main', of: 'position' }],
			[bar('main', { dock: { edge: 'left', row: 0 }, text: 'below' })]
		);
		const { space, application } = subjectOf(gneiss);
		const one = folded(profile, { ...profile[2]!, id: 'seat' as StratumId }, { space, rules: application.rules });
		const at = (p: Profile) => barTree(p).byId.get('main' as ItemId)!;
		expect(at(profile).item).to.deep.include({ dock: { edge: 'top', row: 0 }, text: 'below' });
		expect(at([profile[0]!, one])).to.deep.include({ item: at(profile).item, order: at(profile).order });
	});

	it('say that something is lost also where another stratum speaks of it idly', () => {
		const profile = profileOf(
			[bar('main')],
			[place('one', 'gone')],
			[
				{ op: 'lock', id: 'two' },
				{ op: 'remove', id: 'nothing' }
			]
		);
		expect(barTree(profile).idle.map(({ entry }) => entry.id)).to.include('one');
		const both = profileOf([bar('main')], [place('one', 'gone'), { op: 'lock', id: 'one' }], [{ op: 'remove', id: 'one' }]);
		const told = barTree(both)
			.idle.filter(({ entry }) => entry.id === 'one')
			.map(({ entry, stratum }) => `${stratum.id} ${entry.op}`);
		expect(told).to.have.members(['office set', 'personal remove']);
	});

	it('come back with the flyout that they stood in', () => {
		const before = profileOf([bar('main'), place('more', 'main', { flyout: 'More' }), place('one', 'more')], [], []);
		const moved = applyEdit(before, moveItem(before, OFFICE, 'one' as ItemId, 'main' as ItemId, 0));
		const now = applyEdit(moved, takeOut(moved, OFFICE, ['more' as ItemId]));
		const difference = barDifferences(barTree(now), barTree(before)).find(({ id }) => id === 'one')!;
		expect(difference.around.map(({ id }) => id)).to.deep.equal(['more']);
		const after = applyEdit(now, takeBack(now, OFFICE, difference));
		const tree = barTree(after);
		expect(tree.idle).to.deep.equal([]);
		expect(tree.byId.get('one' as ItemId)!.parent).to.equal('more');
		expect(tree.byId.get('more' as ItemId)!.parent).to.equal('main');
	});

	it('that one adds to what another takes out are told when both meet', () => {
		const base = profileOf([bar('main'), place('more', 'main', { flyout: 'More' })], [], []);
		const mine = [{ chapter: BARS, stratum: PERSONAL, before: null, after: { ...place('one', 'more'), rank: 0 } }];
		const theirs = applyEdit(base, takeOut(base, OFFICE, ['more' as ItemId]));
		const told = rebased(theirs, mine as never, base);
		expect(told.lost).to.have.length(1);
		expect(told.lost[0]).to.match(/^file\.|.* in the bars: its parent is gone \(more\)$/);
		expect(told.changes).to.have.length(1);
		expect(rebased(base, mine as never, base).lost).to.deep.equal([]);
	});

	const subject = subjectOf(gneiss);
	const setting = (profile: Profile, width = 1280) => {
		const index = indexOf(subject, profile);
		return settingOn(index, barTree(profile), 0, { name: 'test', width, height: 800, scale: 1 });
	};
	const orders = (n: number) => generateNKeysBetween(null, null, n);

	it('cost one more choice for each flyout that has to be opened, among what shows there', () => {
		const [first, second, third] = gneiss.commands.map(({ id }) => id);
		const profile = profileOf(
			[
				bar('main'),
				place('more', 'main', { flyout: 'More' }),
				place('inner', 'more', { flyout: 'Inner' }),
				{ ...place('line', 'more', {}), order: 'a1' },
				{ ...place('off', 'more', { command: third, hidden: true }), order: 'a2' },
				{ ...place('one', 'more', { command: first }), order: 'a3' },
				place('two', 'inner', { command: second })
			],
			[],
			[]
		);
		const terms = (id: string) => timeTo(setting(profile), id as ItemId)!;
		const choosing = (id: string) => terms(id).filter(({ name }) => name === 'choose in the overflow');
		expect(choosing('one')).to.have.length(1);
		expect(choosing('two')).to.have.length(2);
		// Hick and Hyman: two alternatives in the outer flyout, since a separator and what is hidden are none
		expect(choosing('one')[0]!.seconds).to.be.closeTo(0.15 * Math.log2(3), 1e-9);
		expect(total(terms('two'))).to.be.greaterThan(total(terms('one')));
	});

	it('are told where a tab or a menu has no room in its line, in whatever situation', () => {
		const [axis] = gneiss.application.axes;
		const last = axis!.nodes.at(-1)!.id;
		const scope = { [axis!.id]: [last] };
		const tabs = orders(40).map((order, i) => ({
			...{ op: 'set', id: `tab-${i}`, parent: 'wide', order },
			item: { kind: 'tab', name: `Cladding and doors ${i}` }
		}));
		const menus = orders(40).map((order, i) => ({ ...place(`menu-${i}`, 'line', { flyout: `Cladding ${i}` }), order }));
		const profile = profileOf(
			[bar('wide', { form: 'ribbon', scope }), ...tabs, { ...bar('line', { form: 'menu', scope }), order: 'a1' }, ...menus],
			[],
			[]
		);
		const found = findingsIn({ circumstances: circumstancesOf(subject, profile, [], null), profile, released: undefined }, [BARS])
			.filter(({ rule }) => rule === 'crowding')
			.map((f) => f.sentence());
		expect(found.some((sentence) => /the tab Cladding and doors 39 does not fit/.test(sentence))).to.equal(true);
		expect(found.some((sentence) => /the menu Cladding 39 does not fit/.test(sentence))).to.equal(true);
	});

	it('at the sides are judged by the screen with least height', () => {
		const names = orders(24);
		const buttons = names.map((order, i) => ({ ...place(`b-${i}`, 'side', { command: gneiss.commands[i]!.id }), order }));
		const profile = profileOf([bar('side', { dock: { edge: 'left', row: 0 } }), ...buttons], [], []);
		const desk = (screens: object[]) => desksOf([{ id: 'A', desk: { ...USUAL_DESK, screens: screens as never } }]);
		const said = (screens: object[]) =>
			findingsIn({ circumstances: circumstancesOf(subject, profile, desk(screens), null), profile, released: undefined }, [BARS])
				.filter(({ rule }) => rule === 'crowding')
				.map((f) => f.sentence());
		expect(said([{ width: 1920, height: 1200, scale: 1 }])).to.deep.equal([]);
		expect(said([{ width: 2560, height: 1440, scale: 2.5 }])).to.have.length(1);
	});
});
