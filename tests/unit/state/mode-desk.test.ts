import { expect } from 'chai';
import { tuff } from '../../../demo/tuff/tuff.ts';
import { varve } from '../../../demo/varve/varve.ts';
import type { CommandId } from '../../../core/application/command.ts';
import type { NodeId } from '../../../core/context/axis.ts';
import { whereShown } from '../../../core/chapters/bars/boxes.ts';
import { barTree } from '../../../core/chapters/bars/tree.ts';
import { hasBit } from '../../../core/context/bits.ts';
import { setMacro } from '../../../core/chapters/macros/writing.ts';
import { setOption } from '../../../core/chapters/options/writing.ts';
import { office } from '../page/office.ts';

describe('the modes while they are shaped', () => {
	const demo = office();
	async function open(app: string = tuff.application.id) {
		const at = await demo.open(app);
		return { at, desk: new demo.browser.ModeDesk(at) };
	}
	type Desk = Awaited<ReturnType<typeof open>>['desk'];
	const labels = (desk: Desk) => desk.rows.map((row) => row.label);
	const row = (desk: Desk, label: string) => desk.rows.find((one) => one.label === label)!;

	it('are those that one can stand in, favourites first; a program without modes has none', async () => {
		const { desk } = await open();
		expect(labels(desk).slice(0, 4)).to.deep.equal(['Panels', 'Fit-up', 'Foil', 'Points of the skin']);
		expect(labels(desk)).not.to.include('Skin');
		expect(desk.favourites.map((one) => one.stratum?.id)).to.deep.equal([undefined, 'office', undefined]);
		expect(row(desk, 'Fit-up').command).to.equal('mode:fit-up');
		expect((await open(varve.application.id)).desk.rows).to.deep.equal([]);
	});

	it('are made with a copy of the bars, stood in at once, and gone again with undo', async () => {
		const { at, desk } = await open();
		const foil = row(desk, 'Foil');
		desk.switchTo(foil.id);
		const before = at.space.labelOf(at.situation);
		expect(await desk.make('Lettering', foil.id, 'copied')).to.equal(true);
		expect(at.space.labelOf(at.situation)).to.equal(before.replace('Foil', 'Lettering'));
		const made = row(desk, 'Lettering');
		expect(made.bars, 'as many bars as in what it was made from').to.equal(foil.bars);
		const shown = barTree(at.profile).bars.filter(({ item }) => hasBit(whereShown(at.space, item), at.situation));
		expect(shown.every(({ item }) => JSON.stringify(item.scope) === `{"mode":["${made.id}"]}`)).to.equal(true);
		await desk.setBars(made, 'shared');
		expect(row(desk, 'Lettering').bars).to.equal(foil.bars * 2);
		await desk.rename(row(desk, 'Lettering'), 'Letters');
		expect(at.space.labelOf(at.situation)).to.equal(before.replace('Foil', 'Letters'));
		while (at.edits.undoable.length > 1) await at.edits.undo();
		expect(labels(desk)).not.to.include('Lettering');
		expect(at.space.labelOf(at.situation), 'one stands in what it was made from').to.equal(before);
	});

	it('go with their favourite, and leave what speaks of them nowhere', async () => {
		const { at, desk } = await open();
		await desk.make('Night', 'foil' as NodeId, 'none');
		expect(row(desk, 'Night').bars).to.equal(0);
		await desk.favour(row(desk, 'Night'));
		await desk.shift(row(desk, 'Night'), -1);
		expect(labels(desk).slice(0, 4)).to.deep.equal(['Panels', 'Fit-up', 'Night', 'Foil']);
		await desk.shift(row(desk, 'Panels'), -1);
		expect(labels(desk)[0], 'the first stays the first').to.equal('Panels');
		expect(desk.uses(row(desk, 'Night'))).to.equal('');
		expect(desk.uses(row(desk, 'Fit-up'))).to.equal('1 bar');
		await desk.remove(row(desk, 'Night'));
		expect(labels(desk)).not.to.include('Night');
		expect(
			at.findings.of('modes').all.filter(({ id }) => id.includes('night')),
			'the favourite went with it'
		).to.deep.equal([]);
		await desk.favour(row(desk, 'Foil'));
		expect(desk.favourites.map((one) => one.label)).to.deep.equal(['Panels', 'Fit-up']);
		while (at.edits.undoable.length > 1) await at.edits.undo();
		expect(desk.favourites.map((one) => one.label)).to.deep.equal(['Panels', 'Fit-up', 'Foil']);
	});

	it('stay as they are while other things are edited', async () => {
		const { at } = await open();
		const { space } = at;
		const { path } = tuff.application.rules.options![0]!;
		await at.edits.commit('An option', setOption(at.target, path, tuff.application.rules.options![0]!.default));
		expect(at.space).to.equal(space);
		await at.edits.undo();
	});

	it('are switched on the bench by the commands that lead to them, also in a macro', async () => {
		const { at, desk } = await open();
		const session = new demo.browser.BenchSession(at);
		session.run('mode:fit-up' as CommandId);
		expect(desk.current).to.equal('own.fit-up');
		expect(session.latest!.said).to.equal('Now in Fit-up.');
		session.run('mode.foil' as CommandId);
		expect(desk.current).to.equal('foil');
		session.run('scene.save' as CommandId);
		expect(desk.current).to.equal('foil');
		const id = 'macro:fit' as CommandId;
		const steps = [{ do: 'run' as const, command: 'mode:fit-up' as CommandId }];
		const macro = { id, label: 'Fit', description: '', icon: 'point', inside: false, steps };
		await at.edits.commit('A macro', setMacro(at.target, macro as never));
		session.run(id);
		expect(desk.current).to.equal('own.fit-up');
		await at.edits.undo();
	});
});
