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
		const made = await desk.make('Drafting', desk.mine[0]!);
		expect(made, desk.said).to.equal(true);
		expect(desk.mine.map(({ name }) => name)).to.deep.equal(['Everyday', 'Drafting']);
		expect(turned(), 'it is looked at').to.equal(1);
		expect(localStorage.getItem(`skarn-setup-${app}`)).to.equal(desk.mine[1]!.id);
		expect(await desk.make('drafting', desk.mine[0]!), 'of the same name').to.equal(false);
		expect(desk.said).to.match(/Drafting|drafting/);
		const strata = ((await (await fetch('/api/strata')).json()) as { strata: { id: string }[] }).strata.map(({ id }) => id);
		expect(strata.includes('drafting-2'), 'nothing was made for it').to.equal(false);
	});

	it('are copies: what is one’s own lies in a stratum of the new one, unless it is shared, and both are told', async () => {
		const { at, desk } = await open();
		await at.reload();
		const [usual, drafting] = [desk.mine[0]!, desk.mine[1]!];
		expect(usual.strata).to.deep.equal(['office', 'personal']);
		expect(drafting.strata, 'a stratum of its own').to.deep.equal(['office', 'drafting']);
		expect(at.document.layers.find(({ id }) => id === 'drafting')!.name).to.equal('Drafting');
		expect(await desk.make('Both', usual, true)).to.equal(true);
		expect(desk.made).to.match(/shares .* with Everyday/);
		expect(desk.mine.at(-1)!.strata).to.deep.equal(['office', 'personal']);
		const own = at.document.layers.find(({ id }) => id === 'personal')!;
		expect(desk.sharedWith(usual, own).map(({ name }) => name)).to.deep.equal(['Both']);
		expect(await desk.remove(desk.mine.at(-1)!)).to.equal(true);
		expect(await desk.rename(own, 'All round')).to.equal(true);
		expect((await demo.open(app)).document.layers.find(({ id }) => id === 'personal')!.name).to.equal('All round');
	});

	it('leave what is written to in other programs as it was', async () => {
		const other = await demo.open('varve-draft-7');
		expect(other.document.setup).to.include({ name: 'Everyday' });
		expect(other.document.setup.strata).to.deep.equal(['office', 'personal']);
	});

	it('take strata in where their kind lies, out again, up and down', async () => {
		const { desk } = await open();
		const setup = () => desk.mine.find(({ name }) => name === 'Drafting')!;
		const [office, personal] = ['office', 'drafting'] as StratumId[];
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
		const held = JSON.stringify(at.profile.find(({ id }) => id === 'drafting'));
		expect(await desk.remove(desk.mine.find(({ name }) => name === 'Drawing')!)).to.equal(true);
		expect(desk.mine.map(({ name, isStart }) => [name, isStart])).to.deep.equal([['Everyday', true]]);
		expect(await desk.remove(desk.mine[0]!)).to.equal(false);
		expect(desk.said).to.match(/only setup/);
		expect(await desk.make('Drawing again', desk.mine[0]!, true)).to.equal(true);
		await desk.choose(desk.mine.at(-1)!, 'drafting' as StratumId, true);
		expect(await desk.change(desk.mine.at(-1)!, { isStart: true })).to.equal(true);
		const again = await demo.open(app);
		expect(JSON.stringify(again.profile.find(({ id }) => id === 'drafting'))).to.equal(held);
	});
});
