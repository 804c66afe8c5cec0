import { expect } from 'chai';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gneiss } from '../../../demo/gneiss/gneiss.ts';
import { varve } from '../../../demo/varve/varve.ts';
import type { RingId } from '../../../core/release/rings.ts';
import { followOnce } from '../../../seat/follow.ts';
import { USUAL } from '../../../seat/identity.ts';
import { seatIn, tellTrouble } from '../../../seat/run.ts';
import { office } from '../page/office.ts';

const app = gneiss.application.id;

describe('releases on their way, in a browser', () => {
	const demo = office();
	async function open(id: string = app) {
		const at = await demo.open(id);
		const desk = new demo.browser.RolloutDesk(at);
		await desk.load();
		return { at, desk };
	}

	it('begin with one ring of everyone, its seats counted by how they are', async () => {
		const { desk } = await open();
		expect(desk.views.map(({ name, seats, release, isReached }) => [name, seats, release, isReached])).to.deep.equal([
			['Everyone', 3, 2, true]
		]);
		expect(desk.views[0]!.counts).to.deep.equal({ never: 3 });
		expect(desk.course?.state).to.equal('done');
		expect(desk.signing?.roles.map(({ role }) => role)).to.include(`app.${app}`);
		expect([desk.mayRelease, desk.maySeats, desk.rootEnds]).to.deep.equal([true, true, undefined]);
	});

	it('get rings with ids of their names, everyone last; a seat goes into one and out again', async () => {
		const { desk } = await open();
		const last = desk.rings.at(-1)!;
		const pilot = { name: ' Pilot seats ', soak: 30, limit: 0 };
		expect(await desk.setRings([pilot, { name: 'Pilot seats', soak: 0, limit: 50 }, last])).to.equal(true);
		expect(desk.rings.map(({ id, name }) => [id, name])).to.deep.equal([
			['pilot-seats', 'Pilot seats'],
			['pilot-seats-2', 'Pilot seats'],
			['everyone', 'Everyone']
		]);
		expect(await desk.place('C-01', 'pilot-seats' as RingId)).to.equal(true);
		expect(desk.views.map(({ seats }) => seats)).to.deep.equal([1, 0, 2]);
		expect(await desk.place('C-01', 'gone' as RingId)).to.equal(false);
		// with its ring a seat is everyone's again
		expect(await desk.setRings([last])).to.equal(true);
		expect(desk.views.map(({ seats }) => seats)).to.deep.equal([3]);
	});

	it('say why something was refused, and leave what was', async () => {
		const { at, desk } = await open();
		expect(await desk.setRings([{ name: 'Too long', soak: 99_999_999, limit: 0 }, desk.rings.at(-1)!])).to.equal(false);
		expect(at.notice?.kind).to.equal('failed');
		expect(desk.rings.map(({ id }) => id)).to.deep.equal(['everyone']);
		expect(await desk.steer('pause')).to.equal(false);
		expect(at.notice?.text).to.include('nothing to pause');
		expect(await desk.backTo(99)).to.equal(false);
		expect(await desk.rotate('timestamp', ['not the phrase'])).to.equal(false);
		expect(at.notice?.text).to.include('passphrases open 0');
	});

	it('go back to a former release, and on again', async () => {
		const { at, desk } = await open();
		expect(await desk.backTo(1)).to.equal(true);
		expect([desk.views[0]!.release, at.channel]).to.deep.equal([1, 1]);
		expect(await desk.backTo(2)).to.equal(true);
		expect(desk.views[0]!.release).to.equal(2);
	});

	it('make a code that is shown for its seat, add and remove seats, and let whoever is here sit down', async () => {
		const { desk } = await open();
		expect(await desk.makeCode('C-02')).to.equal(true);
		expect(desk.code).to.include({ seat: 'C-02' });
		expect(desk.code!.code).to.match(/^([0-9A-Z]{4}-){3}[0-9a-f]{20}$/);
		expect(await desk.add('C-09', 'guests')).to.equal(true);
		expect(await desk.add('C-09', 'again')).to.equal(false);
		expect(await desk.remove('C-09')).to.equal(true);
		const [setup] = desk.setups;
		expect(await desk.sit('C-03', setup!.id)).to.equal(true);
		const seat = () => desk.seats.find(({ id }) => id === 'C-03')!;
		expect([desk.isMine(seat()), desk.sitting(seat())]).to.deep.equal([true, `you, with ${setup!.name}`]);
		expect(await desk.sit('C-03', null)).to.equal(true);
		expect(desk.sitting(seat())).to.equal('');
	});

	it('wait for trouble that somebody reports, until it is settled', async () => {
		const { at, desk } = await open();
		const seat = () => desk.seats.find(({ id }) => id === 'C-01')!;
		expect(await desk.reportTrouble('C-01', 'Orbit does not answer'), 'before it has a release').to.equal(false);
		expect(at.notice?.text).to.include('has no release yet');
		const folder = mkdtempSync(join(tmpdir(), 'skarn-trouble-'));
		try {
			await desk.makeCode('C-01');
			const asking = { ...USUAL, get: (url: string, init?: RequestInit) => fetch(url, init) };
			const server = 'http://office.test';
			const c1 = await seatIn({ server, code: desk.code!.code, folder, every: 1 }, asking);
			await followOnce(c1);
			await desk.load();
			expect(seat().state).to.equal('current');
			expect(await desk.reportTrouble('C-01', 'Orbit does not answer')).to.equal(true);
			expect([seat().state, seat().trouble?.words, desk.reporter(seat().trouble!)]).to.deep.equal([
				'troubled',
				'Orbit does not answer',
				'by you'
			]);
			expect([desk.maySettle(seat()), desk.views[0]!.counts['troubled']]).to.deep.equal([true, 1]);
			expect(await desk.settle('C-01')).to.equal(true);
			expect([seat().state, seat().trouble]).to.deep.equal(['current', null]);
			expect(await desk.settle('C-01')).to.equal(false);
			// the same said at the workstation
			const at1 = { server, folder, every: 1 };
			expect(await tellTrouble(at1, 'Orbit again', asking)).to.equal('C-01: problem reported: Orbit again');
			await desk.load();
			expect([seat().state, desk.reporter(seat().trouble!)]).to.deep.equal(['troubled', 'reported at the seat']);
			const refused = await tellTrouble(at1, 'x'.repeat(401), asking).catch((error: Error) => error.message);
			expect(refused).to.match(/400/);
			await tellTrouble(at1, null, asking);
			await desk.load();
			expect(seat().state).to.equal('current');
		} finally {
			rmSync(folder, { recursive: true, force: true });
		}
	});

	it('of a program without seats are none', async () => {
		const { desk } = await open(varve.application.id);
		expect(desk.seats).to.deep.equal([]);
		expect(desk.views).to.have.length(1);
	});
});

