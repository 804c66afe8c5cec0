import { expect } from 'chai';
import { hasBit } from '../../../core/context/bits.ts';
import { indexOf } from '../../../core/profile/circumstances.ts';
import { gneiss } from '../../../demo/gneiss/gneiss.ts';
import { tuff } from '../../../demo/tuff/tuff.ts';
import { varve } from '../../../demo/varve/varve.ts';
import { CONTENTS, menusOf, panesOf, ribbonOf } from '../../../src/lib/ui/bench/surfaces.ts';
import { demoProfile, subjectOf } from '../demo-office.ts';

describe("surfaces of a stand-in's window", () => {
	for (const standIn of [gneiss, varve, tuff]) {
		const index = indexOf(subjectOf(standIn), demoProfile(standIn));
		const { name } = standIn.application;

		it(`${name}: every command of the program has its menu, once; what opens a bar at the pointer has none`, () => {
			const ids = menusOf(index).flatMap((m) => m.commands.map((c) => c.id));
			expect(ids).to.include.members(standIn.commands.map((c) => c.id));
			expect(ids).to.have.members([...index.catalogue.keys()].filter((id) => !id.startsWith('bar:')));
			expect(new Set(ids).size).to.equal(ids.length);
		});

		it(`${name}: the ribbon shows what exists in the situation, and no more than there is room for`, () => {
			for (let s = 0; s < index.space.situations.length; s += 7) {
				const groups = ribbonOf(index, s, 4, 5);
				expect(groups.length).to.be.within(1, 4);
				for (const { commands } of groups) {
					expect(commands.length).to.be.within(1, 5);
					for (const { contexts } of commands) expect(hasBit(index.space.bitsOfAny(contexts), s)).to.equal(true);
				}
			}
		});

		it(`${name}: every pane stands somewhere, once`, () => {
			const panes = standIn.application.axes.find((a) => a.id === 'pane');
			expect(panes, 'the stand-ins have panes').not.to.equal(undefined);
			const { main, text, left, right } = panesOf(panes!.nodes);
			expect([main, text, ...left, ...right].filter(Boolean)).to.have.members([...panes!.nodes]);
			for (const pane of [...left, ...right]) if (CONTENTS[pane.id]) expect(CONTENTS[pane.id]!.length).to.be.greaterThan(0);
		});
	}
});
