import { expect } from 'chai';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { SHIPPED_RECIPES } from '../../../core/recipe/shipped.ts';
import { ALIASES, aliasFileIn, emptyAliasFile, type AliasFile } from '../../../core/chapters/aliases/file.ts';
import { tagged } from '../../../core/profile/edit.ts';
import type { StratumId } from '../../../core/strata/stratum.ts';
import { spliceBetween, type TextChange, type TextSplice } from '../../../core/chapter/text.ts';
import { sql } from 'drizzle-orm';
import { FIRST } from '../../../core/people/person.ts';
import { seeded } from '../../../core/hand/simulated.ts';
import { openStore } from './stores.ts';
import { officeOn, type Office } from '../../../src/lib/server/office.ts';
import { Problem } from '../../../src/lib/server/problem.ts';
import { searchPaths } from '../../../demo/folders.ts';
import { varve } from '../../../demo/varve/varve.ts';

const { application, commands, strata, factoryEntries, factoryAliases } = varve;
const id = application.id;
const OFFICE = 'office' as StratumId;

describe('alias files on the server', () => {
	let folder: string;
	let office: Office;
	const fileOf = async (stratum: string) => aliasFileIn((await office.profiles.load(id)).profile.find((s) => s.id === stratum)!);
	const text = async (stratum: string) => (await fileOf(stratum))?.text ?? '';
	const edit = (base: number, ...changes: TextChange<AliasFile>[]) =>
		office.profiles.edit(id, { base, stratum: OFFICE, label: 'aliases', changes: tagged({ id: ALIASES }, changes) });
	const cut = (stratum: string, at: number, before: string, after: string): TextSplice => ({
		stratum: stratum as never,
		at,
		before,
		after
	});
	const reopen = async () => {
		await office.store.close();
		office = officeOn(await openStore(folder));
	};

	before(async () => {
		folder = mkdtempSync(join(tmpdir(), 'skarn-aliases-'));
		office = officeOn(await openStore(folder));
		await office.profiles.add({
			application,
			commands,
			strata,
			factory: { shortcuts: factoryEntries, aliases: [factoryAliases] }
		});
	});
	after(async () => {
		await office.store.close();
		rmSync(folder, { recursive: true });
	});

	it('are kept byte for byte, edited by splices, undone and redone over a restart', async () => {
		expect(await text('factory')).to.equal(factoryAliases!.text);
		await edit(0, { stratum: OFFICE, from: null, to: { ...emptyAliasFile, text: '# ours\r\nln -> draw.segment\r\n' } });
		await edit(1, cut('office', 8, 'ln', 'line'));
		expect(await text('office')).to.equal('# ours\r\nline -> draw.segment\r\n');
		await reopen();
		expect(await text('office')).to.equal('# ours\r\nline -> draw.segment\r\n');
		await office.profiles.step(id, 'undo', 2, OFFICE);
		expect(await text('office')).to.equal('# ours\r\nln -> draw.segment\r\n');
		await reopen();
		await office.profiles.step(id, 'redo', 3, OFFICE);
		expect(await text('office')).to.equal('# ours\r\nline -> draw.segment\r\n');
	});

	it('are replaced whole, with another recipe, and come back as they were', async () => {
		const to = {
			recipe: SHIPPED_RECIPES['aliases-csv']!,
			text: 'alias,command,note\nq,draw.arc,\n',
			encoding: 'latin-1' as const
		};
		const from = (await fileOf('office'))!;
		await edit(4, { stratum: OFFICE, from, to });
		expect(await fileOf('office')).to.deep.equal(to);
		await office.profiles.step(id, 'undo', 5, OFFICE);
		expect(await fileOf('office')).to.deep.equal(from);
	});

	it('are gone again when the first file is undone, and are not swapped over a file with another recipe', async () => {
		const other = { ...emptyAliasFile, text: 'zz -> draw.arc\n' };
		const swap = { stratum: 'personal' as StratumId, from: null, to: other };
		const { edit: first } = await edit(6, swap);
		expect(await fileOf('personal')).to.deep.equal(other);
		await office.profiles.step(id, 'undo', first.revision, OFFICE);
		expect(await fileOf('personal')).to.equal(null);
		await reopen();
		expect(await fileOf('personal')).to.equal(null);
		// of the same text, but read in another way
		const from = { ...(await fileOf('office'))!, recipe: SHIPPED_RECIPES['aliases-csv']! };
		const stale = await edit(8, { stratum: OFFICE, from, to: other }).then(
			() => undefined,
			(error: unknown) => error
		);
		expect(stale).to.be.instanceOf(Problem).and.to.include({ kind: 'stale-revision' });
		expect(await office.profiles.verify(id)).to.deep.equal([]);
	});

	it('are not changed from above where a line locks them, and who locked them is named', async () => {
		const locked = 'keep -> draw.arc !\n';
		const before = await text('office');
		await edit(8, cut('office', before.length, '', locked));
		const said = { ...emptyAliasFile, text: 'keep -> rivet.row\n' };
		const refused = await edit(9, { stratum: 'personal' as StratumId, from: null, to: said }).then(
			() => undefined,
			(error: unknown) => error as Problem
		);
		expect([refused?.status, refused?.message]).to.deep.equal([
			422,
			'Office has locked the alias keep; Personal cannot change it'
		]);
		await office.profiles.step(id, 'undo', 9, OFFICE);
		expect(await text('office')).to.equal(before);
	});

	it('refuse an edit that does not find what it expects, or of the factory, and write nothing', async () => {
		const before = await text('office');
		for (const [change, kind] of [
			[cut('office', 0, 'something else', ''), 'stale-revision'],
			[cut('factory', 0, '', 'x'), 'not-sound'],
			[cut('nowhere', 0, '', 'x'), 'not-sound']
		] as const)
			try {
				await edit(10, change);
				expect.fail('was taken');
			} catch (error) {
				if (!(error instanceof Problem)) throw error;
				expect(error.kind).to.equal(kind);
			}
		expect(await text('office')).to.equal(before);
		expect((await office.profiles.load(id)).revision).to.equal(10);
	});

	it('go out with a release, and are what the next check is held against', async () => {
		await office.releases.publish(id, 'names', 10);
		expect(aliasFileIn((await office.releases.followed(id))!)?.text).to.equal(await text('office'));
	});

	it('recipes and search folders are kept with the application', async () => {
		const recipe = { ...SHIPPED_RECIPES['aliases-ini']!, name: 'Ours' };
		await office.recipes.keep(id, recipe);
		await office.recipes.keep(id, { ...recipe, holds: 'aliases' });
		await office.folders.keep(id, searchPaths);
		await reopen();
		expect(await office.recipes.list(id)).to.deep.equal([recipe]);
		expect(await office.folders.of(id)).to.deep.equal(searchPaths);
		await office.recipes.drop(id, 'Ours');
		expect(await office.recipes.list(id)).to.deep.equal([]);
	});

	it('a command line is given to an application, and taken away, and its edits stay', async () => {
		const before = (await office.profiles.load(id)).application.rules.aliases!;
		await office.profiles.setAliasInput(id, { ...before, twice: 'last', longest: 5 });
		await reopen();
		const { application: now, revision } = await office.profiles.load(id);
		expect(now.rules.aliases).to.deep.equal({ ...before, twice: 'last', longest: 5 });
		await office.profiles.setAliasInput(id, null);
		expect((await office.profiles.load(id)).application.rules).to.not.have.property('aliases');
		await office.profiles.setAliasInput(id, before);
		expect((await office.profiles.load(id)).revision).to.equal(revision);
	});

	describe('undone after others have written', () => {
		const second = { ...FIRST, id: 'second-desk', name: 'Second desk' };
		/** Writes the whole text of the office anew as one splice, as somebody. */
		const write = async (person: typeof FIRST, wanted: string) => {
			const { revision } = await office.profiles.load(id);
			const splice = spliceBetween(OFFICE, await text('office'), wanted)!;
			const proposed = { base: revision, stratum: OFFICE, label: 'aliases', changes: tagged({ id: ALIASES }, [splice]) };
			return office.profiles.edit(id, proposed, { person });
		};
		const step = async (direction: 'undo' | 'redo', person: typeof FIRST) =>
			office.profiles.step(id, direction, (await office.profiles.load(id)).revision, OFFICE, person);
		const lines = (...names: string[]) => names.map((name) => `${name} -> draw.arc\n`).join('');

		before(async () => {
			const { revision } = await office.profiles.load(id);
			await office.store.db.execute(
				sql`insert into people (id, name, email, role) values (${second.id}, ${second.name}, 'second@desk', 'steward') on conflict do nothing`
			);
			const from = (await fileOf('office')) ?? null;
			await office.profiles.edit(id, {
				base: revision,
				stratum: OFFICE,
				label: 'begin',
				changes: tagged({ id: ALIASES }, [
					{ stratum: OFFICE, from, to: { ...emptyAliasFile, text: lines('a', 'b', 'c', 'd', 'e') } }
				])
			});
		});

		it('finds its place where others wrote elsewhere, and redo does too', async () => {
			// the line goes with nothing put in its place: such a change would fit anywhere
			await write(FIRST, lines('a', 'c', 'd', 'e'));
			await write(second, `# remark above\n${lines('a', 'c', 'd', 'x', 'e')}`);
			await step('undo', FIRST);
			expect(await text('office')).to.equal(`# remark above\n${lines('a', 'b', 'c', 'd', 'x', 'e')}`);
			await write(second, `# remark above\n# and another\n${lines('a', 'b', 'c', 'd', 'x', 'e')}`);
			await step('redo', FIRST);
			expect(await text('office')).to.equal(`# remark above\n# and another\n${lines('a', 'c', 'd', 'x', 'e')}`);
			await step('undo', FIRST);
		});

		it('is refused by name where others wrote the same lines, and changes nothing', async () => {
			await write(FIRST, (await text('office')).replace('c -> draw.arc', 'cc -> draw.arc'));
			await write(second, (await text('office')).replace('cc -> draw.arc', 'ccc -> draw.arc'));
			const there = await text('office');
			let refusal: unknown;
			await step('undo', FIRST).catch((error: unknown) => (refusal = error));
			expect(refusal).to.be.instanceOf(Problem);
			expect((refusal as Problem).message).to.match(/cannot be undone: “aliases” by the steward/);
			expect(await text('office')).to.equal(there);
		});

		it('never tears a line apart, whatever two people write (property)', async () => {
			const random = seeded(3);
			const pick = (n: number) => Math.floor(random() * n);
			let undone = 0;
			for (let round = 0; round < 25; round++) {
				const now = (await text('office')).split('\n').filter(Boolean);
				const mine = now.filter((_, i) => i !== pick(now.length));
				if (mine.length === now.length || mine.length < 3) mine.push(`n${round} -> draw.arc`);
				await write(FIRST, `${mine.join('\n')}\n`);
				const theirs = [...mine];
				theirs.splice(pick(theirs.length + 1), 0, `# r${round}`);
				await write(second, `${theirs.join('\n')}\n`);
				await step('undo', FIRST).then(
					() => undone++,
					(error: unknown) => expect(error).to.be.instanceOf(Problem)
				);
				for (const line of (await text('office')).split('\n').filter(Boolean))
					expect(line, `round ${round}`).to.match(/^(?:[a-z0-9]+ -> draw\.arc|# .+)$/);
			}
			expect(undone).to.be.greaterThan(12);
		});
	});
});