describe('a proposal on the bench', () => {
	const demo = office();
	it('is the workspace as if it were taken in, and nothing is written', async () => {
		const at = await demo.open(app);
		const desk = new demo.browser.ProposalsDesk(at);
		await desk.load();
		const own = desk.sayings.find(({ saying }) => saying.chapter === 'shortcuts')!;
		await desk.propose('office' as never, [own.saying], 'Mine for all', 'we all need it');
		const { id } = desk.list.find(({ label }) => label === 'Mine for all')!;
		const mine = () => desk.list.find((one) => one.id === id)!;
		expect(await desk.change(mine(), new Map([[0, 'Ctrl+Alt+?+']]), 'a key that is none')).to.equal(false);
		expect(at.notice?.text).to.include('“Ctrl+Alt+?+”');
		expect(await desk.change(mine(), new Map([[0, 'ctrl+alt+f9']]), 'that one is free')).to.equal(true);
		expect((mine().changes[0] as unknown as { after: { keys: string } }).after.keys).to.equal('Ctrl+Alt+F9');
		const tried = await demo.browser.trialOf(at, id);
		expect(tried.label).to.equal('Mine for all');
		const says = (workspace: typeof at) => {
			const { contents } = workspace.profile.find(({ kind }) => kind === 'office')!;
			return [...(contents['shortcuts'] as Map<string, { keys: string }>).values()].some(({ keys }) => keys === 'Ctrl+Alt+F9');
		};
		expect([says(tried.workspace), says(at)]).to.deep.equal([true, false]);
		expect(tried.workspace.revision).to.equal(at.revision);
		for (const [number, words] of [
			[999, /no proposal 999/],
			[id, /already withdrawn/]
		] as const) {
			if (number === id) await desk.withdraw(desk.list.find((one) => one.id === id)!);
			const refused = await demo.browser.trialOf(at, number).catch((error: Error) => error.message);
			expect(refused).to.match(words);
		}
	});
});
