import { expect } from 'chai';
import { eq } from 'drizzle-orm';
import fc from 'fast-check';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { SeatReport } from '../../../core/release/release.ts';
import { varve } from '../../../demo/varve/varve.ts';
import { releases, reports, seats as table } from '../../../src/lib/server/db/schema.ts';
import { officeOn, type Office } from '../../../src/lib/server/office.ts';
import { Problem } from '../../../src/lib/server/problem.ts';
import { openStore } from './stores.ts';

const ID = varve.application.id;
const DIGEST = 'a'.repeat(64);
const installed = (release: number) => SeatReport.parse({ release, state: 'installed', sha256: DIGEST });

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
	const told = async (seat: string) =>
		JSON.parse(await office.seats.checkIn(seat)) as {
			timestamp: number | null;
			restore: boolean;
			report: string | null;
		};
	const timestamp = async (seat: string) => (await told(seat)).timestamp;
	/** The release that the newest signed state lets everyone follow. */
	const followed = async () => (await office.rollouts.state(ID)).course?.release;

	before(async () => {
		folder = mkdtempSync(join(tmpdir(), 'skarn-seats-'));
		office = officeOn(await openStore(join(folder, 'data')));
		const { application, commands, strata } = varve;
		await office.profiles.add({ application, commands, strata, factory: {} });
		for (const number of [1, 2, 3]) await release(number);
		await office.rollouts.begin(ID, 1);
		await office.signing.setUp(['a rope and a pulley'], 1);
		for (const seat of ['C-01', 'C-02']) await office.seats.add(ID, seat, '');
	});
	after(async () => {
		await office.store.close();
		rmSync(folder, { recursive: true, force: true });
	});

	it('is answered from memory, and heard at once by whoever looks; the folder is written in batches', async () => {
		const at = new Date('2026-11-28T08:00:00Z');
		await office.seats.checkIn('C-01', at);
		expect(await heard('C-01')).to.equal(null);
		const listed = (await office.seats.list(ID)).find(({ id }) => id === 'C-01')!;
		expect(listed.lastSeen).to.equal(at.toISOString());
		await office.seats.close();
		expect(new Date((await heard('C-01'))!).toISOString()).to.equal(at.toISOString());
		expect(await heard('C-02')).to.equal(null);
		// what comes late and is older does not set it back
		await office.seats.checkIn('C-01', new Date('2026-11-28T07:00:00Z'));
		await office.seats.close();
		expect(new Date((await heard('C-01'))!).toISOString()).to.equal(at.toISOString());
	});

	it('is told of another release at once, and of the former when the office goes back', async () => {
		const first = (await timestamp('C-01'))!;
		await office.releases.setChannel(ID, 2);
		expect([await timestamp('C-01'), await followed()]).to.deep.equal([first + 1, 2]);
		// back is a new signed state, and never an older one
		await office.releases.setChannel(ID, 1);
		expect([await timestamp('C-01'), await timestamp('C-02'), await followed()]).to.deep.equal([first + 2, first + 2, 1]);
	});

	it('keeps a report that says something new once, and one that says the same only as a sign of life', async () => {
		const kept = async () => {
			await office.seats.close();
			return (await db().select().from(reports).where(eq(reports.seat, 'C-02'))).length;
		};
		await office.seats.report('C-02', installed(1));
		await office.seats.report('C-02', installed(1), new Date('2031-01-01T00:00:00Z'));
		expect(await kept()).to.equal(1);
		expect((await office.seats.list(ID)).find(({ id }) => id === 'C-02')!.lastSeen).to.equal('2031-01-01T00:00:00.000Z');
		await office.seats.report('C-02', installed(2));
		expect(await kept()).to.equal(2);
	});

	it('is told once to lay the release anew, until it has', async () => {
		await office.seats.askRestore('C-01');
		expect((await told('C-01')).restore).to.equal(true);
		await office.seats.report('C-01', { ...installed(1), state: 'drifted' });
		expect((await told('C-01')).restore).to.equal(true);
		await office.seats.report('C-01', installed(1));
		expect((await told('C-01')).restore).to.equal(false);
	});

	it('is refused when the seat has gone, and taken when it is there again', async () => {
		await office.seats.add(ID, 'C-09', '');
		expect(await timestamp('C-09')).to.be.a('number');
		await office.seats.remove(ID, 'C-09');
		let problem: unknown;
		await office.seats.checkIn('C-09').catch((error: unknown) => (problem = error));
		expect(problem).to.be.instanceOf(Problem).and.have.property('status', 404);
		await office.seats.add(ID, 'C-09', '');
		expect((await office.seats.list(ID)).find(({ id }) => id === 'C-09')!.lastSeen).to.equal(null);
	});

	it('never tells of a state that was left before the question, whatever comes at once', async () => {
		await fc.assert(
			fc.asyncProperty(fc.array(fc.integer({ min: 1, max: 3 }), { minLength: 1, maxLength: 6 }), async (channels) => {
				for (const channel of channels) {
					const before = await timestamp('C-01');
					const isOther = (await followed()) !== channel;
					const early = Promise.all([timestamp('C-01'), timestamp('C-02')]);
					await office.releases.setChannel(ID, channel);
					const after = isOther ? before! + 1 : before;
					expect(await timestamp('C-01')).to.equal(after);
					await early;
					expect(await timestamp('C-02')).to.equal(after);
				}
			}),
			{ numRuns: 12 }
		);
	});

	it('is written before the folder is given up, and never after: whoever opens it next is not disturbed', async () => {
		const at = new Date('2032-02-03T04:05:06Z');
		await office.seats.checkIn('C-02', at);
		await office.store.close();
		office = officeOn(await openStore(join(folder, 'data')));
		expect(new Date((await heard('C-02'))!).toISOString()).to.equal(at.toISOString());
		// longer than what is heard waits to be written
		await new Promise((resolve) => setTimeout(resolve, 2_500));
		expect((await office.seats.list(ID)).find(({ id }) => id === 'C-02')!.lastSeen).to.equal(at.toISOString());
	});
});
