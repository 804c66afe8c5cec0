import { expect } from 'chai';
import { gneiss } from '../../../demo/gneiss/gneiss.ts';
import type { StratumId } from '../../../core/strata/stratum.ts';
import { office } from '../page/office.ts';

const app = gneiss.application.id;

describe('setups in a browser', () => {
	const demo = office();
	async function open() {
		const at = await demo.open(app);
		let turned = 0;
		const desk = new demo.browser.SetupsDesk(at, async () => void turned++);
		await desk.load();
		return { at, desk, turned: () => turned };
	}

	it('begin with the usual one, from which another is made, and which is then kept by its name', async () => {
		const { desk, turned } = await open();
		expect(desk.mine.map(({ name, isStart }) => [name, isStart])).to.deep.equal([['Everyday', true]]);
		expect(await desk.make('Drafting', desk.mine[0]!)).to.equal(true);
		expect(desk.mine.map(({ name }) => name)).to.deep.equal(['Everyday', 'Drafting']);
		expect(turned(), 'it is looked at').to.equal(1);
		expect(localStorage.getItem(`skarn-setup-${app}`)).to.equal(desk.mine[1]!.id);
		expect(await desk.make('drafting', desk.mine[0]!), 'of the same name').to.equal(false);
		expect(desk.said).to.match(/Drafting|drafting/);
	});

	it('take strata in where their kind lies, out again, up and down', async () => {
		const { desk } = await open();
		const setup = () => desk.mine.find(({ name }) => name === 'Drafting')!;
		const [office, personal] = ['office', 'personal'] as StratumId[];
		expect(setup().strata).to.deep.equal([office, personal]);
		await desk.choose(setup(), office!, false);
		expect(setup().strata).to.deep.equal([personal]);
		await desk.choose(setup(), office!, true);
		expect(setup().strata, 'below one’s own').to.deep.equal([office, personal]);
		await desk.move(setup(), office!, 1);
		expect(setup().strata).to.deep.equal([personal, office]);
		expect(await desk.move(setup(), office!, 1), 'higher than the top').to.equal(false);
		await desk.move(setup(), office!, -1);
		expect(await desk.change(setup(), { name: 'Drawing', isStart: true })).to.equal(true);
		expect(desk.mine.map(({ name, isStart }) => [name, isStart])).to.deep.equal([
			['Everyday', false],
			['Drawing', true]
		]);
	});

	it('are removed but for the last, and what their strata hold stays', async () => {
		const { at, desk } = await open();
		const held = JSON.stringify([...at.profile.map(({ id }) => id)]);
		expect(await desk.remove(desk.mine.find(({ name }) => name === 'Drawing')!)).to.equal(true);
		expect(desk.mine.map(({ name, isStart }) => [name, isStart])).to.deep.equal([['Everyday', true]]);
		expect(await desk.remove(desk.mine[0]!)).to.equal(false);
		expect(desk.said).to.match(/only setup/);
		await at.reload();
		expect(JSON.stringify(at.profile.map(({ id }) => id))).to.equal(held);
	});
});

describe('an edit and what others write meanwhile', () => {
	const demo = office();

	it('is not held up by edits of strata that it does not change, and shows them', async () => {
		const [one, other] = [await demo.open(app), await demo.open(app)];
		const give = (at: typeof one, stratum: string, keys: string) => {
			at.writeTo(stratum as StratumId);
			const after = { op: 'set', command: 'inspect.mass', keys, scope: {}, rank: 5_000 };
			return at.edits.commit(`Give ${keys}`, [{ chapter: 'shortcuts', stratum, before: null, after } as never]);
		};
		expect(await give(one, 'office', 'Ctrl+Alt+F7')).to.equal(true);
		const [before] = [other.revision];
		expect(await give(other, 'personal', 'Ctrl+Alt+F8'), 'made on the revision before it').to.equal(true);
		expect(other.edits.merge).to.equal(undefined);
		expect(other.revision).to.equal(before + 2);
		expect(other.index.on('Ctrl+Alt+F7' as never), 'the other’s is here').to.have.length(1);
		const missed = await give(one, 'personal', 'Ctrl+Alt+F9');
		expect([missed, one.edits.merge !== undefined], 'of the same stratum it asks').to.deep.equal([false, true]);
	});
});

