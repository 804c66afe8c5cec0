import { expect } from 'chai';
import { gneiss } from '../../../demo/gneiss/gneiss.ts';
import type { CommandId } from '../../../core/application/command.ts';
import type { Scope } from '../../../core/context/scope.ts';
import { FileRefusedError } from '../../../core/format/problem.ts';
import { drawnAgain, kappaOf } from '../../../core/hand/drawn.ts';
import { seeded } from '../../../core/hand/simulated.ts';
import { office } from '../page/office.ts';
import { MARKS } from '../strokes.ts';

describe('the shapes while they are drawn', () => {
	const demo = office();
	async function open() {
		const at = await demo.open(gneiss.application.id);
		return { at, desk: new demo.browser.ShapeDesk(at) };
	}
	const SKETCH = { document: ['part.sketch'] } as unknown as Scope;
	const RIGHT = { button: 'Right', modifiers: [] } as const;
	const random = seeded(5);
	const drawn = (name: string) => drawnAgain(MARKS[name]!, kappaOf(4), random);
	const undoAll = async (at: Awaited<ReturnType<typeof open>>['at'], down: number) => {
		while (at.edits.undoable.length > down) await at.edits.undo();
	};

	it('stand with their drawings and what they run, the nearest trigger first', async () => {
		const { desk } = await open();
		expect(desk.shapes.map(({ label }) => label)).to.deep.equal(['Ring', 'Frame', 'Zigzag', 'Hook', 'Tick', 'Notch']);
		expect(desk.shapes[0]!.said!.entry.samples).to.have.length(4);
		expect(desk.shapes[0]!.bindings.map(({ binding }) => binding.command as string)).to.have.members([
			'sketch.circle',
			'view.fit'
		]);
		expect(desk.triggers[0]).to.deep.equal(RIGHT);
		desk.go(1);
		desk.go(-1);
		expect([desk.selected, desk.told]).to.deep.equal(['notch', 'Notch: Arc by three points']);
	});

	it('are drawn anew, once more, given a command, taken off it, and taken away; undo brings all back', async () => {
		const { at, desk } = await open();
		const many = at.edits.undoable.length;
		expect(await desk.draw(drawn('ess'), '  Snake ')).to.equal(true);
		expect([desk.selected, desk.current!.label]).to.deep.equal(['snake', 'Snake']);
		await desk.draw(drawn('ess'), '');
		expect([desk.current!.said!.entry.samples.length, desk.sample]).to.deep.equal([2, 1]);
		await desk.assign({ trigger: RIGHT, scope: SKETCH }, 'sketch.spline' as CommandId);
		await desk.assign({ trigger: RIGHT, scope: SKETCH }, 'sketch.arc' as CommandId);
		expect(desk.current!.bindings.map(({ binding }) => `${binding.keys} ${binding.command}`)).to.deep.equal([
			'RightShape-snake sketch.arc'
		]);
		await desk.change({ isEitherWay: true });
		await desk.change({ label: 'Adder' });
		expect([desk.current!.id, desk.current!.label, desk.current!.said!.entry.isEitherWay]).to.deep.equal([
			'snake',
			'Adder',
			true
		]);
		await desk.leaveOut();
		expect(desk.current!.said!.entry.samples).to.have.length(1);
		// the last drawing goes with its shape; what ran by it waits
		await desk.leaveOut();
		expect([desk.current!.said, desk.current!.bindings.length]).to.deep.equal([undefined, 1]);
		await desk.draw(drawn('ess'), '');
		expect(desk.current!.said!.entry.samples).to.have.length(1);
		await desk.clear(desk.current!.bindings[0]!.binding);
		await desk.remove();
		expect(desk.current).to.equal(undefined);
		await undoAll(at, many);
		expect(desk.shapes.map(({ label }) => label)).to.deep.equal(['Ring', 'Frame', 'Zigzag', 'Hook', 'Tick', 'Notch']);
	});

	it('take no dot and no straight line, and not more drawings than are kept; the note says why', async () => {
		const { at, desk } = await open();
		const many = at.edits.undoable.length;
		for (const [path, why] of [
			[[5, 5, 5, 5], /a dot/],
			[[5, 5], /a dot/],
			[[0, 0, 40, 1, 80, 0], /almost straight/]
		] as const) {
			expect(await desk.draw(path, 'A')).to.equal(false);
			expect(desk.note).to.match(why);
		}
		desk.select('ring');
		for (let i = 4; i < 12; i++) expect(await desk.draw(drawn('circle'), '')).to.equal(true);
		expect(await desk.draw(drawn('circle'), '')).to.equal(false);
		expect(desk.note).to.equal('Ring has 12 drawings, which is the maximum. Remove one first.');
		await undoAll(at, many);
	});

	it('go out as InkML and come in again; a file that is none changes nothing', async () => {
		const { at, desk } = await open();
		const many = at.edits.undoable.length;
		const before = desk.shapes.map(({ said }) => said!.entry.samples);
		const text = await desk.ink();
		desk.select('hook');
		await desk.change({ label: 'Barb' });
		expect(await desk.bring('shapes.inkml', text)).to.equal(true);
		// Barb is another shape now: the file brings Hook beside it
		expect(desk.shapes.map(({ label }) => label)).to.have.members(['Ring', 'Frame', 'Zigzag', 'Barb', 'Tick', 'Notch', 'Hook']);
		const inkless = async () => {
			try {
				await desk.bring('a.inkml', '<ink><trace>1 1</trace></ink>');
			} catch (error) {
				return error;
			}
			return undefined;
		};
		expect(await inkless())
			.to.be.instanceOf(Error)
			.and.have.property('name', FileRefusedError.name);
		await undoAll(at, many);
		expect(desk.shapes.map(({ said }) => said!.entry.samples)).to.deep.equal(before);
	});

	it('of the office are locked by the steward, and a designer is told', async () => {
		const { at, desk } = await open();
		const many = at.edits.undoable.length;
		at.writeTo('office' as never);
		desk.select('ring');
		await desk.lock(true);
		expect(desk.current!.said!.lockedBy?.id).to.equal('office');
		at.writeTo('personal' as never);
		await desk.change({ label: 'Round' });
		expect(desk.current!.label).to.equal('Ring');
		expect(at.notice?.text).to.include('has locked');
		at.writeTo('office' as never);
		await undoAll(at, many);
	});
});
