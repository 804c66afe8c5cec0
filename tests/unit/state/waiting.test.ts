import { expect } from 'chai';
import { gneiss } from '../../../demo/gneiss/gneiss.ts';
import { varve } from '../../../demo/varve/varve.ts';
import { put } from '../../../core/answer/choices.ts';
import type { CommandId } from '../../../core/application/command.ts';
import { ALIASES, aliasFileIn } from '../../../core/chapters/aliases/file.ts';
import { tagged } from '../../../core/profile/edit.ts';
import { wireOf } from '../../../core/profile/wire.ts';
import { ofShortcuts } from '../../../core/shortcut/change.ts';
import { stratumById, type StratumId } from '../../../core/strata/stratum.ts';
import type { Keys } from '../../../core/stroke/stroke.ts';
import { office } from '../page/office.ts';

const PERSONAL = 'personal' as StratumId;

describe('edits while the server is not there', () => {
	const demo = office();
	let reached: typeof fetch;
	const open = (app: string = gneiss.application.id) => demo.open(app);
	type Open = Awaited<ReturnType<typeof open>>;
	const give = (at: Open, command: string, keys: string) =>
		at.edits.commit(
			`${keys} for ${command}`,
			ofShortcuts(put(at.profile, PERSONAL, { command: command as CommandId, keys: keys as Keys, scope: {} }))
		);
	const runs = (at: Open, keys: string) => at.index.on(keys as Keys).map((b) => b.command as string);
	const labels = (at: Open) => at.edits.waiting.list.map((w) => w.label);
	/** The server is not there while this is done. */
	async function away<T>(work: () => Promise<T>): Promise<T> {
		reached = globalThis.fetch;
		globalThis.fetch = () => Promise.reject(new TypeError('fetch failed'));
		try {
			return await work();
		} finally {
			globalThis.fetch = reached;
		}
	}
	it('hold here, several in a row, and are stored in their order when it is back', async () => {
		const at = await open();
		const { revision } = at;
		await away(async () => {
			expect(await give(at, 'solid.loft', 'Ctrl+Alt+Shift+F6')).to.equal(true);
			expect(await give(at, 'solid.sweep', 'Ctrl+Alt+Shift+F7')).to.equal(true);
			expect(await give(at, 'solid.loft', 'Ctrl+Alt+Shift+F8')).to.equal(true);
		});
		expect(at.edits.isAway).to.equal(true);
		expect(labels(at)).to.have.length(3);
		expect([runs(at, 'Ctrl+Alt+Shift+F6'), runs(at, 'Ctrl+Alt+Shift+F7')]).to.deep.equal([['solid.loft'], ['solid.sweep']]);
		expect(at.revision).to.equal(revision);
		expect(await at.edits.sendWaiting()).to.equal(true);
		expect([labels(at), at.revision, at.edits.isAway]).to.deep.equal([[], revision + 3, false]);
		const other = await open();
		expect(other.profile.map(wireOf)).to.deep.equal(at.profile.map(wireOf));
		for (let i = 0; i < 3; i++) await at.edits.undo();
		expect(runs(at, 'Ctrl+Alt+Shift+F6')).to.deep.equal([]);
	});

	it('wait on while it is still not there, and over a start of the page', async () => {
		const at = await open();
		await away(async () => {
			await give(at, 'solid.loft', 'Ctrl+Alt+Shift+F6');
			expect(await at.edits.sendWaiting()).to.equal(false);
		});
		expect(labels(at)).to.have.length(1);
		const next = await open();
		expect(runs(next, 'Ctrl+Alt+Shift+F6')).to.deep.equal([]);
		await away(() => next.edits.resume().catch(() => undefined));
		expect(labels(next), 'after another start').to.have.length(1);
		await next.edits.resume();
		expect([labels(next), runs(next, 'Ctrl+Alt+Shift+F6')]).to.deep.equal([[], ['solid.loft']]);
		await next.edits.undo();
	});

	it('are taken back here by undo, the last one first', async () => {
		const at = await open();
		const before = at.profile.map(wireOf);
		await away(async () => {
			await give(at, 'solid.loft', 'Ctrl+Alt+Shift+F6');
			await give(at, 'solid.loft', 'Ctrl+Alt+Shift+F7');
			await at.edits.undo();
			expect(runs(at, 'Ctrl+Alt+Shift+F7')).to.deep.equal([]);
			await at.edits.undo();
		});
		expect([labels(at), at.profile.map(wireOf)]).to.deep.equal([[], before]);
	});

	it('go on top of what others wrote meanwhile', async () => {
		const [at, other] = [await open(), await open()];
		await away(() => give(at, 'solid.loft', 'Ctrl+Alt+Shift+F6'));
		expect(await give(other, 'solid.sweep', 'Ctrl+Alt+Shift+F9')).to.equal(true);
		expect(await at.edits.sendWaiting()).to.equal(true);
		expect([runs(at, 'Ctrl+Alt+Shift+F6'), runs(at, 'Ctrl+Alt+Shift+F9')]).to.deep.equal([['solid.loft'], ['solid.sweep']]);
		await at.edits.undo();
		await at.edits.undo();
	});

	it('are not lost when they are made while what waits is put on what others wrote', async () => {
		const [at, other] = [await open(), await open()];
		await away(() => give(at, 'solid.loft', 'Ctrl+Alt+Shift+F6'));
		expect(await give(other, 'solid.sweep', 'Ctrl+Alt+Shift+F9')).to.equal(true);
		// the page reads anew, and somebody goes on working meanwhile
		const { apply } = at;
		let more: Promise<boolean> | undefined;
		at.apply = async (changes) => {
			more ??= give(at, 'solid.shell', 'Ctrl+Alt+Shift+F10');
			await new Promise((done) => setTimeout(done, 50));
			return apply.call(at, changes);
		};
		const back = at.edits.sendWaiting();
		await back;
		expect(await more, at.notice?.text).to.equal(true);
		at.apply = apply;
		await at.edits.sendWaiting();
		const stored = await open();
		for (const [keys, command] of [
			['Ctrl+Alt+Shift+F6', 'solid.loft'],
			['Ctrl+Alt+Shift+F9', 'solid.sweep'],
			['Ctrl+Alt+Shift+F10', 'solid.shell']
		] as const)
			expect([runs(at, keys), runs(stored, keys)], keys).to.deep.equal([[command], [command]]);
		for (let i = 0; i < 3; i++) await at.edits.undo();
	});

	it('ask where others have changed the same, and the rest waits until that is settled', async () => {
		const [at, other] = [await open(), await open()];
		const keys = 'Ctrl+Alt+Shift+F6';
		await away(async () => {
			await give(at, 'solid.loft', keys);
			await give(at, 'solid.sweep', 'Ctrl+Alt+Shift+F7');
		});
		expect(await give(other, 'solid.loft', keys)).to.equal(true);
		expect(await at.edits.sendWaiting()).to.equal(false);
		expect(at.edits.merge?.touched).to.have.length(1);
		expect(labels(at)).to.have.length(1);
		await at.edits.settleMerge(true);
		expect(await at.edits.sendWaiting()).to.equal(true);
		expect([runs(at, keys), runs(at, 'Ctrl+Alt+Shift+F7')]).to.deep.equal([['solid.loft'], ['solid.sweep']]);
		for (const one of [at, at]) await one.edits.undo();
	});

	it('keep what was typed into an alias file', async () => {
		const at = await open(varve.application.id);
		at.targetId = PERSONAL;
		const file = aliasFileIn(stratumById(at.profile, PERSONAL))!;
		const splice = { stratum: PERSONAL, at: 0, before: '', after: '# kept while away\n' };
		await away(() => at.edits.commit('Aliases: a line', tagged({ id: ALIASES }, [splice])));
		expect(await at.edits.sendWaiting()).to.equal(true);
		const other = await open(varve.application.id);
		expect(aliasFileIn(stratumById(other.profile, PERSONAL))!.text).to.equal(`# kept while away\n${file.text}`);
	});

	it('tell what the server refuses, and go on with the rest', async () => {
		const at = await open();
		await away(async () => {
			await give(at, 'solid.loft', 'Ctrl+Alt+Shift+F3');
			await give(at, 'solid.sweep', 'Ctrl+Alt+Shift+F4');
		});
		// as if the browser had kept something that is no edit
		const [first, ...rest] = at.edits.waiting.list;
		at.edits.waiting.replace([{ ...first!, changes: [{ ...first!.changes[0]!, chapter: 'tunes' }] }, ...rest]);
		expect(await at.edits.sendWaiting()).to.equal(true);
		expect([runs(at, 'Ctrl+Alt+Shift+F3'), runs(at, 'Ctrl+Alt+Shift+F4')]).to.deep.equal([[], ['solid.sweep']]);
	});
});

describe('what other windows write', () => {
	const demo = office();

	it('is followed as soon as it is heard of', async () => {
		const [at, other] = [await demo.open(gneiss.application.id), await demo.open(gneiss.application.id)];
		const shortcut = { command: 'solid.loft' as CommandId, keys: 'Ctrl+Alt+Shift+F6' as Keys, scope: {} };
		await other.edits.commit('elsewhere', ofShortcuts(put(other.profile, PERSONAL, shortcut)));
		await at.hear({ revision: other.revision });
		expect(at.revision).to.equal(other.revision);
		expect(at.index.on(shortcut.keys)).to.have.length(1);
		const { profile } = at;
		await at.hear({ revision: other.revision });
		expect(at.profile, 'what is known already is not read again').to.equal(profile);
		await at.hear({});
		expect(at.profile, 'anything may have changed').to.not.equal(profile);
	});
});
