import { expect } from 'chai';
import { gneiss } from '../../../demo/gneiss/gneiss.ts';
import type { CommandId } from '../../../core/application/command.ts';
import { handSummary } from '../../../core/hand/hand-test.ts';
import { flickOf, seeded } from '../../../core/hand/simulated.ts';
import { office } from '../page/office.ts';

describe('the roses while they are shaped', () => {
	const demo = office();
	async function open() {
		const at = await demo.open(gneiss.application.id);
		return { at, desk: new demo.browser.GestureDesk(at) };
	}
	type Desk = Awaited<ReturnType<typeof open>>['desk'];
	const PART = 'Right document=part.solids';
	const view = (desk: Desk, id = PART) => desk.roses.find((one) => one.id === id)!;
	const said = (desk: Desk, id = PART) =>
		Object.fromEntries(view(desk, id).petals.map(({ degrees, own }) => [degrees, own.map((b) => b.command as string).join()]));

	it('stand side by side, each with its directions, what is said for it alone and what waits', async () => {
		const { desk } = await open();
		expect(desk.roses.map(({ rose }) => rose.entry.directions)).to.have.members([4, 4, 4, 8]);
		expect(said(desk)).to.deep.equal({ 0: 'solid.extrude', 90: 'solid.fillet', 180: 'solid.extrude-cut', 270: 'solid.shell' });
		expect(view(desk).waiting.map(({ degrees, binding }) => `${degrees} ${binding.command}`)).to.deep.equal(['45 solid.revolve']);
		expect(desk.triggers).to.deep.equal([{ button: 'Right', modifiers: [] }]);
	});

	it('are shown as the filter says: those with a command, those that somebody changed, those of the situation one stands in', async () => {
		const { at, desk } = await open();
		const shown = (filter: Desk['filter']) => {
			desk.filter = filter;
			return desk.roses.map(({ petals }) => petals.filter((petal) => desk.shows(petal)).length).sort((a, b) => a - b);
		};
		expect(shown('all')).to.deep.equal([4, 4, 4, 8]);
		expect(shown('assigned')).to.deep.equal([4, 4, 4, 7]);
		at.standIn(at.space.situations.findIndex((s) => (s[0] as string) === 'drawing'));
		expect(shown('here')).to.deep.equal([4]);
		expect(desk.roses[0]!.id).to.equal('Right document=drawing');
	});

	it('go from four to eight directions and back without loss, and undo', async () => {
		const { at, desk } = await open();
		const before = said(desk);
		await desk.shape(view(desk), { directions: 8 });
		expect(said(desk)).to.deep.equal({ ...before, 45: 'solid.revolve', 135: '', 225: '', 315: '' });
		expect(view(desk).waiting).to.deep.equal([]);
		await desk.shape(view(desk), { directions: 4 });
		expect(said(desk)).to.deep.equal(before);
		await desk.shape(view(desk), { turn: 10 });
		expect([view(desk).rose.entry.turn, desk.told]).to.deep.equal([10, 'Gestures: Right turned by 10°']);
		while (at.edits.undoable.length > 2) await at.edits.undo();
		expect(said(desk)).to.deep.equal(before);
	});

	it('take a command in place of what lies there, give it up, and change places with another context', async () => {
		const { at, desk } = await open();
		const many = at.edits.undoable.length;
		await desk.assign(view(desk), 90, 'solid.hole' as CommandId);
		expect(said(desk)[90]).to.equal('solid.hole');
		await desk.clear(view(desk), 0);
		expect(said(desk)[0]).to.equal('');
		const drawing = 'Right document=drawing';
		await desk.carry({ rose: PART, degrees: 90 }, { rose: drawing, degrees: 180 });
		expect([said(desk)[90], said(desk, drawing)[180]]).to.deep.equal(['draw.section', 'solid.hole']);
		expect(await desk.carry({ rose: PART, degrees: 0 }, { rose: drawing, degrees: 0 }), 'nothing to carry').to.equal(false);
		while (at.edits.undoable.length > many) await at.edits.undo();
		expect(said(desk)[90]).to.equal('solid.fillet');
	});

	it('are gone round by keys, and from one context to the same direction of the next', async () => {
		const { desk } = await open();
		desk.go(1, 0);
		expect(desk.selected).to.deep.equal({ rose: desk.roses[0]!.id, degrees: 0 });
		desk.go(1, 0);
		expect(desk.selected!.degrees).to.equal(desk.roses[0]!.petals[1]!.degrees);
		desk.go(-1, 0);
		desk.go(-1, 0);
		expect(desk.selected!.degrees).to.equal(desk.roses[0]!.petals.at(-1)!.degrees);
		desk.go(0, 1);
		expect(desk.selected!.rose).to.equal(desk.roses[1]!.id);
		desk.select(PART, 180);
		expect(desk.told).to.equal('↓: Extruded cut');
		desk.filter = 'changed';
		expect(
			view(desk).petals.every((petal) => desk.shows(petal)),
			'the office has said them all'
		).to.equal(true);
	});

	it('are made for a context, show what a wider one says, and go again', async () => {
		const { at, desk } = await open();
		const many = at.edits.undoable.length;
		await desk.make({});
		const everywhere = view(desk, 'Right');
		await desk.assign(everywhere, 0, 'file.save' as CommandId);
		await desk.make({ pane: ['tree'] } as never);
		const tree = view(desk, 'Right pane=tree');
		expect(tree.petals.map(({ inherited }) => inherited?.command)).to.deep.equal(['file.save', undefined, undefined, undefined]);
		await desk.remove(tree);
		expect(view(desk, 'Right pane=tree')).to.equal(undefined);
		while (at.edits.undoable.length > many) await at.edits.undo();
		expect(view(desk, 'Right')).to.equal(undefined);
	});
});

