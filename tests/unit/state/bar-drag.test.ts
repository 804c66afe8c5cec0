import { expect } from 'chai';
import { gneiss } from '../../../demo/gneiss/gneiss.ts';
import type { ItemId } from '../../../core/chapters/bars/bar.ts';
import { office } from '../page/office.ts';
import { until } from '../page/page.ts';

const id = (text: string) => text as ItemId;

/** What of a drag event the bars ask for. */
function event(carried: Record<string, string> = {}) {
	const done: string[] = [];
	return {
		done,
		preventDefault: () => void done.push('prevented'),
		stopPropagation: () => void done.push('stopped'),
		dataTransfer: {
			getData: (type: string) => carried[type] ?? '',
			setData: (type: string, value: string) => void (carried[type] = value)
		}
	} as unknown as DragEvent & { done: string[] };
}

describe('what is carried over the bars by mouse', () => {
	const demo = office();
	async function open() {
		const at = await demo.open(gneiss.application.id);
		const desk = new demo.browser.BarDesk(at);
		const drag = new demo.browser.BarDrag(desk);
		const names = (parent: string) => desk.tree.byId.get(id(parent))!.children.map((node) => desk.nameOf(node));
		return { at, desk, drag, names };
	}

	it('stands before the place over which it is let go, at the end of a group, and away outside', async () => {
		const { at, desk, drag, names } = await open();
		const carried: Record<string, string> = {};
		drag.start(event(carried), id('work.body.grow.3'));
		expect(desk.told).to.include('Loft is being moved');
		drag.carry(event(), id('work.body.grow.0'));
		expect(drag.mark).to.include({ id: 'work.body.grow.0', side: 'before' });
		drag.drop(event(carried), id('work.body.grow.0'));
		await until(() => names('work.body.grow')[0] === 'Loft', 'it must be first');
		expect(drag.mark).to.equal(undefined);
		drag.drop(event(carried), id('work.body.edges'));
		await until(() => names('work.body.edges').at(-1) === 'Loft', 'it stands last in the other group');
		drag.away(event(carried));
		await until(() => !names('work.body.edges').includes('Loft'), 'it is gone');
		for (let i = 0; i < 3; i++) await at.edits.undo();
		expect(names('work.body.grow')).to.include('Loft');
	});

	it('lies where the mark is, from left to right as from right to left, and within an empty group and flyout', async () => {
		const { at, desk, drag, names } = await open();
		const before = names('work.body.grow');
		const carried: Record<string, string> = {};
		drag.start(event(carried), id('work.body.grow.0'));
		drag.drop(event(carried), id('work.body.grow.3'));
		const [first, ...others] = before;
		const loft = others.indexOf('Loft');
		const moved = [...others.slice(0, loft), first, ...others.slice(loft)];
		await until(() => JSON.stringify(names('work.body.grow')) === JSON.stringify(moved), 'it lies before Loft');
		drag.drop(event(carried), id('work.body.grow'));
		await until(() => names('work.body.grow').at(-1) === before[0], 'it lies at the end');
		await at.edits.undo();
		await at.edits.undo();
		for (const make of [() => desk.addGroup('Mine'), () => desk.add({ flyout: 'Mine too' })]) {
			desk.select(id('work.body.grow'));
			await make();
			const made = desk.current!.id;
			expect(names(made)).to.deep.equal([]);
			for (const [i, command] of ['inspect.mass', 'inspect.measure'].entries()) {
				drag.drop(event({ 'application/x-skarn-command': command }), made, true);
				await until(() => names(made).length === i + 1, 'it is in it');
			}
			expect(names(made)).to.deep.equal(['Mass properties', 'Measure']);
		}
	});

	it('may be a command from outside, and nothing that means nothing', async () => {
		const { at, drag, names } = await open();
		drag.drop(event({ 'application/x-skarn-command': 'inspect.mass' }), id('work.body.grow'));
		await until(() => names('work.body.grow').at(-1) === 'Mass properties', 'the command has a place');
		await at.edits.undo();
		const { revision } = at;
		drag.drop(event({ 'text/plain': 'x' }), id('work.body.grow'));
		drag.drop(event({ 'application/x-skarn-item': 'work.body.grow.0' }), id('gone'));
		drag.away(event());
		await at.edits.commit('nothing', []);
		expect(at.revision).to.equal(revision);
	});
});
