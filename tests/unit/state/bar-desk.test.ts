import { expect } from 'chai';
import { gneiss } from '../../../demo/gneiss/gneiss.ts';
import { varve } from '../../../demo/varve/varve.ts';
import type { CommandId } from '../../../core/application/command.ts';
import type { ItemId } from '../../../core/chapters/bars/bar.ts';
import { office } from '../page/office.ts';

const id = (text: string) => text as ItemId;

describe('the bars while they are shaped', () => {
	const demo = office();
	async function open(app: string = gneiss.application.id) {
		const at = await demo.open(app);
		return { at, desk: new demo.browser.BarDesk(at) };
	}
	const below = (desk: Awaited<ReturnType<typeof open>>['desk'], parent: string) =>
		desk.tree.byId.get(id(parent))!.children.map((node) => desk.nameOf(node));

	it('are gone through by keys from what is drawn to what is drawn, and into what is around', async () => {
		const { desk } = await open();
		desk.go(1, 0);
		expect(desk.current, 'the first key selects something').not.to.equal(undefined);
		desk.select(id('work.body.grow.0'));
		desk.go(1, 0);
		expect(desk.nameOf(desk.current!)).to.equal('Revolve');
		desk.go(-1, 0);
		expect(desk.nameOf(desk.current!)).to.equal('Extrude');
		desk.up();
		expect(desk.current!.item.kind).to.equal('group');
		desk.down();
		expect(desk.nameOf(desk.current!)).to.equal('Extrude');
		desk.select(id('work.sketch'));
		expect(desk.layout.ribbons[0]!.front!.name).to.equal('Sketch');
		expect(desk.told).to.equal('tab Sketch');
	});

	it('take something behind what is selected, move it over the end of a group, and give it back', async () => {
		const { at, desk } = await open();
		const before = below(desk, 'work.body.take');
		desk.select(id('work.body.grow.0'));
		await desk.add({ command: 'inspect.mass' as CommandId });
		expect(below(desk, 'work.body.grow').slice(0, 2)).to.deep.equal(['Extrude', 'Mass properties']);
		expect(desk.nameOf(desk.current!)).to.equal('Mass properties');
		for (let i = below(desk, 'work.body.grow').length; i > 1; i--) await desk.shift(1);
		expect(below(desk, 'work.body.take')[0]).to.equal('Mass properties');
		await desk.shift(-1);
		expect(below(desk, 'work.body.take')).to.deep.equal(before);
		await desk.remove();
		expect(below(desk, 'work.body.grow')).not.to.include('Mass properties');
		while (at.edits.undoable.length > 1) await at.edits.undo();
		expect(below(desk, 'work.body.take')).to.deep.equal(before);
	});

	it('take several that are added at once one behind the other', async () => {
		const { at, desk } = await open();
		const earlier = at.edits.undoable.length;
		desk.select(id('work.body.grow.0'));
		await Promise.all(['inspect.mass', 'inspect.measure'].map((command) => desk.add({ command: command as CommandId })));
		expect(below(desk, 'work.body.grow').slice(0, 3)).to.deep.equal(['Extrude', 'Mass properties', 'Measure']);
		while (at.edits.undoable.length > earlier) await at.edits.undo();
	});

	it('are changed several at once, and are as below again when they are reset', async () => {
		const { at, desk } = await open();
		desk.select(id('work.body.grow.0'));
		desk.select(id('work.body.grow.1'), true);
		await desk.change('place', 'icon alone', (item) => ({ ...item, shows: 'icon' }));
		const shows = () => ['0', '1'].map((n) => (desk.tree.byId.get(id(`work.body.grow.${n}`))!.item as { shows: string }).shows);
		expect(shows()).to.deep.equal(['icon', 'icon']);
		expect(desk.ownBelow).to.have.members([id('work.body.grow.0'), id('work.body.grow.1')]);
		await desk.reset(desk.ownBelow, 'two');
		expect(shows()).to.deep.equal(['both', 'both']);
		for (let i = 0; i < 2; i++) await at.edits.undo();
	});

	it('are asked about before what only this level has goes by being as below', async () => {
		const { at, desk } = await open();
		await desk.addBar('toolbar', 'Mine alone');
		const made = desk.current!;
		await desk.reset(desk.ownBelow, 'Mine alone');
		expect(desk.asking?.what).to.equal('Mine alone');
		expect(desk.tree.byId.has(made.id), 'nothing is done before it is asked').to.equal(true);
		const { ids, what } = desk.asking!;
		await desk.reset(ids, what, true);
		expect(desk.tree.byId.has(made.id)).to.equal(false);
		for (let i = 0; i < 2; i++) await at.edits.undo();
	});

	it('lose all labels at once and get them again, each as one edit', async () => {
		const { at, desk } = await open();
		const earlier = at.edits.undoable.length;
		expect(desk.hasLabels).to.equal(true);
		await desk.setLabels(false);
		expect(desk.hasLabels).to.equal(false);
		expect(at.edits.undoable.length).to.equal(earlier + 1);
		const large = [...desk.tree.byId.values()].find(({ item }) => item.kind === 'place' && item.size === 'large');
		expect((large!.item as { shows: string }).shows, 'large ones live by their names').to.not.equal('icon');
		await desk.setLabels(true);
		expect(desk.hasLabels).to.equal(true);
		while (at.edits.undoable.length > earlier) await at.edits.undo();
	});

	it('are drawn on the other monitors that they float on, and reached there by keys', async () => {
		const { at, desk } = await open();
		const earlier = at.edits.undoable.length;
		await desk.addBar('toolbar', 'Beside');
		const bar = desk.current!.id;
		expect(desk.monitors).to.deep.equal([]);
		await desk.change('bar', 'beside', (item) => ({ ...item, dock: { edge: 'floating', monitor: 2, x: 10, y: 20, columns: 2 } }));
		const [monitor] = desk.monitors;
		expect(monitor!.number).to.equal(2);
		expect(monitor!.rect.x).to.be.greaterThan(desk.layout.width);
		const spot = desk.spots.find(({ id: one }) => one === bar)!;
		expect([spot.rect.x, spot.rect.y]).to.deep.equal([monitor!.rect.x + 10, monitor!.rect.y + 20]);
		while (at.edits.undoable.length > earlier) await at.edits.undo();
	});

	it('are moved several at once, as one edit, and keep their order', async () => {
		const { at, desk } = await open();
		const take = id('work.body.take');
		const before = below(desk, take);
		for (const [i, one] of ['work.body.take.0', 'work.body.take.1'].entries()) desk.select(id(one), i > 0);
		const edits = at.edits.undoable.length;
		await desk.shift(1);
		expect(below(desk, take).slice(0, 3)).to.deep.equal([before[2], before[0], before[1]]);
		expect(at.edits.undoable.length).to.equal(edits + 1);
		await desk.shift(-1);
		expect(below(desk, take)).to.deep.equal(before);
		await desk.moveSelected(id('work.body.edges'), 1);
		expect(below(desk, 'work.body.edges').slice(0, 3)).to.deep.equal(['Fillet edges', before[0], before[1]]);
		await desk.moveSelected(id('work.body.edges'), 0);
		expect(below(desk, 'work.body.edges').slice(0, 3)).to.deep.equal([before[0], before[1], 'Fillet edges']);
		desk.select(id('look.0'), true);
		await desk.shift(1);
		expect(at.notice!.text).to.include('is in several groups');
		for (let i = 0; i < 4; i++) await at.edits.undo();
		expect(below(desk, take)).to.deep.equal(before);
	});

	it('dock at an edge in a row of their own, float, and come back', async () => {
		const { at, desk } = await open();
		const dockOf = () => (desk.tree.byId.get(id('look'))!.item as { dock: object }).dock;
		const before = dockOf();
		await desk.dock(id('look'), 'top', 0, 0);
		// the row of files is the outermost there
		expect(dockOf()).to.deep.equal({ edge: 'top', row: 1 });
		await desk.dock(id('look'), 'floating', 300, 260);
		expect(dockOf()).to.deep.equal({ edge: 'floating', monitor: 1, x: 300, y: 260, columns: 6 });
		expect(desk.layout.toolbars.find(({ bar }) => bar.id === 'look')!.rect).to.include({ x: 300, y: 260 });
		await desk.dock(id('work'), 'left', 0, 0);
		expect(desk.tree.byId.get(id('work'))!.item, 'a ribbon does not dock').to.deep.include({ form: 'ribbon' });
		for (let i = 0; i < 2; i++) await at.edits.undo();
		expect(dockOf()).to.deep.equal(before);
	});

	it('open what holds the selected, and arrow keys stay in it as long as something lies that way', async () => {
		const { desk } = await open(varve.application.id);
		desk.select(id('menus.0'));
		expect(desk.opened!.home.id).to.equal('menus.0');
		desk.down();
		expect(desk.nameOf(desk.current!)).to.equal('New');
		desk.go(0, 1);
		expect(desk.current!.parent, 'the next in the menu').to.equal('menus.0');
		for (let i = 0; i < 30; i++) desk.go(0, 1);
		expect(desk.opened?.home.id, 'below its end lies the window').to.not.equal('menus.0');
		desk.select(id('lines.0'));
		expect(desk.opened).to.equal(undefined);
		desk.open(id('menus.1'));
		expect(desk.opened!.home.id, 'held open for what is carried').to.equal('menus.1');
	});

	it('take a menu of one’s own, and show what they would be in the other style', async () => {
		const { at, desk } = await open();
		await desk.addMenu('Doors');
		expect(desk.layout.titles.map(({ place }) => place.label)).to.deep.equal(['Doors']);
		await desk.add({ command: 'inspect.mass' as CommandId });
		expect(desk.opened!.places.map(({ place }) => place.label)).to.deep.equal(['Mass properties']);
		expect(desk.style).to.equal('ribbon');
		const { style, layout } = desk.otherStyle;
		expect(style).to.equal('toolbars');
		await desk.takeStyle(style);
		expect(desk.layout.canvas).to.deep.equal(layout.canvas);
		expect(desk.fit, 'no forms are kept where there are no groups').to.equal(undefined);
		await desk.takeStyle('ribbon');
		for (let i = 0; i < 4; i++) await at.edits.undo();
		expect(desk.layout.titles).to.deep.equal([]);
	});

	it('are held against factory, office and release', async () => {
		const { at, desk } = await open();
		expect(desk.differences).to.deep.equal([]);
		desk.against = 'office';
		const told = () => desk.differences.map(({ id: one, kind }) => `${kind} ${one}`);
		expect(told()).to.have.members(['moved work.body.take.4', 'gone look.6', 'gone look.7']);
		await desk.takeBack(desk.differences.find(({ kind }) => kind === 'gone')!);
		expect(told()).to.have.length(2);
		await at.edits.undo();
		expect(told()).to.have.length(3);
		const { factory, release } = desk.sharesOn(0);
		expect(factory).to.be.within(0.3, 1);
		expect(release).to.be.within(0.3, 1);
	});

	it('say what stands in the way: a lock, the untouched bars, a place within itself', async () => {
		const { at, desk } = await open();
		desk.select(id('files.0'));
		await desk.remove();
		expect(at.notice).to.include({ kind: 'failed' });
		expect(at.notice!.text).to.include('Office');
		await desk.moveTo(id('work.body'), id('work.body.grow'), 0);
		expect(at.notice!.text).to.include('into itself');
		desk.isUntouched = true;
		expect(below(desk, 'work.body.take')).to.include('Shell');
		desk.select(id('work.body.take.4'));
		await desk.remove();
		expect(at.notice!.text).to.include('default toolbars are shown');
	});

	it('get longer ways through drawers, and fits that save what they say', async () => {
		const { at, desk } = await open();
		desk.select(id('work.body.grow.0'));
		const seconds = desk.time!.seconds;
		desk.select(id('work.body.grow'));
		await desk.change('group', 'one button', (item) => ({ ...item, form: 'folded' }));
		desk.select(id('work.body.grow.0'));
		expect(desk.time!.seconds).to.be.greaterThan(seconds);
		const { fit } = desk;
		expect(fit!.saves).to.be.greaterThan(0);
		await desk.takeFit();
		expect(desk.fit!.saves).to.be.closeTo(0, 1e-9);
		for (let i = 0; i < 2; i++) await at.edits.undo();
	});

	it('begin with a bar of one’s own where there is no ribbon', async () => {
		const { at, desk } = await open(varve.application.id);
		const bars = desk.tree.bars.length;
		await desk.addTab('Nowhere');
		expect(at.notice!.text).to.include('no ribbon');
		await desk.addBar('toolbar', 'Mine');
		expect(desk.tree.bars.length).to.equal(bars + 1);
		await desk.add({ flyout: 'More' });
		await desk.add({ command: 'file.save' as CommandId });
		const mine = desk.tree.bars.find(({ item }) => item.name === 'Mine')!;
		expect(mine.children.map((node) => [desk.nameOf(node), node.children.map((one) => desk.nameOf(one))])).to.deep.equal([
			['More', ['Save']]
		]);
		expect(desk.layout.share).to.be.lessThan(desk.factory.share);
		for (let i = 0; i < 3; i++) await at.edits.undo();
	});
});