describe('a run of the hand test', () => {
	const demo = office();

	it('asks for each direction equally often, and tells of the hand what the hand is', () => {
		const random = seeded(9);
		const trial = new demo.browser.HandTrial(random);
		trial.press(0, 0, 0);
		trial.release(90, 0, 100);
		expect(trial.flicks, 'nothing counts before it begins').to.have.length(0);
		trial.begin();
		for (let i = 0; trial.wanted !== undefined; i++) {
			const { dx, dy, ms } = flickOf({ kappa: 60 }, trial.wanted, random);
			trial.press(170, 170, i * 1000);
			trial.release(170 + dx, 170 + dy, i * 1000 + ms);
		}
		expect(trial.flicks).to.have.length(40);
		const summary = handSummary(trial.flicks)!;
		expect(summary.directions.map(({ n }) => n)).to.deep.equal([5, 5, 5, 5, 5, 5, 5, 5]);
		expect(summary.kappa![0]).to.be.lessThan(60);
		expect(summary.kappa![1]).to.be.greaterThan(60);
	});

	it('does not count what is too short or was lost, and can be stopped', () => {
		const trial = new demo.browser.HandTrial(seeded(1));
		trial.begin();
		const { wanted } = trial;
		trial.press(10, 10, 0);
		trial.release(15, 10, 50);
		expect([trial.wanted, trial.note]).to.deep.equal([wanted, 'That was too short for a direction.']);
		trial.press(10, 10, 0);
		trial.lose();
		trial.release(100, 10, 50);
		expect([trial.wanted, trial.flicks.length, trial.note]).to.deep.equal([
			wanted,
			0,
			'The pointer was lost; this flick is not counted.'
		]);
		trial.stop();
		expect(trial.wanted).to.equal(undefined);
	});
});

describe('what is suggested for the roses', () => {
	const demo = office();

	it('asks for commands that exist there, with how quick they are otherwise, and is taken as one edit', async () => {
		const at = await demo.open(gneiss.application.id);
		const desk = new demo.browser.GestureDesk(at);
		const wishes = desk.wishes();
		for (const { id, directions, candidates, otherwise } of wishes) {
			const view = desk.roses.find((one) => one.id === id)!;
			const here = at.space.bitsOf(view.rose.entry.scope);
			expect(directions).to.deep.equal(view.petals.map(({ degrees }) => degrees));
			expect(candidates.length).to.be.within(directions.length, directions.length * 3);
			for (const { contexts, id: command } of candidates) {
				const isThere = view.petals.some(({ own }) => own.some((binding) => binding.command === command));
				expect(isThere || at.space.bitsOfAny(contexts).some((word, w) => (word & here[w]!) !== 0), command).to.equal(true);
			}
			for (const seconds of Object.values(otherwise!)) expect(seconds).to.be.within(0.1, 5);
		}
		const turnedRound = desk.roses.map(({ id, petals }) => ({
			id,
			on: petals.flatMap(({ degrees }, i) => {
				const [binding] = petals[(i + 1) % petals.length]!.own;
				return binding ? [{ degrees, command: binding.command }] : [];
			})
		}));
		const lines = desk.changed({ roses: turnedRound, proved: true });
		const holes = desk.roses.flatMap(({ id, petals }) =>
			petals.flatMap(({ own, degrees }, i) =>
				own.length > 0 && petals[(i + 1) % petals.length]!.own.length === 0 ? [`${id} ${degrees}`] : []
			)
		);
		expect(desk.emptiedBy(lines).map(({ view, degrees }) => `${view.id} ${degrees}`)).to.have.members(holes);
		const [one] = lines;
		const emptied = desk.emptiedBy([one!]);
		expect(emptied.map(({ view, command }) => [view.id, command])).to.deep.equal([[one!.view.id, one!.command]]);
		expect(emptied[0]!.degrees).to.not.equal(one!.degrees);
		const before = desk.roses.map(({ petals }) => petals.map(({ own }) => own[0]?.command));
		const many = at.edits.undoable.length;
		expect(await desk.take(desk.changed({ roses: turnedRound, proved: true })), at.notice?.text ?? '').to.equal(true);
		expect(desk.roses.map(({ petals }) => petals.map(({ own }) => own[0]?.command))).to.deep.equal(
			before.map((rose) => rose.map((_, i) => rose[(i + 1) % rose.length]))
		);
		expect(desk.changed({ roses: turnedRound, proved: true })).to.deep.equal([]);
		expect(at.edits.undoable.length).to.equal(many + 1);
		await at.edits.undo();
		expect(desk.roses.map(({ petals }) => petals.map(({ own }) => own[0]?.command))).to.deep.equal(before);
	});
});
