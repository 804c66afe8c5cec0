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
