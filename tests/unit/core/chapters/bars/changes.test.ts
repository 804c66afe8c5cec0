import { expect } from 'chai';
import fc from 'fast-check';
import { gneiss } from '../../../../../demo/gneiss/gneiss.ts';
import { varve } from '../../../../../demo/varve/varve.ts';
import { barDifferences, takeBack } from '../../../../../core/chapters/bars/changes.ts';
import type { Item, ItemId } from '../../../../../core/chapters/bars/bar.ts';
import { allNodes, barTree, type BarTree } from '../../../../../core/chapters/bars/tree.ts';
import { changeItem, insertItem, moveItem, takeOut } from '../../../../../core/chapters/bars/writing.ts';
import { applyEdit } from '../../../../../core/profile/edit.ts';
import type { Profile, StratumId } from '../../../../../core/strata/stratum.ts';
import { demoProfile } from '../../../demo-office.ts';

const PERSONAL = 'personal' as StratumId;
/** What people see of bars: what stands in what, in which order, and what is said of it. */
const drawn = ({ bars }: BarTree): unknown => {
	const told = (node: BarTree['bars'][number] | (typeof bars)[number]['children'][number]): unknown => [
		node.id,
		node.item,
		node.children.map(told)
	];
	return bars.map(told);
};

describe('what differs between bars', () => {
	it('is, of the demo, what its strata say', () => {
		const profile = demoProfile(gneiss);
		const found = barDifferences(barTree(profile), barTree(profile.slice(0, 1)));
		const told = found.map(({ kind, is, was }) => `${kind} ${(is ?? was)!.id}`);
		expect(told).to.include('moved work.body.take.4');
		expect(told.filter((one) => one.startsWith('gone'))).to.deep.equal(['gone look.6', 'gone look.7']);
		// of a new group only the group is told
		expect(told.filter((one) => one.startsWith('new'))).to.have.length(1);
		expect(barDifferences(barTree(profile), barTree(profile))).to.deep.equal([]);
	});

	it('is nothing any more when all of it is taken back, whatever was done', () => {
		const start = demoProfile(varve);
		const before = barTree(start);
		const ids = [...allNodes(before)].map(({ id }) => id);
		const step = fc.tuple(fc.constantFrom('move', 'out', 'rename', 'new'), fc.nat(), fc.nat());
		fc.assert(
			fc.property(fc.array(step, { minLength: 1, maxLength: 8 }), (steps) => {
				let profile: Profile = start;
				for (const [what, a, b] of steps) {
					const tree = barTree(profile);
					const node = tree.byId.get(ids[a % ids.length]!);
					if (!node) continue;
					const home = tree.byId.get(ids[b % ids.length]!);
					const bars = [...tree.bars].filter(({ item }) => item.form === 'toolbar');
					const toolbar = bars[b % bars.length]!;
					if (what === 'out') profile = applyEdit(profile, takeOut(profile, PERSONAL, [node.id]));
					else if (what === 'move' && node.item.kind === 'place' && home)
						profile = applyEdit(profile, moveItem(profile, PERSONAL, node.id, toolbar.id, b % 4));
					else if (what === 'rename' && node.item.kind === 'bar')
						profile = applyEdit(profile, changeItem(profile, PERSONAL, node.id, { ...node.item, name: `Called ${b}` }));
					else if (what === 'new') {
						const item = {
							kind: 'place',
							command: varve.commands[b % 50]!.id,
							size: 'small',
							shows: 'both',
							hidden: false
						} as Item;
						profile = applyEdit(profile, insertItem(profile, PERSONAL, item, toolbar.id, a % 5).changes);
					}
				}
				for (let i = 0; i < 40; i++) {
					const [difference] = barDifferences(barTree(profile), before);
					if (!difference) break;
					profile = applyEdit(profile, takeBack(profile, PERSONAL, difference));
				}
				expect(drawn(barTree(profile))).to.deep.equal(drawn(before));
			}),
			{ numRuns: 60 }
		);
	});

	it('says nothing that the strata below say anyhow', () => {
		const start = demoProfile(varve);
		const id = 'hand.3' as ItemId;
		const out = applyEdit(start, takeOut(start, PERSONAL, [id]));
		const [gone] = barDifferences(barTree(out), barTree(start));
		expect(gone).to.include({ id, kind: 'gone' });
		const changes = takeBack(out, PERSONAL, gone!);
		expect(changes.map(({ after }) => after)).to.deep.equal([null]);
	});
});
