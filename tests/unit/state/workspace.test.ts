import { expect } from 'chai';
import { gneiss } from '../../../demo/gneiss/gneiss.ts';
import { varve } from '../../../demo/varve/varve.ts';
import type { CommandId } from '../../../core/application/command.ts';
import { put } from '../../../core/answer/choices.ts';
import type { StratumId } from '../../../core/strata/stratum.ts';
import { ALIASES, aliasFileIn } from '../../../core/chapters/aliases/file.ts';
import { ofShortcuts } from '../../../core/shortcut/change.ts';
import type { OptionPath } from '../../../core/application/option.ts';
import { setOption } from '../../../core/chapters/options/writing.ts';
import { tagged } from '../../../core/profile/edit.ts';
import { wireOf } from '../../../core/profile/wire.ts';
import type { Keys } from '../../../core/stroke/stroke.ts';
import { office } from '../page/office.ts';

const PERSONAL = 'personal' as StratumId;
const OFFICE = 'office' as StratumId;

describe('the workspace of a page', () => {
	const demo = office();
	const open = (app: string = gneiss.application.id) => demo.open(app);
	type Open = Awaited<ReturnType<typeof open>>;
	const give = (at: Open, command: string, keys: string, stratum = PERSONAL) =>
		from(at, stratum, () =>
			at.edits.commit(
				`${keys} for ${command}`,
				ofShortcuts(put(at.profile, stratum, { command: command as CommandId, keys: keys as Keys, scope: {} }))
			)
		);
	/** Does it while writing to the stratum. */
	const from = async <T>(at: Open, stratum: StratumId, work: () => Promise<T>): Promise<T> => {
		const before = at.targetId;
		at.targetId = stratum;
		try {
			return await work();
		} finally {
			at.targetId = before;
		}
	};
	const runs = (at: Open, keys: string) => at.index.on(keys as Keys).map((b) => b.command as string);
	const said = (at: Open) => at.profile.map(wireOf);

	it('holds what the server holds, before and after an edit, its undo and its redo', async () => {
		const at = await open();
		const same = async () => {
			const other = await open();
			expect(said(at)).to.deep.equal(said(other));
			expect([at.revision, at.edits.undoable, at.edits.redoable]).to.deep.equal([
				other.revision,
				other.edits.undoable,
				other.edits.redoable
			]);
			expect(at.findings.open.map((f) => at.findings.tell(f).sentence).sort()).to.deep.equal(
				other.findings.open.map((f) => other.findings.tell(f).sentence).sort()
			);
			expect([at.draft.againstFactory.length, at.draft.againstRelease?.length]).to.deep.equal([
				other.draft.againstFactory.length,
				other.draft.againstRelease?.length
			]);
		};
		const [before, draft, revision] = [said(at), at.draft.againstFactory.length, at.revision];
		expect(await give(at, 'solid.loft', 'Ctrl+Alt+Shift+F7')).to.equal(true);
		expect([runs(at, 'Ctrl+Alt+Shift+F7'), at.revision, at.draft.againstFactory.length]).to.deep.equal([
			['solid.loft'],
			revision + 1,
			draft + 1
		]);
		await same();
		await at.edits.undo();
		expect([said(at), at.draft.againstFactory.length]).to.deep.equal([before, draft]);
		await same();
		await at.edits.redo();
		expect(runs(at, 'Ctrl+Alt+Shift+F7')).to.deep.equal(['solid.loft']);
		await same();
		await at.edits.undo();
		await same();
	});

	it('takes edits that come faster than the server answers one after the other', async () => {
		const at = await open();
		const { revision } = at;
		const strokes = ['F7', 'F8', 'F9'].map((key) => `Ctrl+Alt+Shift+${key}`);
		expect(await Promise.all(strokes.map((keys) => give(at, 'solid.loft', keys)))).to.deep.equal([true, true, true]);
		expect([at.edits.merge, at.revision, ...strokes.flatMap((keys) => runs(at, keys))]).to.deep.equal([
			undefined,
			revision + 3,
			...strokes.map(() => 'solid.loft')
		]);
		expect(said(at)).to.deep.equal(said(await open()));
		await Promise.all(strokes.map(() => at.edits.undo()));
		expect(strokes.flatMap((keys) => runs(at, keys))).to.deep.equal([]);
	});

	it('says so when nothing changes, when nothing can be undone and when the server refuses', async () => {
		const at = await open();
		expect(await at.edits.commit('nothing', [])).to.equal(true);
		expect(at.notice?.text).to.include('No change needed');
		await give(at, 'solid.box', 'Ctrl+Alt+Shift+F8');
		await at.edits.undo();
		await at.edits.redo();
		const { revision } = at;
		await at.edits.redo();
		expect(at.notice).to.deep.include({ kind: 'failed', text: 'There is nothing in Personal to redo.' });
		expect(await give(at, 'no.such', 'Ctrl+Alt+Shift+F7')).to.equal(false);
		expect(at.notice?.text).to.include('no.such');
		expect([runs(at, 'Ctrl+Alt+Shift+F7'), at.revision, at.edits.busy]).to.deep.equal([[], revision, false]);
		await at.edits.undo();
	});

	it('says so when the server is gone and something is asked that cannot wait', async () => {
		const at = await open();
		await give(at, 'solid.loft', 'Ctrl+Alt+Shift+F8');
		const { fetch } = globalThis;
		globalThis.fetch = () => Promise.reject(new TypeError('no way there'));
		try {
			await at.edits.undo();
		} finally {
			globalThis.fetch = fetch;
		}
		expect(at.notice?.text).to.include('cannot be reached').and.include('Nothing is lost');
		await at.edits.undo();
		expect(runs(at, 'Ctrl+Alt+Shift+F8')).to.deep.equal([]);
	});

	it('waits with an edit that comes too late, and writes it on top or lets it go as wished', async () => {
		for (const keepsMine of [true, false]) {
			const [mine, theirs] = [await open(), await open()];
			await give(theirs, 'solid.box', 'Ctrl+Alt+Shift+F9');
			expect(await give(mine, 'solid.loft', 'Ctrl+Alt+Shift+F10')).to.equal(false);
			expect(mine.edits.merge?.since.map((e) => e.label)).to.deep.equal(['Ctrl+Alt+Shift+F9 for solid.box']);
			expect(runs(mine, 'Ctrl+Alt+Shift+F10')).to.deep.equal([]);
			await mine.edits.settleMerge(keepsMine);
			expect([runs(mine, 'Ctrl+Alt+Shift+F9'), runs(mine, 'Ctrl+Alt+Shift+F10'), mine.edits.merge]).to.deep.equal([
				['solid.box'],
				keepsMine ? ['solid.loft'] : [],
				undefined
			]);
			expect(said(mine)).to.deep.equal(said(await open()));
			await mine.edits.undo();
			if (keepsMine) await mine.edits.undo();
		}
	});

	it('keeps an edit that waits when the server goes away before it is settled', async () => {
		const [mine, theirs] = [await open(), await open()];
		await give(theirs, 'solid.box', 'Ctrl+Alt+Shift+F9');
		await give(mine, 'solid.loft', 'Ctrl+Alt+Shift+F10');
		const { fetch } = globalThis;
		globalThis.fetch = () => Promise.reject(new TypeError('no way there'));
		await mine.edits.settleMerge(true);
		globalThis.fetch = fetch;
		expect(mine.notice?.text).to.include('cannot be reached');
		expect(mine.edits.merge?.label).to.equal('Ctrl+Alt+Shift+F10 for solid.loft');
		await mine.edits.settleMerge(true);
		expect([runs(mine, 'Ctrl+Alt+Shift+F10'), mine.edits.merge]).to.deep.equal([['solid.loft'], undefined]);
		await mine.edits.undo();
		await mine.edits.undo();
	});

	it('does not undo what another window did meanwhile without showing it first', async () => {
		const [mine, theirs] = [await open(), await open()];
		await give(mine, 'solid.loft', 'Ctrl+Alt+Shift+F11');
		await theirs.catchUp();
		await give(theirs, 'solid.box', 'Ctrl+Alt+Shift+F12');
		await mine.edits.undo();
		expect(mine.notice?.text).to.include('changed in another window');
		expect([runs(mine, 'Ctrl+Alt+Shift+F11'), runs(mine, 'Ctrl+Alt+Shift+F12')]).to.deep.equal([['solid.loft'], ['solid.box']]);
		await mine.edits.undo();
		await mine.edits.undo();
		expect(runs(mine, 'Ctrl+Alt+Shift+F11')).to.deep.equal([]);
	});

	it('undoes what the stratum in hand did last, whatever another stratum has done since', async () => {
		const at = await open();
		const before = said(at);
		expect(await give(at, 'solid.box', 'Ctrl+Alt+B')).to.equal(true);
		expect(await give(at, 'solid.cylinder', 'Ctrl+Alt+Z', OFFICE)).to.equal(true);
		await from(at, PERSONAL, () => at.edits.undo());
		expect([runs(at, 'Ctrl+Alt+B'), runs(at, 'Ctrl+Alt+Z')]).to.deep.equal([[], ['solid.cylinder']]);
		await from(at, OFFICE, () => at.edits.undo());
		expect(said(at)).to.deep.equal(before);
	});

	it('mends what is wrong with an option, counts it with all the others, and refuses one that is not there', async () => {
		const at = await open(varve.application.id);
		const rules = () => at.findings.of('options').all.map((f) => f.rule);
		const before = rules();
		expect(at.findings.ofAll.filter((f) => f.chapter === 'options')).to.have.length(before.length);
		const locked = at.findings.of('options').all.find((f) => f.rule === 'locked')!;
		const [fix] = locked.fixes({ profile: at.profile, target: PERSONAL });
		expect(await from(at, PERSONAL, () => at.edits.commit(fix!.label, fix!.changes))).to.equal(true);
		expect(rules()).to.deep.equal(before.filter((rule) => rule !== 'locked'));
		expect((await open(varve.application.id)).findings.of('options').all.map((f) => f.rule)).to.deep.equal(rules());
		await from(at, PERSONAL, () => at.edits.undo());
		expect(rules()).to.deep.equal(before);
		const unknown = setOption(at.target, 'old.path' as OptionPath, 3);
		expect(await from(at, PERSONAL, () => at.edits.commit('A path of long ago', unknown))).to.equal(false);
		expect(at.notice?.text).to.include('old.path');
	});

	it('keeps a text of an alias file that cannot be merged, and writes the rest', async () => {
		const [mine, theirs] = [await open(varve.application.id), await open(varve.application.id)];
		const stratum = mine.profile.find((s) => s.id === OFFICE)!;
		const { text } = aliasFileIn(stratum)!;
		const first = text.indexOf('\n') + 1;
		const line = text.slice(first, text.indexOf('\n', first));
		const splice = (after: string) => tagged({ id: ALIASES }, [{ stratum: OFFICE, at: first, before: line, after }]);
		mine.targetId = theirs.targetId = OFFICE;
		await theirs.edits.commit('theirs', splice('their -> file.save'));
		const changes = put(mine.profile, PERSONAL, {
			command: 'file.save' as CommandId,
			keys: 'Ctrl+Alt+Shift+F7' as Keys,
			scope: {}
		});
		expect(await mine.edits.commit('mine', [...ofShortcuts(changes), ...splice('mine -> file.save')])).to.equal(false);
		await mine.edits.settleMerge(true);
		expect(runs(mine, 'Ctrl+Alt+Shift+F7')).to.deep.equal(['file.save']);
		expect(aliasFileIn(mine.profile.find((s) => s.id === OFFICE)!)!.text).to.equal(text.replace(line, 'their -> file.save'));
		expect(mine.notice?.text).to.include('your text is kept');
		expect(demo.browser.keptTexts(varve.application.id, OFFICE)).to.deep.equal([text.replace(line, 'mine -> file.save')]);
		await mine.edits.undo();
		await mine.edits.undo();
	});

	it('remembers the stratum and the situation, and goes by what is there', async () => {
		const at = await open();
		at.writeTo(OFFICE);
		at.standIn(7);
		const again = await open();
		expect([again.targetId, again.role, again.situation]).to.deep.equal([OFFICE, 'steward', 7]);
		localStorage.setItem(`skarn-stratum-${gneiss.application.id}-usual`, 'gone');
		localStorage.setItem(`skarn-situation-${gneiss.application.id}`, '999999');
		const other = await open();
		expect([other.targetId, other.role, other.situation]).to.deep.equal([PERSONAL, 'designer', 0]);
	});

	it('counts what has changed since the release and since the factory as the lists do', async () => {
		const at = await open();
		at.writeTo(OFFICE);
		const start = at.draft.againstRelease!.length;
		await give(at, 'solid.loft', 'Ctrl+Alt+Shift+F7', OFFICE);
		expect(at.draft.againstRelease?.length).to.equal(start + 1);
		expect(at.draft.againstRelease!.map((d) => d.caption.keys as string)).to.include('Ctrl+Alt+Shift+F7');
		expect(at.draft.changedCommands.has('solid.loft' as CommandId)).to.equal(true);
		await at.edits.undo();
		expect(at.draft.againstRelease?.length).to.equal(start);
	});

	it('tells errors that would go out only of what the office says', async () => {
		const at = await open();
		at.publishing.check();
		const before = at.publishing.errors.length;
		const taken = at.index.effective.bindings.find((b) => b.scopeText === '' && b.keys.startsWith('Ctrl+') && !b.lockedBy)!;
		expect(await give(at, 'solid.loft', taken.keys), at.notice?.text).to.equal(true);
		expect(at.findings.open.filter((f) => f.bindings.some((b) => b.command === 'solid.loft'))).to.not.deep.equal([]);
		at.publishing.check();
		expect(at.publishing.errors.length).to.equal(before);
		await at.edits.undo();
	});

	it('keeps what was found in what would go out together with what it was found in, until the check has followed', async () => {
		const at = await open();
		at.writeTo('office' as StratumId);
		at.publishing.check();
		expect(at.publishing.isCurrent).to.equal(true);
		const pen = { profile: at.profile, target: 'office' as StratumId };
		const [finding, fix] = at.publishing.all
			.map((f) => [f, f.fixes(pen)[0]] as const)
			.find(([f, way]) => way && at.publishing.checks.findings.some((g) => g.command === f.command))!;
		const sentences = at.publishing.all.map((f) => f.sentence());
		expect(await at.edits.commit(fix!.label, fix!.changes), at.notice?.text).to.equal(true);
		expect(at.publishing.isCurrent, 'one that may be gone is not acted on').to.equal(false);
		expect(at.publishing.all.map((f) => f.sentence())).to.deep.equal(sentences);
		at.publishing.check();
		expect(at.publishing.isCurrent).to.equal(true);
		expect(at.publishing.all.map(({ id }) => id)).not.to.include(finding.id);
		await at.edits.undo();
	});
});
