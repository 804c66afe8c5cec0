import { expect } from 'chai';
import { withoutPeople } from './without-people.ts';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { readProfileFile, strataOf } from '../../../core/hand-over/profile-file.ts';
import { readShortcutsCsv } from '../../../core/hand-over/shortcuts-csv.ts';
import type { Entry } from '../../../core/shortcut/entry.ts';
import { saidIn } from '../../../core/hand-over/selection.ts';
import type { StratumHead } from '../../../core/strata/stratum.ts';
import { wireOf, type StratumWire } from '../../../core/profile/wire.ts';
import { openDatabase } from '../../../src/lib/server/db/open.ts';
import { officeOn, verifyAll } from '../../../src/lib/server/office.ts';
import { workspaceDocument, type WorkspaceDocument } from '../../../src/lib/server/workspace-document.ts';
import { page } from '../page/page.ts';
import { folderOf, undoneWhole, type KeptFolder } from './kept-folder.ts';

const GOLDEN = 'tests/golden/version-1';
const text = (file: string) => readFileSync(join(GOLDEN, file), 'utf8');
const document = JSON.parse(text('document.json')) as Document1;

const app = document.application.id;

interface Stratum1 extends StratumHead {
	readonly entries: readonly (Omit<Entry, 'op'> & { readonly op: string; readonly acceptance?: { readonly finding: string } })[];
	readonly aliases: object | null;
	readonly macros: readonly { readonly id: string; readonly gone?: true; readonly locks?: boolean }[];
}

/** What version 1 sent of an application. */
interface Document1 extends Omit<WorkspaceDocument, 'strata' | 'released' | 'undo' | 'redo'> {
	readonly strata: readonly Stratum1[];
	readonly undo: readonly number[];
	readonly redo: readonly number[];
	readonly released: Stratum1['entries'] | null;
	readonly releasedAliases: object | null;
	readonly releasedMacros: Stratum1['macros'] | null;
}

/** What a stratum says, as a list that does not go by how it is kept. */
const told1 = ({ id, kind, name, entries, aliases, macros }: Stratum1) => ({
	id,
	kind,
	name,
	shortcuts: entries.filter((e) => e.op !== 'accept').map(({ op, keys, command, scope }) => ({ op, keys, command, scope })),
	acceptances: entries.flatMap(({ acceptance, keys, command, scope }) =>
		acceptance ? [{ ...acceptance, keys, command, scope }] : []
	),
	aliases: aliases ? [aliases] : [],
	macros: macros.flatMap(({ gone, locks, ...macro }) =>
		gone ? [{ op: 'remove', ...macro }] : [{ op: 'set', ...macro }, ...(locks ? [{ op: 'lock', id: macro.id }] : [])]
	)
});

const told = ({ id, kind, name, contents }: StratumWire) => {
	const said = (chapter: string) =>
		((contents[chapter] ?? []) as { op?: string; rank?: number }[]).map(({ rank: _, ...one }) => one);
	return {
		id,
		kind,
		name,
		shortcuts: said('shortcuts'),
		acceptances: said('acceptances').map(({ op: _, ...one }) => one),
		aliases: contents['aliases'] ?? [],
		macros: said('macros')
	};
};

describe('what version 1 has written', () => {
	const folders: string[] = [];
	/** The office of a folder as that version left it. */
	const opened = async () => {
		const folder = mkdtempSync(join(tmpdir(), 'skarn-golden-'));
		folders.push(folder);
		await folderOf(JSON.parse(text('folder.json')) as KeptFolder, folder);
		return openDatabase(folder);
	};
	after(() => folders.forEach((folder) => rmSync(folder, { recursive: true, force: true })));

	it('a folder is opened, says the same, and can be undone to the factory alone', async () => {
		const store = await opened();
		try {
			const office = officeOn(store);
			expect(await verifyAll(office)).to.deep.equal([]);
			const now = await workspaceDocument(office, app);
			expect(now.strata.map(told)).to.deep.equal(document.strata.map(told1));
			const {
				strata: _,
				released,
				undo,
				redo,
				history,
				...rest
			} = withoutPeople(JSON.parse(JSON.stringify(now)) as WorkspaceDocument);
			const { strata: __, undo: undo1, redo: redo1, history: history1, ...before } = document;
			for (const name of ['application', 'commands', 'revision', 'channel', 'releases', 'seats'] as const)
				expect(rest[name], name).to.deep.equal(before[name]);
			expect(told(released!)).to.deep.equal(
				told1({
					...document.strata[1]!,
					entries: before.released!,
					aliases: before.releasedAliases,
					macros: before.releasedMacros!
				})
			);
			const merged = (steps: Readonly<Record<string, readonly number[]>>) =>
				Object.values(steps)
					.flat()
					.sort((a, b) => a - b);
			expect([merged(undo), merged(redo)]).to.deep.equal([undo1, redo1]);
			expect(history.map(({ label, revision, role }) => [label, revision, role])).to.deep.equal(
				history1.map(({ label, revision, role }) => [label, revision, role])
			);

			const profile = await undoneWhole(office, app);
			expect(profile.filter((s) => [...saidIn([s])].length > 0).map((s) => s.kind)).to.deep.equal(['factory']);
			expect(await verifyAll(office)).to.deep.equal([]);
		} finally {
			await store.close();
		}
	});

	it('a profile is read whole, and says what the folder says', () => {
		const { rows, refused, strata, folders } = readProfileFile('profile.json', text('profile.json'));
		expect(refused).to.deep.equal([]);
		expect(strataOf(strata, rows).map(wireOf).map(told)).to.deep.equal(document.strata.map(told1));
		expect(folders).to.be.an('object');
	});

	it('shortcuts in CSV and a release are read', () => {
		const csv = readShortcutsCsv('shortcuts.csv', text('shortcuts.csv'));
		expect(csv.refused).to.deep.equal([]);
		expect(csv.rows).to.have.length(document.strata.flatMap((s) => s.entries.filter((e) => e.op !== 'accept')).length);
		const release = readProfileFile('release.json', text('release.json'));
		expect(release.refused).to.deep.equal([]);
		expect(release.rows.filter((row) => row.chapter === 'shortcuts')).to.have.length(document.released!.length);
	});

	it('findings that were accepted are still accepted', async () => {
		const browser = await page();
		try {
			const store = await opened();
			const at = new browser.Workspace(await workspaceDocument(officeOn(store), app));
			await store.close();
			const accepted = document.strata.flatMap((s) => s.entries.filter((e) => e.op === 'accept'));
			expect(accepted).to.have.length(4);
			const open = new Set([
				...at.findings.open.map((f) => at.findings.tell(f).id),
				...at.findings.of('aliases').open.map((f) => f.id),
				...at.findings.of('macros').open.map((f) => f.id)
			]);
			for (const { acceptance } of accepted) expect(open.has(acceptance!.finding), acceptance!.finding).to.equal(false);
			const all = at.findings.all.length + at.findings.of('macros').all.length;
			expect(all).to.be.greaterThan(at.findings.open.length + at.findings.of('macros').open.length);
		} finally {
			browser.close();
		}
	});
});
