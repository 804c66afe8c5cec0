import { expect } from 'chai';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { sql } from 'drizzle-orm';
import { aliasAcceptable } from '../../../core/chapters/aliases/acceptance.ts';
import { macroAcceptable } from '../../../core/chapters/macros/acceptance.ts';
import { readProfileFile } from '../../../core/hand-over/profile-json.ts';
import { readShortcutsCsv } from '../../../core/hand-over/shortcuts-csv.ts';
import { shortcutKey } from '../../../core/chapters/shortcuts/entry.ts';
import { Manifest } from '../../../core/release/release.ts';
import { openDatabase } from '../../../src/lib/server/db/open.ts';
import { officeOn, verifyAll } from '../../../src/lib/server/office.ts';
import { workspaceDocument, type WorkspaceDocument } from '../../../src/lib/server/workspace-document.ts';
import { page } from '../page/page.ts';
import { earlierMigrations } from './earlier.ts';

const GOLDEN = 'tests/golden/version-1';
const text = (file: string) => readFileSync(join(GOLDEN, file), 'utf8');
const document = JSON.parse(text('document.json')) as WorkspaceDocument;
const app = document.application.id;

interface KeptFolder {
	/** The time of the last migration that had run. */
	readonly migratedUntil: number;
	readonly tables: Readonly<Record<string, readonly object[]>>;
}

/** Tables in the order in which their rows can come: what is pointed to stands first. */
const ORDER = [
	'applications',
	'commands',
	'strata',
	'entries',
	'edits',
	'recipes',
	'releases',
	'search_paths',
	'seats',
	'reports'
];

/** A data folder as the version left it: its migrations, and its rows. */
async function folderOf({ migratedUntil, tables }: KeptFolder, folder: string): Promise<void> {
	const migrations = earlierMigrations(({ when }) => when > migratedUntil);
	const store = await openDatabase(folder, { migrations });
	expect(Object.keys(tables)).to.have.members(ORDER);
	for (const name of ORDER) {
		const table = sql.identifier(name);
		const rows = JSON.stringify(tables[name]);
		await store.db.execute(sql`insert into ${table} select * from jsonb_populate_recordset(null::${table}, ${rows}::jsonb)`);
	}
	await store.close();
	rmSync(migrations, { recursive: true });
}

describe('what version 1 has written', function () {
	this.timeout(60_000);
	let folder: string;
	before(async () => {
		folder = mkdtempSync(join(tmpdir(), 'skarn-golden-'));
		await folderOf(JSON.parse(text('folder.json')) as KeptFolder, folder);
	});
	after(() => rmSync(folder, { recursive: true, force: true }));

	it('a folder is opened, says the same, and can be undone to the factory alone', async () => {
		const store = await openDatabase(folder);
		try {
			const office = officeOn(store);
			expect(await verifyAll(office)).to.deep.equal([]);
			expect(JSON.parse(JSON.stringify(await workspaceDocument(office, app)))).to.deep.equal(document);
			for (let { undo, revision } = document; undo.length > 0;)
				({
					undo,
					edit: { revision }
				} = await office.profiles.step(app, 'undo', revision, 'steward'));
			const { profile } = await office.profiles.load(app);
			const left = profile.filter((s) => s.entries.size > 0 || (s.macros?.size ?? 0) > 0 || (s.aliases?.text ?? '') !== '');
			expect(left.map((s) => s.kind)).to.deep.equal(['factory']);
			expect(await verifyAll(office)).to.deep.equal([]);
		} finally {
			await store.close();
		}
	});

	it('a profile is read whole, and says what the folder says', () => {
		const { rows, refused, macros, aliases, folders } = readProfileFile('profile.json', text('profile.json'));
		expect(refused).to.deep.equal([]);
		const said = document.strata.flatMap(({ id, entries }) =>
			entries.map((e) => `${id} ${e.op} ${e.acceptance?.finding ?? shortcutKey(e)}`)
		);
		expect(rows.map((r) => `${r.stratum} ${r.op} ${r.acceptance?.finding ?? shortcutKey(r.shortcut)}`)).to.have.members(said);
		expect(aliases?.map((a) => [a.stratum, a.file])).to.deep.equal(
			document.strata.flatMap(({ id, aliases: file }) => (file ? [[id, file]] : []))
		);
		expect(macros?.flatMap((m) => m.macros.map((macro) => [m.stratum, macro.id]))).to.have.deep.members(
			document.strata.flatMap((s) => s.macros.map((macro) => [s.id, macro.id]))
		);
		expect(folders).to.be.an('object');
	});

	it('shortcuts in CSV, a release and a manifest are read', () => {
		const csv = readShortcutsCsv('shortcuts.csv', text('shortcuts.csv'));
		expect(csv.refused).to.deep.equal([]);
		expect(csv.rows).to.have.length(document.strata.flatMap((s) => s.entries.filter((e) => e.op !== 'accept')).length);
		const release = readProfileFile('release.json', text('release.json'));
		expect(release.refused).to.deep.equal([]);
		expect(release.rows).to.have.length(document.released!.length);
		expect(Manifest.safeParse(JSON.parse(text('manifest.json'))).success).to.equal(true);
	});

	it('findings that were accepted are still accepted', async () => {
		const browser = await page();
		try {
			const at = new browser.Workspace(document);
			const accepted = document.strata.flatMap((s) => s.entries.filter((e) => e.op === 'accept'));
			expect(accepted).to.have.length(4);
			const open = new Set([
				...at.findings.map((f) => at.tell(f).id),
				...at.aliasFindings.map((f) => aliasAcceptable(f).id),
				...at.macroFindings.map((f) => macroAcceptable(f).id)
			]);
			for (const { acceptance } of accepted) expect(open.has(acceptance!.finding), acceptance!.finding).to.equal(false);
			const all = at.allFindings.length + at.allMacroFindings.length;
			expect(all).to.be.greaterThan(at.findings.length + at.macroFindings.length);
		} finally {
			browser.close();
		}
	});
});
