import { expect } from 'chai';
import { gneiss } from '../../../demo/gneiss/gneiss.ts';
import { SHORTCUTS } from '../../../core/shortcut/entry.ts';
import { tagged } from '../../../core/profile/edit.ts';
import type { StratumId } from '../../../core/strata/stratum.ts';
import { office } from '../page/office.ts';

const app = gneiss.application.id;
const cladding = 'cladding' as StratumId;

describe('what goes out next, in a browser', () => {
	const demo = office();
	const post = async (path: string, body: object) => {
		const answer = await fetch(path, {
			method: 'POST',
			headers: { 'content-type': 'application/json' },
			body: JSON.stringify(body)
		});
		expect(answer.status, await answer.clone().text()).to.equal(201);
	};
	const until = async (check: () => boolean) => {
		for (let i = 0; !check(); i++) {
			if (i > 800) throw new Error('it did not come');
			await new Promise((resolve) => setTimeout(resolve, 25));
		}
	};

	it('is the office stratum alone, where nothing else has gone out or is chosen', async () => {
		await post('/api/strata', { id: cladding, kind: 'discipline', name: 'Cladding' });
		const at = await demo.open(app);
		const { next } = at;
		expect(next.others.map(({ name }) => name)).to.deep.equal(['Cladding']);
		expect([next.besides, next.isWide, next.isNew]).to.deep.equal([[], false, true]);
		expect(next.pending).to.equal(at.draft.toPublish);
	});

	it('holds a discipline that is chosen, with all that it says, and then goes on with it', async () => {
		const at = await demo.open(app);
		const { next } = at;
		at.writeTo(cladding);
		const [entry] = gneiss.entriesOf('set | Ctrl+Alt+K | file.pack | any');
		const changes = tagged({ id: SHORTCUTS }, [{ stratum: cladding, before: null, after: entry! }]);
		expect(await at.edits.commit('A key of the cladding', changes)).to.equal(true);
		const alone = next.pending!.length;
		next.choose([cladding]);
		expect(next.pending, 'while it is not read').to.equal(undefined);
		await next.read();
		expect(next.pending).to.have.length(alone + 1);
		expect(next.pending!.find(({ by }) => by === cladding)).to.include({ kind: 'added', command: 'file.pack' });
		const impact = new demo.browser.ImpactDesk(at);
		void impact.start();
		await until(() => impact.impact !== undefined);
		const change = impact.changes.find(({ difference }) => difference.by === cladding)!;
		expect(impact.mayTakeOut(change)).to.equal(true);
		next.choose([]);
		expect(impact.mayTakeOut(change), 'it does not go out').to.equal(false);
		impact.stop();
	});

	it('tells the errors that a discipline would bring to those who have it, before anything is published', async () => {
		const at = await demo.open(app);
		const { next } = at;
		next.checkHeld();
		expect([next.held.progress, next.heldBesides], 'nothing goes out besides').to.deep.equal([undefined, []]);
		at.writeTo(cladding);
		const [entry] = gneiss.entriesOf('set | Ctrl+Alt+K | inspect.mass | any');
		const twice = tagged({ id: SHORTCUTS }, [{ stratum: cladding, before: null, after: entry! }]);
		expect(await at.edits.commit('The same key twice', twice)).to.equal(true);
		next.choose([cladding]);
		await next.read();
		next.checkHeld();
		expect(next.heldBesides, 'while it is not known').to.deep.equal([]);
		await until(() => next.held.progress === undefined);
		const told = () => next.heldBesides.filter(({ errors }) => errors.some(({ sentence }) => sentence.includes('Ctrl+Alt+K')));
		expect(told()).to.have.length(1);
		expect(told()[0]!.name).to.match(/ with Cladding$/);
		const refused = await fetch(`${at.path}/releases`, {
			method: 'POST',
			headers: { 'content-type': 'application/json' },
			body: JSON.stringify({ notes: 'with the cladding', base: at.revision, strata: [cladding] })
		});
		expect(refused.status, 'as the server says').to.equal(422);
		next.choose([]);
		expect(next.heldBesides).to.deep.equal([]);
		expect(await at.edits.undo()).to.not.equal(false);
	});

	it('says what seats would lose that went out before and does not any more', async () => {
		const before = await demo.open(app);
		// back to what has gone out already, which has no errors
		before.writeTo('office' as StratumId);
		while (before.draft.toPublish.length > 0) expect(await before.edits.undo()).to.not.equal(false);
		await post(`${before.path}/releases`, { notes: 'with the cladding', base: before.revision, strata: [cladding] });
		const at = await demo.open(app);
		const { next } = at;
		expect([next.besides, next.leaving]).to.deep.equal([[cladding], []]);
		await next.read();
		expect([next.pending, next.isNew]).to.deep.equal([[], false]);
		next.choose([]);
		expect(next.leaving.map(({ name }) => name)).to.deep.equal(['Cladding']);
		expect(next.pending!.map(({ kind, command }) => [kind, command])).to.deep.equal([['removed', 'file.pack']]);
		expect(next.isNew).to.equal(true);
		const impact = new demo.browser.ImpactDesk(at);
		void impact.start();
		await until(() => impact.impact !== undefined);
		expect(impact.changes.map(({ difference: { kind, command } }) => [kind, command])).to.deep.equal([['removed', 'file.pack']]);
		const habits = impact.people.flatMap((person) => impact.of(person)).flatMap((one) => one.habits);
		expect(habits.map(({ keys, command }) => [keys, command])).to.deep.equal([['Ctrl+Alt+K', 'file.pack']]);
		expect(impact.mayTakeOut(impact.changes[0]!)).to.equal(false);
		impact.stop();
	});
});
