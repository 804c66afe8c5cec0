import { expect } from 'chai';
import { gneiss } from '../../../../../demo/gneiss/gneiss.ts';
import type { CommandId } from '../../../../../core/application/command.ts';
import type { ItemId } from '../../../../../core/chapters/bars/bar.ts';
import { barTree } from '../../../../../core/chapters/bars/tree.ts';
import type { BarSetting } from '../../../../../core/chapters/bars/setting.ts';
import { barWays, timeTo } from '../../../../../core/chapters/bars/ways.ts';
import { changeItem } from '../../../../../core/chapters/bars/writing.ts';
import { applyEdit } from '../../../../../core/profile/edit.ts';
import type { Profile, StratumId } from '../../../../../core/strata/stratum.ts';
import { total } from '../../../../../core/time/pointing.ts';
import { subjectOf } from '../../../demo-office.ts';

const { catalogue, space } = subjectOf(gneiss);
const demo = gneiss.history().at(-1)!.profile;
const setting = (profile: Profile, width = 1920): BarSetting => ({
	tree: barTree(profile),
	catalogue,
	space,
	situation: 0,
	room: { width, height: 1000 },
	givesWay: 'turns'
});
const ways = (command: string, profile = demo, width?: number) => barWays(setting(profile, width), command as CommandId);

describe('the ways to a command over the bars', () => {
	it('are all of its places, the quickest first, each with terms that sum up', () => {
		const found = ways('sheet.table');
		expect(found.map(({ where }) => where)).to.have.members(['Sheet metal, Cabin doors', 'Sheet metal, For the shop']);
		expect(found[0]!.seconds).to.be.at.most(found[1]!.seconds);
		for (const { seconds, terms } of found) {
			expect(seconds).to.be.closeTo(total(terms), 1e-9);
			expect(terms.map(({ name }) => name)).to.deep.equal(['hand to the mouse', 'the tab', 'pointing']);
		}
		expect(ways('file.quit')).to.deep.equal([]);
	});

	it('are longer through a flyout or a drawer, and shorter without a tab', () => {
		const [flyout] = ways('solid.box');
		expect(flyout!.where).to.equal('Body, Grow, Blocks');
		expect(flyout!.terms.map(({ name }) => name)).to.include.members(['in the overflow', 'choose in the overflow']);
		expect(ways('file.save')[0]!.terms.map(({ name }) => name)).to.deep.equal(['hand to the mouse', 'pointing']);
		const folded = applyEdit(
			demo,
			changeItem(demo, 'personal' as StratumId, 'work.body.grow' as ItemId, { kind: 'group', name: 'Grow', form: 'folded' })
		);
		expect(ways('solid.loft', folded)[0]!.seconds).to.be.greaterThan(ways('solid.loft')[0]!.seconds);
	});

	it('are none where the place is switched off, or its bar does not show', () => {
		const node = barTree(demo).byId.get('files.1' as ItemId)!;
		const off = applyEdit(
			demo,
			changeItem(demo, 'personal' as StratumId, node.id, { ...node.item, hidden: true } as typeof node.item)
		);
		expect(ways('edit.undo').length - ways('edit.undo', off).length).to.equal(1);
		const bar = barTree(demo).byId.get('look' as ItemId)!;
		const hidden = applyEdit(
			demo,
			changeItem(demo, 'personal' as StratumId, bar.id, { ...bar.item, hidden: true } as typeof bar.item)
		);
		expect(ways('view.fit', hidden)).to.deep.equal([]);
		expect(timeTo(setting(hidden), 'look.0' as ItemId)).to.equal(undefined);
	});
});
