import { expect } from 'chai';
import { eq } from 'drizzle-orm';
import fc from 'fast-check';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { varve } from '../../../demo/varve/varve.ts';
import { openDatabase } from '../../../src/lib/server/db/open.ts';
import { applications, releases, reports, seats as table } from '../../../src/lib/server/db/schema.ts';
import { officeOn, type Office } from '../../../src/lib/server/office.ts';
import { Problem } from '../../../src/lib/server/problem.ts';

const ID = varve.application.id;
const DIGEST = 'a'.repeat(64);
const installed = (release: number) => ({ release, state: 'installed' as const, sha256: DIGEST, message: '' });

describe('checking in', () => {
	let folder: string;
	let office: Office;
	const { db } = { db: () => office.store.db };
	/** A release that is only a row, as far as seats know. */
	const release = (number: number) =>
		db().insert(releases).values({
			application: ID,
			number,
			at: new Date().toISOString(),
			role: 'steward',
			notes: '',
			sha256: DIGEST,
			bytes: 10,
			entries: 1,
			file: '{}'
		});
	const heard = async (seat: string) => (await db().select().from(table).where(eq(table.id, seat)))[0]!.lastSeen;
	const manifest = async (seat: string) => (await office.seats.manifest(seat)).release;

	before(async () => {
		folder = mkdtempSync(join(tmpdir(), 'skarn-seats-'));
		office = officeOn(await openDatabase(folder));
		const { application, commands, strata } = varve;
		await office.profiles.add({ application, commands, strata, factory: {} });
		for (const number of [1, 2, 3]) await release(number);
		await db().update(applications).set({ channel: 1 }).where(eq(applications.id, ID));
		for (const seat of ['C-01', 'C-02']) await office.seats.add(ID, seat, '');
	});
	after(async () => {
		await office.store.close();
		rmSync(folder, { recursive: true, force: true });
	});

	it('is answered from memory, and heard at once by whoever looks; the folder is written in batches', async () => {
		const at = new Date('2026-11-28T08:00:00Z');
		await office.seats.manifest('C-01', at);
		expect(await heard('C-01')).to.equal(null);
		const listed = (await office.seats.list(ID)).find(({ id }) => id === 'C-01')!;
		expect(listed.lastSeen).to.equal(at.toISOString());
		await office.seats.close();
		expect(new Date((await heard('C-01'))!).toISOString()).to.equal(at.toISOString());
		expect(await heard('C-02')).to.equal(null);
		// what comes late and is older does not set it back
		await office.seats.manifest('C-01', new Date('2026-11-28T07:00:00Z'));
		await office.seats.close();
		expect(new Date((await heard('C-01'))!).toISOString()).to.equal(at.toISOString());
	});

	it('is told of another release at once, and of the former when the office goes back', async () => {
		expect(await manifest('C-01')).to.equal(1);
		await office.releases.setChannel(ID, 'office' as never, 2);
		expect(await manifest('C-01')).to.equal(2);
		await office.releases.setChannel(ID, 'office' as never, 1);
		expect([await manifest('C-01'), await manifest('C-02')]).to.deep.equal([1, 1]);
	});

	it('keeps a report that says something new once, and one that says the same only as a sign of life', async () => {
		const kept = async () => (await db().select().from(reports).where(eq(reports.seat, 'C-02'))).length;
		await office.seats.report('C-02', installed(1));
		await office.seats.report('C-02', installed(1), new Date('2031-01-01T00:00:00Z'));
		expect(await kept()).to.equal(1);
		expect((await office.seats.list(ID)).find(({ id }) => id === 'C-02')!.lastSeen).to.equal('2031-01-01T00:00:00.000Z');
		await office.seats.report('C-02', installed(2));
		expect(await kept()).to.equal(2);
	});

	it('is told once to lay the release anew, until it has', async () => {
		await office.seats.askRestore('C-01');
		expect((await office.seats.manifest('C-01')).restore).to.equal(true);
		await office.seats.report('C-01', { ...installed(1), state: 'drifted' });
		expect((await office.seats.manifest('C-01')).restore).to.equal(true);
		await office.seats.report('C-01', installed(1));
		expect((await office.seats.manifest('C-01')).restore).to.equal(false);
	});

	it('is refused when the seat has gone, and taken when it is there again', async () => {
		await office.seats.add(ID, 'C-09', '');
		expect(await manifest('C-09')).to.equal(1);
		await office.seats.remove(ID, 'C-09');
		let problem: unknown;
		await office.seats.manifest('C-09').catch((error: unknown) => (problem = error));
		expect(problem).to.be.instanceOf(Problem).and.have.property('status', 404);
		await office.seats.add(ID, 'C-09', '');
		expect((await office.seats.list(ID)).find(({ id }) => id === 'C-09')!.lastSeen).to.equal(null);
	});

	it('never tells of a release that was left before the question, whatever comes at once', async () => {
		await fc.assert(
			fc.asyncProperty(fc.array(fc.integer({ min: 1, max: 3 }), { minLength: 1, maxLength: 6 }), async (channels) => {
				for (const channel of channels) {
					const early = Promise.all([manifest('C-01'), manifest('C-02')]);
					await office.releases.setChannel(ID, 'office' as never, channel);
					expect(await manifest('C-01')).to.equal(channel);
					await early;
					expect(await manifest('C-02')).to.equal(channel);
				}
			}),
			{ numRuns: 12 }
		);
	});

	it('is written before the folder is given up, and never after: whoever opens it next is not disturbed', async () => {
		const at = new Date('2032-02-03T04:05:06Z');
		await office.seats.manifest('C-02', at);
		await office.store.close();
		office = officeOn(await openDatabase(folder));
		expect(new Date((await heard('C-02'))!).toISOString()).to.equal(at.toISOString());
		// longer than what is heard waits to be written
		await new Promise((resolve) => setTimeout(resolve, 2_500));
		expect((await office.seats.list(ID)).find(({ id }) => id === 'C-02')!.lastSeen).to.equal(at.toISOString());
	});
});
