import { expect } from 'chai';
import { varve } from '../../../demo/varve/varve.ts';
import type { StratumId } from '../../../core/strata/stratum.ts';
import { aliasFileIn } from '../../../core/chapters/aliases/file.ts';
import { spliced } from '../../../core/recipe/reading.ts';
import { office } from '../page/office.ts';
import { until } from '../page/page.ts';

const PERSONAL = 'personal' as StratumId;
const OFFICE = 'office' as StratumId;

describe('an alias file while it is edited', () => {
	const demo = office();
	const workspace = () => demo.open(varve.application.id);
	async function open() {
		const at = await workspace();
		at.writeTo(OFFICE);
		const session = new demo.browser.AliasSession(at);
		session.follow();
		return { at, session };
	}
	const textIn = (at: Awaited<ReturnType<typeof workspace>>, id: StratumId) =>
		aliasFileIn(at.profile.find((s) => s.id === id)!)?.text ?? '';
	/** The office's file as the server has it. */
	const stored = async () => textIn(await workspace(), OFFICE);
	const lineAfter = (text: string, line: string) => text.replace(/\n/, `\n${line}\n`);
	const undone = async (to: string) => {
		const at = await workspace();
		at.writeTo(OFFICE);
		while (textIn(at, OFFICE) !== to) await at.edits.undo();
	};

	it('writes what was typed as one edit, after a moment or when it is asked to', async () => {
		const { at, session } = await open();
		const { text } = session;
		const { revision } = at;
		const wanted = lineAfter(text, 'qq -> file.save');
		for (const so of ['q', 'qq', 'qq ->']) session.type(lineAfter(text, so));
		session.type(wanted);
		expect([session.isDirty, at.revision, await stored()]).to.deep.equal([true, revision, text]);
		await until(() => at.revision > revision, 'it was written by itself');
		expect([session.isDirty, at.revision, await stored()]).to.deep.equal([false, revision + 1, wanted]);
		await session.undo('undo');
		session.follow();
		expect([session.text, await stored()]).to.deep.equal([text, text]);
		session.type(wanted);
		expect(await session.flush()).to.equal(true);
		expect(await stored()).to.equal(wanted);
		await undone(text);
	});

	it('finds in the worker what is wrong, at its line, and forgets it when it is mended', async () => {
		const { session } = await open();
		const { text } = session;
		await until(() => !session.checking, 'the file is checked');
		const { counts } = session.sight;
		session.type(lineAfter(text, 'qq -> no.such'));
		await until(() => !session.checking, 'the file is checked');
		expect(session.marked.map((f) => f.line)).to.include(2);
		expect(session.sight.counts).to.not.deep.equal(counts);
		session.type(text);
		await until(() => !session.checking, 'the file is checked');
		expect(session.sight.counts).to.deep.equal(counts);
		await until(() => session.rows.length > 0, 'the rows have come');
		expect(session.rows.some((row) => row.stratum === OFFICE)).to.equal(true);
		await session.flush();
		expect(await stored()).to.equal(text);
	});

	it('offers only ways out that were tried, and those mend what they say', async () => {
		const { session } = await open();
		const { text } = session;
		const wanted = lineAfter(text, 'zz -> file.save\nzz -> file.open');
		session.type(wanted);
		await until(() => !session.checking, 'the file is checked');
		const finding = session.sight.findings.find((f) => f.typed === 'zz')!;
		const ways = await session.waysOf(finding);
		expect(ways.length).to.be.within(1, finding.fixes.length);
		for (const { label, splices, stratum } of ways) {
			expect(stratum, label).to.equal(OFFICE);
			session.type(spliced(wanted, splices));
			await until(() => !session.checking, 'the file is checked');
			const ids = session.sight.findings.map((f) => f.acceptable?.id);
			expect(ids, label).to.not.include(finding.acceptable!.id);
		}
		// what stands in another file has its ways out there
		expect(await session.waysOf({ ...finding, stratum: PERSONAL })).to.deep.equal([]);
		session.type(text);
		await session.flush();
		expect(await stored()).to.equal(text);
	});

	it('takes lines of another window in between, and keeps typing', async () => {
		const [mine, theirs] = [await open(), await open()];
		const { text } = mine.session;
		mine.session.type(`${text}mm -> file.save\n`);
		theirs.session.type(lineAfter(text, 'tt -> file.save'));
		await theirs.session.flush();
		await mine.at.catchUp();
		mine.session.follow();
		const both = `${lineAfter(text, 'tt -> file.save')}mm -> file.save\n`;
		expect([mine.session.text, mine.session.left]).to.deep.equal([both, []]);
		await mine.session.flush();
		expect(await stored()).to.equal(both);
		await undone(text);
	});

	it('keeps each text that touches what another window wrote, in order, until it is settled', async () => {
		const [mine, theirs] = [await open(), await open()];
		const { text } = mine.session;
		const line = text.split('\n')[0]!;
		const mineAre = ['first', 'second'].map((word) => text.replace(line, `# mine, ${word}`));
		const theirsAre = ['one', 'two'].map((word) => text.replace(line, `# theirs, ${word}`));
		for (const i of [0, 1]) {
			mine.session.type(i === 0 ? mineAre[0]! : theirsAre[0]!.replace('# theirs, one', '# mine, second'));
			theirs.session.type(theirsAre[i]!);
			await theirs.session.flush();
			await mine.at.catchUp();
			mine.session.follow();
			expect(mine.session.text).to.equal(theirsAre[i]);
		}
		expect(mine.session.left).to.deep.equal(mineAre);
		mine.session.settleLeft(mineAre[0]!, false);
		expect(mine.session.left).to.deep.equal([mineAre[1]]);
		mine.session.settleLeft(mineAre[1]!, true);
		expect([mine.session.text, mine.session.left]).to.deep.equal([mineAre[1], []]);
		await mine.session.flush();
		expect(await stored()).to.equal(mineAre[1]);
		await undone(text);
	});

	it('offers what was typed when the page came to its end before it was written', async () => {
		const { session } = await open();
		const { text } = session;
		const wanted = lineAfter(text, 'qq -> file.save');
		session.type(wanted);
		session.keepDraft();
		const again = await open();
		expect([again.session.text, again.session.left]).to.deep.equal([text, [wanted]]);
		const third = await open();
		expect(third.session.left).to.deep.equal([wanted]);
		third.session.settleLeft(wanted, false);
		expect((await open()).session.left).to.deep.equal([]);
		// in a browser its page is gone by now
		session.type(text);
		await session.flush();
	});

	it('keeps what is typed when the server is gone, and writes it later', async () => {
		const { at, session } = await open();
		const { text } = session;
		const wanted = lineAfter(text, 'qq -> file.save');
		const { fetch } = globalThis;
		session.type(wanted);
		globalThis.fetch = () => Promise.reject(new TypeError('no way there'));
		let thrown: unknown;
		const isWritten = await session.flush().catch((error: unknown) => {
			thrown = error;
			return false;
		});
		globalThis.fetch = fetch;
		expect(thrown, 'flush says it by its answer, not by an error').to.equal(undefined);
		expect([isWritten, session.text, at.edits.waiting.list.length]).to.deep.equal([true, wanted, 1]);
		expect(at.notice?.text).to.include('waiting until the server is back');
		expect(await stored(), 'not there yet').to.equal(text);
		expect(await at.edits.sendWaiting()).to.equal(true);
		expect(await stored()).to.equal(wanted);
		await undone(text);
	});

	it('changes the text by a way out as one edit, after what was typed', async () => {
		const { at, session } = await open();
		const { text } = session;
		session.type(`${text}mm -> file.save\n`);
		const withoutFirst = (now: string) => ({
			label: 'a line goes',
			splices: [{ start: 0, end: now.indexOf('\n') + 1, insert: '' }]
		});
		expect(await session.apply(withoutFirst)).to.equal(true);
		expect(await stored()).to.equal(`${text}mm -> file.save\n`.slice(text.indexOf('\n') + 1));
		for (let i = 0; i < 2; i++) await at.edits.undo();
		expect(await stored()).to.equal(text);
	});

	it('stores all of what is changed faster than the server answers, each from what the one before it left', async () => {
		const { at, session } = await open();
		const { text } = session;
		const writing = new demo.browser.AliasWriting(at, session);
		const host = writing.host(() => {});
		const line = text.split('\n').findIndex((l) => /^\w.*->/.test(l)) + 1;
		const { revision } = at;
		for (let i = 0; i < 3; i++) host.toggle(line, line);
		const off = text.split('\n').map((l, i) => (i === line - 1 ? `# ${l}` : l));
		await until(() => at.revision === revision + 3, 'all three are stored');
		expect([session.isDirty, session.text]).to.deep.equal([false, off.join('\n')]);
		expect(await stored()).to.equal(session.text);
		for (let i = 0; i < 3; i++) host.undo();
		await until(() => at.revision === revision + 6, 'all is taken back');
		expect(await stored()).to.equal(text);
	});
});
