import { expect } from 'chai';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { sql } from 'drizzle-orm';
import { FIRST } from '../../../core/people/person.ts';
import { ofShortcuts } from '../../../core/shortcut/change.ts';
import type { StratumId } from '../../../core/strata/stratum.ts';
import { gneiss } from '../../../demo/gneiss/gneiss.ts';
import { officeOn, type Office } from '../../../src/lib/server/office.ts';
import { Problem } from '../../../src/lib/server/problem.ts';
import { rejection } from '../refusal.ts';
import { openStore } from './stores.ts';

const { application, commands, entriesOf, factoryEntries, strata } = gneiss;
const id = application.id;
const OFFICE = 'office' as StratumId;

describe('what is written together', () => {
	let folder: string;
	let office: Office;
	const changesOf = (lines: string) => ofShortcuts(entriesOf(lines).map((after) => ({ stratum: OFFICE, before: null, after })));
	const edit = async (lines: string) => {
		const { revision } = await office.profiles.load(id);
		return office.profiles.edit(id, { base: revision, stratum: OFFICE, label: lines, changes: changesOf(lines) });
	};
	const propose = async (lines: string) =>
		(
			await office.proposals.propose(id, FIRST, {
				stratum: OFFICE,
				label: lines,
				reason: 'better',
				base: (await office.profiles.load(id)).revision,
				changes: changesOf(lines)
			})
		).id;

	before(async () => {
		folder = mkdtempSync(join(tmpdir(), 'skarn-'));
		office = officeOn(await openStore(folder));
		await office.profiles.add({ application, commands, strata, factory: { shortcuts: factoryEntries } });
		await office.signing.setUp(['two hinges and a ladder'], 1);
		await edit('set | Ctrl+Alt+1 | inspect.mass | any');
	});
	after(async () => {
		await office.store.close();
		rmSync(folder, { recursive: true });
		rmSync(`${folder}.root-keys`, { recursive: true, force: true });
	});

	it('is published with its course and its signature, or not at all', async () => {
		const { db } = office.store;
		const role = `app.${id}`;
		const [key] = (await db.execute<{ pem: string }>(sql`select pem from signing_keys where role = ${role}`)).rows;
		await db.execute(sql`update signing_keys set pem = 'no key' where role = ${role}`);
		const { revision } = await office.profiles.load(id);
		await rejection(office.releases.publish(id, 'first', revision));
		expect(await office.releases.list(id)).to.deep.equal({ channel: null, releases: [] });
		expect((await office.rollouts.state(id)).course).to.equal(null);
		await db.execute(sql`update signing_keys set pem = ${key!.pem} where role = ${role}`);
		expect((await office.releases.publish(id, 'first', revision)).number).to.equal(1);
		const { channel, releases } = await office.releases.list(id);
		expect([channel, releases.length]).to.deep.equal([1, 1]);
		const { targets } = (JSON.parse(await office.signing.metadata(`2.${role}.json`)) as { signed: { targets: object } }).signed;
		expect(Object.keys(targets).some((name) => name.includes('1'))).to.equal(true);
	});

	it('goes past a ring without seats only when a steward confirms it', async () => {
		const rings = [
			{ id: 'pilot', name: 'Pilot', soak: 0, limit: 0 },
			{ id: 'everyone', name: 'Everyone', soak: 0, limit: 0 }
		] as never;
		await office.rollouts.setRings(id, rings);
		await edit('set | Ctrl+Alt+9 | inspect.mass | any');
		const { number } = await office.releases.publish(id, 'second', (await office.profiles.load(id)).revision);
		await office.rollouts.look();
		expect((await office.rollouts.state(id)).verdict!.waits).to.equal('untested');
		expect((await office.rollouts.state(id)).course!.follows['everyone']).to.not.equal(number);
		await office.rollouts.confirmUntested(id);
		expect((await office.rollouts.state(id)).course!.follows['everyone']).to.equal(number);
		expect(await rejection(office.rollouts.confirmUntested(id))).to.be.instanceOf(Problem);
	});

	it('is accepted once, with its edit, however many accept it at a time', async () => {
		const proposal = await propose('set | Ctrl+Alt+2 | inspect.mass | any');
		const { revision } = await office.profiles.load(id);
		const take = () => office.proposals.take(id, FIRST, proposal, { base: revision, reason: '' });
		const both = await Promise.allSettled([take(), take()]);
		expect(both.map(({ status }) => status).sort()).to.deep.equal(['fulfilled', 'rejected']);
		expect((await office.profiles.load(id)).revision).to.equal(revision + 1);
	});

	it('brings no edit when somebody has decided meanwhile', async () => {
		const proposal = await propose('set | Ctrl+Alt+3 | inspect.mass | any');
		const { revision } = await office.profiles.load(id);
		const taking = office.proposals.take(id, FIRST, proposal, { base: revision, reason: '' });
		const declining = office.proposals.decline(id, FIRST, proposal, 'no');
		const [taken, declined] = await Promise.allSettled([taking, declining]);
		expect([taken.status, declined.status].filter((status) => status === 'fulfilled')).to.have.length(1);
		const isTaken = taken.status === 'fulfilled';
		expect((await office.profiles.load(id)).revision).to.equal(revision + (isTaken ? 1 : 0));
		const failed = (isTaken ? declined : taken) as PromiseRejectedResult;
		expect(failed.reason).to.be.instanceOf(Problem);
	});

	it('loses no comment that is written while a proposal is changed', async () => {
		const proposal = await propose('set | Ctrl+Alt+4 | inspect.mass | any\nset | Ctrl+Alt+5 | inspect.mass | any');
		const { revision } = await office.profiles.load(id);
		const changes = changesOf('set | Ctrl+Alt+4 | inspect.mass | any');
		await Promise.all([
			...['one', 'two', 'three'].map((text) => office.proposals.comment(id, FIRST, proposal, text)),
			office.proposals.change(id, FIRST, proposal, { base: revision, changes, reason: 'less' }),
			...['four', 'five'].map((text) => office.proposals.comment(id, FIRST, proposal, text))
		]);
		const found = (await office.proposals.list(id)).proposals.find((one) => one.id === proposal)!;
		expect(found.comments.map(({ text }) => text)).to.have.members([
			...['one', 'two', 'three', 'four', 'five'],
			'Changed from 2 to 1 part: less'
		]);
	});
});
