import { expect } from 'chai';
import { gneiss } from '../../../demo/gneiss/gneiss.ts';
import { tuff } from '../../../demo/tuff/tuff.ts';
import { varve } from '../../../demo/varve/varve.ts';
import { benchBars } from '../../../src/lib/ui/bench/bars.ts';
import { subjectOf } from '../demo-office.ts';

describe('the bars of the stand-in’s window', () => {
	for (const standIn of [gneiss, varve, tuff]) {
		const { application, catalogue, space } = subjectOf(standIn);
		const { profile } = standIn.history().at(-1)!;
		const at = (width: number, height: number, situation = 0) =>
			benchBars(
				{ profile, catalogue, space, situation, document: { application } as never },
				{ width, height },
				new Set<string>()
			);

		it(`of ${application.name} leave the middle as high as it is drawn, and the edges what they take`, () => {
			for (const width of [700, 1100, 1900])
				for (const height of [260, 500]) {
					const { layout, regions } = at(width, height)!;
					expect(layout.canvas.height).to.equal(height);
					expect(regions.left.width + layout.canvas.width + regions.right.width).to.equal(width);
					expect(regions.top.height + height + regions.bottom.height).to.equal(layout.height);
					for (const { bar, rect } of layout.toolbars) {
						if (bar.dock.edge === 'floating') continue;
						const region = regions[bar.dock.edge];
						expect(rect.x).to.be.at.least(region.x);
						expect(rect.y).to.be.at.least(region.y);
						expect(rect.x + rect.width).to.be.at.most(region.x + region.width);
						expect(rect.y + rect.height).to.be.at.most(region.y + region.height);
					}
				}
		});

		it(`of ${application.name} show in a situation only what is scoped to it`, () => {
			for (let situation = 0; situation < space.situations.length; situation += 7) {
				const shown = new Set(at(1200, 400, situation)!.layout.toolbars.map(({ bar }) => bar.name));
				for (const entry of standIn.factoryBars) {
					if (entry.op !== 'set' || entry.item.kind !== 'bar' || entry.item.form !== 'toolbar') continue;
					const nodes = space.situations[situation]!;
					// by the words of the scope: each axis that it names has one of its nodes, or one above it
					const isWanted = Object.entries(entry.item.scope).every(([axis, wanted]) => {
						const a = space.axes.findIndex((one) => one.id === axis);
						const above = (node: string | undefined): boolean =>
							node !== undefined &&
							(wanted.includes(node as never) || above(space.axes[a]!.nodes.find((one) => one.id === node)?.parent));
						return above(nodes[a]);
					});
					expect(shown.has(entry.item.name), `${entry.item.name} in ${space.labelOf(situation)}`).to.equal(isWanted);
				}
			}
		});
	}

	it('are none where the profile has none', () => {
		const { application, catalogue, space } = subjectOf(gneiss);
		const profile = gneiss.history()[0]!.profile.map((stratum) => ({ ...stratum, contents: {} }));
		const none = { profile, catalogue, space, situation: 0, document: { application } as never };
		expect(benchBars(none, { width: 900, height: 400 }, new Set())).to.equal(undefined);
	});
});