describe('what is shared, in a browser', () => {
	const demo = office();
	const until = async (check: () => boolean) => {
		for (let i = 0; !check(); i++) {
			if (i > 400) throw new Error('it did not come');
			await new Promise((resolve) => setTimeout(resolve, 25));
		}
	};

	it('is compared by chapter and words, taken over as an edit of one’s own, and taken back', async () => {
		const at = await demo.open(app);
		const desk = new demo.browser.CompareDesk(at);
		await desk.load();
		expect(desk.shown.map(({ name }) => name)).to.deep.equal(['Factory', 'Setup Everyday']);
		expect(desk.differing).to.equal(desk.listed.length);
		expect(desk.sides.find(({ id }) => id === 'factory')!.target, 'the factory is never written').to.equal(undefined);
		const own = () =>
			desk.listed.find(({ chapter, cells }) => chapter === 'shortcuts' && cells[1]?.stratum === 'personal' && !cells[0]);
		const row = own()!;
		await desk.takeOver(row, 0, 1);
		expect(
			desk.rows.find(({ id }) => id === row.id),
			'on no side any more'
		).to.equal(undefined);
		await at.edits.undo();
		await desk.load();
		expect(desk.listed.some(({ id }) => id === row.id)).to.equal(true);
		desk.onlyDifferences = false;
		desk.text = 'fillet';
		expect(desk.listed.length).to.be.greaterThan(0);
		expect(desk.listed.every(({ caption }) => /fillet/i.test(caption.label))).to.equal(true);
		expect(desk.table[0]).to.deep.equal(['chapter', 'thing', 'how', 'Factory', 'Setup Everyday']);
		expect(desk.table).to.have.length(desk.listed.length + 1);
		await desk.choose(2, 'stratum office');
		expect(desk.shown).to.have.length(3);
		await desk.choose(2, 'release 1');
		expect([desk.isRead, desk.shown[2]!.target]).to.deep.equal([true, undefined]);
		const says = (side: number) => desk.rows.filter(({ cells }) => cells[side]?.stratum === 'office').length;
		const first = says(2);
		await desk.choose(2, 'release 2');
		expect(first, 'the first release says less').to.be.greaterThan(0).and.to.be.lessThan(says(2));
		expect(desk.table[0]!.at(-1)).to.equal('Release 2, which seats follow');
		expect(
			desk.sides.some(({ id }) => id.startsWith('person ')),
			'nobody else is here'
		).to.equal(false);
		await desk.choose(2, '');
		expect(desk.shown).to.have.length(2);
	});

	it('is taken over by the lot, and a tab with all that is in it, each as one edit', async () => {
		const at = await demo.open(app);
		const desk = new demo.browser.CompareDesk(at);
		await desk.load();
		desk.chapter = 'gestures';
		const differing = desk.picksFor(1).length;
		expect(differing).to.be.greaterThan(1);
		expect(desk.picksFor(0).length, 'the same things, of the side that is not written').to.equal(differing);
		const before = at.revision;
		await desk.takeAll(1);
		expect(at.revision).to.equal(before + 1);
		expect(at.notice?.text).to.include(`${differing} things as in Factory`);
		expect(desk.rows.filter(({ chapter, isSame }) => chapter === 'gestures' && !isSame)).to.have.length.at.most(
			at.notice!.kind === 'failed' ? differing - 1 : 0
		);
		at.writeTo('personal' as StratumId);
		await at.edits.undo();
		await desk.load();
		expect(desk.picksFor(1).length).to.equal(differing);
		desk.chapter = 'bars';
		const group = desk.listed.find((row) => demo.browser.holdsOthers(row) && desk.shown[1]!.target !== undefined);
		if (group) {
			await desk.takeWithAll(group, 0, 1);
			expect(at.notice?.text).to.include('with all in it');
			await at.edits.undo();
		}
		await desk.takeAll(0);
		expect(at.revision, 'the factory is never written').to.equal(before + (group ? 4 : 2));
	});

	it('is proposed from one’s own, taken in without a part, and told with who decided', async () => {
		const at = await demo.open(app);
		const desk = new demo.browser.ProposalsDesk(at);
		await desk.load();
		const sayings = desk.sayings.filter(({ saying }) => saying.chapter === 'options' || saying.chapter === 'bars').slice(0, 2);
		expect(sayings).to.have.length(2);
		const office = 'office' as StratumId;
		const done = await desk.propose(
			office,
			sayings.map(({ saying }) => saying),
			'Two of mine',
			'they are good'
		);
		expect(done, at.notice?.text).to.equal(true);
		expect(desk.parts).to.have.length(2);
		desk.turn(0);
		expect(await desk.take(desk.chosen!), at.notice?.text).to.equal(true);
		expect(desk.chosen).to.deep.include({ state: 'taken' });
		expect(desk.chosen!.decision!.reason).to.include('1 of 2');
		expect(at.nameOf(desk.chosen!.decision!.by)).to.equal('you');
		expect(await desk.decline(desk.chosen!, 'once more'), 'it is decided').to.equal(false);
		at.writeTo(office);
		await at.edits.undo();
	});

	it('is weighed before it goes out, change by change, and a change is taken out of it', async () => {
		const at = await demo.open(app);
		const desk = new demo.browser.ImpactDesk(at);
		void desk.start();
		await until(() => desk.impact !== undefined);
		expect(desk.people).to.deep.equal(['first']);
		expect(desk.changes.length).to.be.greaterThan(5);
		expect(desk.changes.map(({ runs }) => runs)).to.deep.equal(desk.changes.map(({ runs }) => runs).sort((a, b) => b - a));
		const [dearest] = desk.changes;
		expect(dearest!.runs).to.be.greaterThan(0);
		const before = desk.changes.length;
		await desk.takeOut(dearest!);
		// without it what the factory says clashes again: that is asked about first
		expect(desk.warning?.errors.length, 'errors are told before').to.be.greaterThan(0);
		expect(desk.changes.length, 'nothing is done yet').to.equal(before);
		await desk.takeOut(dearest!, true);
		await until(() => desk.changes.length !== before);
		expect(desk.changes.some(({ difference }) => difference.id === dearest!.difference.id)).to.equal(false);
		expect(at.targetId, 'it was written to the office').to.equal('office');
		await at.edits.undo();
		desk.stop();
	});
});
